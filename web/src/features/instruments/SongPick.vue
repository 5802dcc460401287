<script setup lang="ts">
// A song of the book, found by typing; the first one until another is picked.
import { computed, ref, shallowRef, watch } from 'vue'
import { NOTHING_ASKED, useSongsAsked } from '@/api/songs'
import { say } from '@/locales/say'

const song = defineModel<string>({ required: true })
const typed = ref('')
const picked = shallowRef({ value: '', title: '' })
// The field says the title of what is picked: that asks for nothing.
const asked = computed(() => (typed.value === picked.value.title ? '' : typed.value))
const songs = useSongsAsked(NOTHING_ASKED, asked)
const titles = computed(() => {
  const rows = (songs.data.value?.pages ?? []).flatMap((page) =>
    page.songs.map((one) => ({ value: one.id, title: one.title })),
  )
  const there = !picked.value.value || rows.some((one) => one.value === picked.value.value)
  return there ? rows : [picked.value, ...rows]
})
watch(titles, (now) => {
  if (!song.value && now[0]) song.value = now[0].value
})
watch(song, (now) => {
  picked.value = titles.value.find((one) => one.value === now) ?? picked.value
})
</script>

<template>
  <v-autocomplete
    v-model:search="typed"
    :model-value="song"
    :label="say('bars-song')"
    :items="titles"
    no-filter
    class="song"
    @update:model-value="song = $event ?? song"
  />
</template>

<style scoped>
.song {
  flex: 0 1 340px;
}
</style>
