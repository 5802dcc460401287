<script setup lang="ts">
// What was heard leads by at most three looks to one thing to try.
import { computed, ref } from 'vue'
import { useFaults } from '@/api/instruments'
import ChoiceRow from '@/components/ChoiceRow.vue'
import { say } from '@/locales/say'

const read = useFaults()
const heard = ref('')
const at = ref(0)
const found = ref(false)
const faults = computed(() => read.data.value ?? [])
const looks = computed(() => faults.value.find((one) => one.heard === heard.value)?.looks ?? [])
const look = computed(() => looks.value[at.value])
function begin(what: string) {
  heard.value = what
  at.value = 0
  found.value = false
}
const no = () => (at.value += 1)
</script>

<template>
  <section class="finder" :aria-label="say('fault-title')">
    <h2>{{ say('fault-title') }}</h2>
    <ChoiceRow
      :model-value="heard"
      :label="say('fault-heard')"
      :items="faults.map((one) => ({ value: one.heard, title: one.says }))"
      @update:model-value="begin"
    />
    <div v-if="heard" class="asked" role="status">
      <template v-if="look && !found">
        <p>
          <span class="quiet">{{ say('fault-look', { n: at + 1, of: looks.length }) }}</span>
          {{ look.look }}
          <span v-if="look.holes" class="small quiet">{{
            say('fault-holes', { holes: look.holes })
          }}</span>
        </p>
        <div class="row">
          <v-btn class="main" @click="found = true">{{ say('fault-yes') }}</v-btn><v-btn
            @click="no()"
            >{{ say('fault-no') }}</v-btn
          >
        </div>
      </template>
      <p v-else-if="look" class="try">{{ look.attempt }}</p>
      <p v-else>{{ say('fault-none') }}</p>
    </div>
  </section>
</template>

<style scoped>
.finder {
  padding: 16px 0;
  margin-top: 16px;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 16px;
  margin: 0 0 8px;
}
.asked {
  padding-top: 10px;
}
.asked p {
  margin: 0 0 8px;
}
.try {
  font-size: 18px;
  font-weight: 700;
}
</style>
