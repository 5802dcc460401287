<script setup lang="ts">
// What the class just did is kept as how the whole class did, where the teacher says so.
import { ref, watch } from 'vue'
import { markClass } from '@/api/lines'
import { readAgain, type Standings } from '@/api/practice'
import { say, sayOf } from '@/locales/say'

const props = defineProps<{
  section: string
  today: string
  concept: string
  name: string
  way: Standings['way']
  help: 'none' | 'model' | 'signs'
  result: 'not_yet' | 'nearly' | 'secure'
}>()
const kept = ref(false)
watch(
  () => [props.concept, props.result],
  () => (kept.value = false),
)
async function keep() {
  const { concept, way, help, result } = props
  kept.value =
    (await markClass(props.section, props.today, { concept, way, help, result })) !== false
  await readAgain()
}
</script>

<template>
  <v-btn size="small" :disabled="kept" @click="keep()"
    >{{ kept ? '✓ ' : ''
    }}{{ say('round-count', { concept: name, result: sayOf('more-results', result) }) }}</v-btn
  >
</template>
