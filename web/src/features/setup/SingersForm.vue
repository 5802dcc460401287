<script setup lang="ts">
// Who of the classes sings in a choir: by class, one box a child.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import FoldPart from '@/components/FoldPart.vue'
import { say } from '@/locales/say'

const props = defineProps<{ children: readonly Schemas['SingerRead'][]; name: string }>()
const emit = defineEmits<{ keep: [ids: string[]] }>()
const chosen = ref<string[]>([])
watch(
  () => props.children,
  (now) => {
    chosen.value = now.filter((one) => one.sings).map((one) => one.id)
  },
  { immediate: true },
)
const classes = computed(() =>
  [...new Set(props.children.map((one) => one.section))].map((section) => {
    const mine = props.children.filter((one) => one.section === section)
    return { section, mine, sings: mine.filter((one) => chosen.value.includes(one.id)).length }
  }),
)
</script>

<template>
  <form class="stack" @submit.prevent="emit('keep', chosen)">
    <h3>{{ say('singers-title', { name }) }}</h3>
    <p class="quiet small">{{ children.length ? say('singers-lead') : say('singers-none') }}</p>
    <FoldPart v-for="one in classes" :key="one.section">
      <template #title>
        {{ one.section }}
        <span class="small quiet">{{ say('singers-count', { n: one.sings }) }}</span>
      </template>
      <div class="names">
        <v-checkbox
          v-for="child in one.mine"
          :key="child.id"
          v-model="chosen"
          :label="child.name"
          :value="child.id"
        />
      </div>
    </FoldPart>
    <div class="row">
      <v-btn type="submit">{{ say('singers-keep') }}</v-btn><span class="small">{{
        say('singers-count', { n: chosen.length })
      }}</span>
    </div>
  </form>
</template>

<style scoped>
.names {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 2px 10px;
  padding: 4px 0 8px;
}
</style>
