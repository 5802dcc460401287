<script setup lang="ts">
// A song on the recorder: its tones, which are missing, in which keys it lies on the known ones, the hardest change; and letters from
// elsewhere held against it.
import { computed, ref, watch } from 'vue'
import { checkLetters, type Letters, type System, useSongRecorder } from '@/api/instruments'
import { useKeep } from '@/composables/useKeep'
import { listed, pitchName } from '@/composables/words'
import { say } from '@/locales/say'
import SongPick from './SongPick.vue'
import { shown } from './tones'

const props = defineProps<{ known: readonly string[]; system: System }>()
const emit = defineEmits<{ pick: [tone: string] }>()
const song = ref('')
const read = useSongRecorder(
  song,
  () => props.known,
  () => props.system,
)
const found = computed(() => read.data.value)
const keys = computed(() =>
  (found.value?.keys ?? []).filter((one) => one.playable).map((one) => pitchName(one.do)),
)
const MOST = 8 // differences that are said; beyond it is another tune
const letters = ref('')
const checked = ref<Letters | null>(null)
const { refused, busy, keep } = useKeep()
const check = () =>
  keep(async () => {
    checked.value = null
    checked.value = await checkLetters(song.value, letters.value)
  })
watch([song, letters], () => (checked.value = null))
</script>

<template>
  <section class="on" :aria-label="say('recorder-song')">
    <h2>{{ say('recorder-song') }}</h2>
    <SongPick v-model="song" />
    <template v-if="found">
      <p v-if="!found.needs.length" class="quiet">{{ say('recorder-spoken') }}</p>
      <template v-else>
        <p class="row needs">
          <v-btn
            v-for="tone in found.needs"
            :key="tone"
            size="small"
            :class="{ missing: found.missing.includes(tone) }"
            @click="emit('pick', tone)"
            >{{ found.missing.includes(tone) ? '○' : '●' }} {{ shown(tone) }}</v-btn
          >
        </p>
        <p class="small">
          {{
            found.missing.length
              ? say('recorder-lacks', { tones: listed(found.missing.map(shown)) })
              : say('recorder-has-all')
          }}
          {{
            keys.length ? say('recorder-keys', { keys: keys.join(', ') }) : say('recorder-no-key')
          }}
          <template v-if="found.hardest.length">{{
            say('recorder-hardest', {
              one: shown(found.hardest[0] ?? ''),
              two: shown(found.hardest[1] ?? ''),
              n: found.holes,
            })
          }}</template>
        </p>
        <form class="letters" @submit.prevent="check()">
          <v-textarea v-model="letters" :label="say('letters-label')" rows="2" maxlength="4000" />
          <v-btn type="submit" :disabled="!letters.trim() || busy">{{
            say('letters-check')
          }}</v-btn>
        </form>
        <p v-if="refused" class="refused small" role="alert">△ {{ refused }}</p>
        <div v-if="checked" role="status" class="small">
          <p v-if="!checked.differences.length">✓ {{ say('letters-agree', { n: checked.of }) }}</p>
          <ul v-else>
            <li v-for="(one, n) in checked.differences.slice(0, MOST)" :key="n" class="refused">
              △ {{ one.sentence }}
            </li>
            <li v-if="checked.differences.length > MOST">
              {{ say('letters-more', { n: checked.differences.length - MOST }) }}
            </li>
          </ul>
        </div>
      </template>
    </template>
  </section>
</template>

<style scoped>
.on {
  padding-top: 16px;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 16px;
  margin: 0 0 8px;
}
.needs {
  gap: 6px;
  margin: 10px 0 4px;
}
.missing {
  border-style: dashed;
}
.letters {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  padding-top: 6px;
}
.letters > :first-child {
  flex: 1;
}
.refused {
  color: var(--aloe);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
