<script setup lang="ts">
// A song on paper and as a file: both as it is seen now.
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import { queryClient, type Variant } from '@/api/queries'
import { LAYERS } from '@/composables/layers'
import { device } from '@/composables/useDevice'
import { say } from '@/locales/say'

const props = defineProps<{
  id: string
  variant: Variant
  layers: readonly string[]
  ownHands: boolean
  shipped: boolean
}>()
const router = useRouter()
const fileOf = (kind: string) =>
  `/api/songs/${props.id}/file?${new URLSearchParams({ kind, ...props.variant }).toString()}`
/** The same key, layers and words as on the screen; without `facts` the sheet holds only what children read. */
function printOf(facts: boolean) {
  const on = LAYERS.filter((one) => one !== 'words' && props.layers.includes(one)).map((one) => [
    'layers',
    one,
  ])
  const asked = [
    ...on,
    ['words', String(props.layers.includes('words'))],
    ['facts', String(facts)],
    ['mirrored', String(!props.ownHands)],
    ['paper', device.paper],
    ...Object.entries(props.variant),
  ]
  return `/api/songs/${props.id}/print?${new URLSearchParams(asked).toString()}`
}
async function remove() {
  await api.DELETE('/api/songs/{song_id}', { params: { path: { song_id: props.id } } })
  await queryClient.invalidateQueries({ queryKey: ['songs'] })
  await router.push('/songs')
}
</script>

<template>
  <div class="stack">
    <div class="row small">
      {{ say('song-print') }}
      <a :href="printOf(true)" target="_blank" rel="noopener">{{ say('song-print-all') }}</a><a
        :href="printOf(false)"
        target="_blank"
        rel="noopener"
        >{{ say('song-print-bare') }}</a
      ><select v-model="device.paper" :aria-label="say('song-paper')">
        <option value="A4">A4</option>
        <option value="letter">Letter</option>
      </select>
    </div>
    <div class="row small">
      {{ say('song-files') }} <a :href="`/api/songs/${id}/file`">{{ say('song-file') }}</a><a
        v-for="one in ['musicxml', 'abc', 'mid']"
        :key="one"
        :href="fileOf(one)"
        download
        >.{{ one }}</a
      ><button v-if="!shipped" class="wrong" @click="remove">{{ say('song-remove') }}</button>
    </div>
  </div>
</template>

<style scoped>
.row {
  gap: 6px 12px;
}
a {
  padding: 6px 0;
}
select {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 2px 6px;
  min-height: 32px;
}
@media (max-width: 900px) {
  select,
  a,
  button {
    min-height: 44px;
  }
}
</style>
