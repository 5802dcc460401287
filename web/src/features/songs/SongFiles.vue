<script setup lang="ts">
// A song on paper and as a file: both as it is seen now.
import { useRouter } from 'vue-router'
import type { Variant } from '@/api/queries'
import { bringSongBack, removeSong } from '@/api/songs'
import { LAYERS } from '@/composables/layers'
import { device } from '@/composables/useDevice'
import { offerUndo } from '@/composables/useUndo'
import { say } from '@/locales/say'

const props = defineProps<{
  id: string
  variant: Variant
  layers: readonly string[]
  ownHands: boolean
  alone: boolean
  shipped: boolean
  title: string
  pitched: boolean
}>()
const router = useRouter()
const looked = () => Object.entries(props.variant).map(([key, value]) => [key, String(value)])
/** All parts together, or the one that stands alone. */
const fileOf = (kind: string) => {
  const asked = looked().filter(([key]) => key !== 'part' || props.alone)
  return `/api/songs/${props.id}/file?${new URLSearchParams([['kind', kind], ...asked]).toString()}`
}
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
    ['alone', String(props.alone)],
    ...looked(),
  ]
  return `/api/songs/${props.id}/print?${new URLSearchParams(asked).toString()}`
}
async function remove() {
  await removeSong(props.id)
  offerUndo(say('song-removed', { title: props.title }), () => bringSongBack(props.id))
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
      ><a
        v-if="pitched"
        :href="`/api/songs/${id}/drills/print?paper=${device.paper}`"
        target="_blank"
        rel="noopener"
        >{{ say('song-print-drills') }}</a
      ><v-select
        v-model="device.paper"
        :label="say('song-paper')"
        :items="[
          { value: 'A4', title: 'A4' },
          { value: 'letter', title: 'Letter' },
        ]"
      />
    </div>
    <div class="row small">
      {{ say('song-files') }} <a :href="`/api/songs/${id}/file`">{{ say('song-file') }}</a><a
        v-for="one in ['musicxml', 'abc', 'mid']"
        :key="one"
        :href="fileOf(one)"
        download
        >.{{ one }}</a
      ><v-btn v-if="!shipped" size="small" class="wrong" @click="remove">{{
        say('song-remove')
      }}</v-btn>
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
@media (max-width: 900px) {
  a {
    min-height: 44px;
  }
}
</style>
