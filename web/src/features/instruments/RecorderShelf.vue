<script setup lang="ts">
// Native: tones of a row that are pressed.
// The recorder: which tones are known, what the songbook has for them, which tone opens most songs next; a fingering drawn.
import { computed, ref } from 'vue'
import { type System, useRecorder } from '@/api/instruments'
import ChoiceRow from '@/components/ChoiceRow.vue'
import { choices, say } from '@/locales/say'
import FaultFinder from './FaultFinder.vue'
import RecorderPipe from './RecorderPipe.vue'
import RecorderSong from './RecorderSong.vue'
import { shown } from './tones'

const known = ref<readonly string[]>(['B4', 'A4', 'G4'])
const system = ref<System>('baroque')
const view = ref<'player' | 'mirror'>('player')
const picked = ref('')
const read = useRecorder(known, system)
const found = computed(() => read.data.value)
/** Every tone with a fingering, high to low. */
const every = computed(() => {
  const all = [...(found.value?.tones ?? []), ...(found.value?.next ?? [])]
  return all.sort((a, b) => height(b.tone) - height(a.tone))
})
const LETTERS = 'CDEFGAB'
const height = (tone: string) =>
  Number(tone.slice(-1)) * 7 +
  LETTERS.indexOf(tone.charAt(0)) +
  (tone.includes('#') ? 0.3 : tone.includes('b') ? -0.3 : 0)
const best = computed(() => (found.value?.next ?? []).filter((one) => one.songs > 0))
const at = computed(
  () => every.value.find((one) => one.tone === picked.value) ?? best.value[0] ?? every.value[0],
)
function toggle(tone: string) {
  picked.value = tone
  known.value = known.value.includes(tone)
    ? known.value.filter((one) => one !== tone)
    : [...known.value, tone]
}
</script>

<template>
  <div class="shelf">
    <section class="tones" :aria-label="say('recorder-known')">
      <h2>{{ say('recorder-known') }}</h2>
      <div class="list">
        <button
          v-for="one in every"
          :key="one.tone"
          :class="['tone', { on: known.includes(one.tone) }]"
          :aria-pressed="known.includes(one.tone)"
          @click="toggle(one.tone)"
          @mouseenter="picked = one.tone"
          @focus="picked = one.tone"
        >
          <span aria-hidden="true">{{ known.includes(one.tone) ? '●' : '○' }}</span><strong>{{
            shown(one.tone)
          }}</strong
          ><span class="small quiet narrow">{{ one.fingering }}</span>
        </button>
      </div>
    </section>
    <section v-if="at" class="pipe">
      <h2>{{ shown(at.tone) }}</h2>
      <RecorderPipe
        :tone="at.tone"
        :fingering="at.fingering"
        :mirror="view === 'mirror'"
        :label="shown(at.tone)"
      />
      <ChoiceRow
        v-model="view"
        :label="say('recorder-view')"
        :items="choices('recorder-view', ['player', 'mirror'])"
      />
      <ChoiceRow
        v-model="system"
        :label="say('recorder-system')"
        :items="choices('recorder-system', ['baroque', 'german'])"
      />
      <p class="small quiet">{{ say('recorder-written') }}</p>
    </section>
    <section v-if="found" class="songs">
      <p class="lead">
        {{ say('recorder-playable', { n: found.playable, of: found.of }) }}
      </p>
      <p v-if="found.titles.length" class="small titles">
        {{ found.titles.join(' · ')
        }}<template v-if="found.playable > found.titles.length"> …</template>
      </p>
      <h2>{{ say('recorder-next') }}</h2>
      <ol v-if="best.length" class="next">
        <li v-for="one in best" :key="one.tone">
          <span class="name">{{ shown(one.tone) }}</span><span class="bar" aria-hidden="true"
            ><span :style="{ width: `${(100 * one.songs) / (best[0]?.songs ?? 1)}%` }" /></span
          ><span class="small">{{ say('recorder-opens', { n: one.songs }) }}</span
          ><span class="small quiet titles"
            >{{ one.titles.slice(0, 4).join(' · ')
            }}<template v-if="one.songs > 4"> …</template></span
          >
        </li>
      </ol>
      <p v-else class="small quiet">{{ say('recorder-nothing') }}</p>
      <RecorderSong :known="known" :system="system" @pick="picked = $event" />
      <FaultFinder />
      <p class="small quiet">{{ say('recorder-care') }}</p>
    </section>
  </div>
</template>

<style scoped>
.shelf {
  display: flex;
  gap: 34px;
}
h2 {
  font-size: 16px;
  margin: 0 0 8px;
}
.tones {
  flex: 0 0 190px;
}
.list {
  display: grid;
  gap: 4px;
}
.tone {
  display: flex;
  gap: 10px;
  align-items: baseline;
  min-height: 34px;
  padding: 4px 10px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: var(--ink);
  text-align: left;
}
.tone strong {
  flex: 0 0 44px;
}
.tone.on {
  border: 2px solid var(--ink);
}
.pipe {
  flex: 0 0 210px;
  display: grid;
  gap: 10px;
  justify-items: start;
  align-content: start;
}
.songs {
  flex: 1;
  min-width: 0;
}
.lead {
  font-size: 20px;
  margin: 0 0 4px;
}
.titles {
  margin: 0 0 18px;
}
.next {
  list-style: none;
  margin: 0 0 16px;
  padding: 0;
  display: grid;
  gap: 8px;
}
.next li {
  display: grid;
  grid-template-columns: 48px 120px 1fr;
  gap: 2px 12px;
  align-items: center;
}
.name {
  font-weight: 700;
}
.bar {
  height: 12px;
  background: var(--wash);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--lichen);
}
.next .titles {
  grid-column: 2 / -1;
  margin: 0;
}
@media (max-width: 900px) {
  .shelf {
    flex-wrap: wrap;
  }
}
</style>
