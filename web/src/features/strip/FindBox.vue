<script setup lang="ts">
// Search: sections, children and songs by name, the keyboard alone is enough.
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useChildrenNamed } from '@/api/children'
import { useSections, useSongsNamed } from '@/api/queries'
import { gradesName } from '@/locales/names'
import { say } from '@/locales/say'

const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const sections = useSections()
const text = ref('')
const songs = useSongsNamed(text)
const children = useChildrenNamed(text)
const at = ref(0)
const field = ref<HTMLInputElement>()
onMounted(() => nextTick(() => field.value?.focus()))

const found = computed(() => {
  const wanted = text.value.trim().toLowerCase()
  if (!wanted) return []
  const places = [
    ...(sections.data.value ?? []).map((one) => ({
      says: one.name,
      kind: gradesName(one),
      to: `/sections/${one.id}`,
    })),
  ].filter((place) => place.says.toLowerCase().includes(wanted))
  return [
    ...places,
    ...(children.data.value ?? []).slice(0, 4).map((one) => ({
      says: one.name,
      kind: one.section,
      to: `/children/${one.id}`,
    })),
    ...(songs.data.value?.songs ?? []).map((one) => ({
      says: one.title,
      kind: say('places-songs'),
      to: `/songs/${one.id}`,
    })),
  ].slice(0, 8)
})
function go(to?: string) {
  if (to) void router.push(to)
  emit('close')
}
/** What is shown may still answer what was typed before: then the answer is waited for. */
const waits = ref(false)
function enter() {
  if (busy.value) waits.value = true
  else go(found.value[at.value]?.to)
}
const busy = computed(() => songs.isFetching.value || children.isFetching.value)
watch(busy, (still) => {
  if (!still && waits.value) go(found.value[at.value]?.to)
})
function walk(by: number) {
  at.value = Math.min(Math.max(at.value + by, 0), Math.max(found.value.length - 1, 0))
}
</script>

<template>
  <div class="find sheet" role="search">
    <v-text-field
      ref="field"
      v-model="text"
      :label="say('keys-search')"
      type="search"
      :placeholder="say('keys-search')"
      @update:model-value="at = 0"
      @keydown.down.prevent="walk(1)"
      @keydown.up.prevent="walk(-1)"
      @keydown.enter="enter"
      @keydown.esc="go()"
      @blur="emit('close')"
    />
    <ul>
      <li v-for="(place, index) in found" :key="place.to">
        <a :href="place.to" :class="{ at: index === at }" @mousedown.prevent="go(place.to)"
          >{{ place.says }} <span class="quiet small">{{ place.kind }}</span></a
        >
      </li>
    </ul>
    <p v-if="text && !found.length" class="quiet small">{{ say('songs-nothing') }}</p>
  </div>
</template>

<style scoped>
.find {
  position: absolute;
  top: 8px;
  left: 50%;
  transform: translateX(-50%);
  width: min(460px, 92%);
  z-index: 25;
  padding: 10px;
}
a {
  display: block;
  padding: 8px 10px;
  color: inherit;
  text-decoration: none;
}
a.at,
a:hover {
  background: var(--dusk-wash);
}
p {
  padding: 8px 10px 2px;
}
</style>
