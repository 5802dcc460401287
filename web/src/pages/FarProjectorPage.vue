<script setup lang="ts">
// A screen on another device: first the number to be typed on the teaching screen, then what the class may see.
import { computed, watchEffect } from 'vue'
import { useFarFrame } from '@/api/projectors'
import PageState from '@/components/PageState.vue'
import WallView from '@/components/WallView.vue'
import { say } from '@/locales/say'

const { shown, error, again: listen } = useFarFrame()
const frame = computed(() => shown.value?.frame)
const digits = computed(() => shown.value?.code?.replace(/(...)(...)/, '$1 $2'))
watchEffect(() => (document.title = say('projector-title')))
</script>

<template>
  <main class="wall">
    <PageState v-if="!shown" :error="error" @again="listen" />
    <div v-else-if="digits" class="code" role="status">
      <h1>{{ say('far-type') }}</h1>
      <p class="digits">{{ digits }}</p>
      <p class="small quiet">{{ say('far-how') }}</p>
    </div>
    <WallView
      v-else-if="frame"
      :title="frame.title"
      :svg="frame.svg"
      :question="frame.question"
      :sign="frame.sign"
      :name="frame.name"
      :rungs="frame.rungs"
      :formation="frame.formation"
      :moves="frame.moves"
      one-part
    />
    <h1 v-else class="code">{{ say('projector-waiting') }}</h1>
  </main>
</template>

<style scoped>
.code {
  margin: auto;
  text-align: center;
  font-size: clamp(24px, 4vh, 40px);
  display: grid;
  gap: 2vh;
}
h1 {
  font-size: inherit;
  font-weight: inherit;
}
.digits {
  font-size: clamp(96px, 26vh, 260px);
  font-weight: 650;
  line-height: 1;
  font-variant-numeric: tabular-nums;
}
</style>
