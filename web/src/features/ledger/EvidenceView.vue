<script setup lang="ts">
// The reason behind one stone, the marks it was read from, and what the teacher says beside it.
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import DayField from '@/components/DayField.vue'
import StandingGlyph from '@/components/StandingGlyph.vue'
import { capital, shortDay } from '@/composables/words'
import { standingName } from '@/locales/names'
import { say, sayOf } from '@/locales/say'
import { useMarks } from './useMarks'

const props = defineProps<{
  evidence: Schemas['EvidenceRead']
  section: string
  child: string
  today: string
  name: string
}>()
/** Who marked is said where it was not always the same adult. */
const several = computed(() => new Set(props.evidence.marks.map((one) => one.by)).size > 1)
const marks = useMarks(
  () => props.section,
  () => props.child,
  () => props.evidence.concept.key,
)
const open = ref<'' | 'add' | 'word'>('')
const correcting = ref('')
const failed = ref(false)
const RESULTS = ['secure', 'nearly', 'not_yet'] as const
const result = ref<(typeof RESULTS)[number]>('secure')
const way = ref<Schemas['MarkedBody']['way']>('sing')
const help = ref<Schemas['MarkedBody']['help']>('none')
const voices = ref<'alone' | 'group'>('alone')
const day = ref<string | null>(props.today)
const level = ref<'not_yet' | 'nearly' | 'once' | 'secure'>('secure')
const note = ref('')
watch(
  () => [props.child, props.evidence.concept.key],
  () => {
    open.value = ''
    correcting.value = ''
    way.value = props.evidence.ways[0]?.way ?? 'sing'
    day.value = props.today
    note.value = ''
  },
  { immediate: true },
)
const WAYS = ['hear', 'sing', 'read', 'write', 'create'] as const
async function act(done: Promise<string[] | false>) {
  failed.value = !(await done)
  if (!failed.value) open.value = correcting.value = ''
}
const items = <T extends string>(keys: readonly T[], group: string) =>
  keys.map((value) => ({ value, title: sayOf(group, value) }))
</script>

<template>
  <div class="stack evidence">
    <p class="row top">
      <StandingGlyph
        :level="evidence.word?.level ?? evidence.level"
        :due="evidence.due && !evidence.word"
        :partly="evidence.partly && !evidence.word"
        :said="!!evidence.word"
        :size="34"
      /><span
        ><strong>{{ capital(evidence.concept.name) }}</strong
        ><br /><template v-if="evidence.word"
          >{{
            say('word-stands', {
              level: standingName(evidence.word.level),
              day: shortDay(evidence.word.day),
            })
          }}<template v-if="evidence.word.note"> “{{ evidence.word.note }}”</template><br />{{
            say('word-beside')
          }} </template
        >{{ evidence.sentence }}</span
      >
    </p>
    <p v-if="failed" class="wrong" role="alert">△ {{ say('outbox-full') }}</p>
    <div class="row">
      <v-btn
        size="small"
        height="44"
        :aria-expanded="open === 'add'"
        @click="open = open === 'add' ? '' : 'add'"
        >{{ say('mark-add') }}</v-btn><v-btn
        v-if="!evidence.word"
        size="small"
        height="44"
        :aria-expanded="open === 'word'"
        @click="open = open === 'word' ? '' : 'word'"
        >{{ say('word-say') }}</v-btn
      ><v-btn v-else size="small" height="44" @click="act(marks.judge(null, '', today))">{{
        say('word-drop')
      }}</v-btn>
    </div>
    <form
      v-if="open === 'add'"
      class="stack form"
      @submit.prevent="day && act(marks.add({ way, result, help, voices, day }))"
    >
      <v-select v-model="result" :items="items(RESULTS, 'standing')" :label="say('mark-result')" />
      <v-select v-model="way" :items="items(WAYS, 'teach-ways')" :label="say('mark-way')" />
      <v-select
        v-model="help"
        :items="items(['none', 'model', 'signs'], 'mark-helps')"
        :label="say('mark-help')"
      />
      <v-select
        v-model="voices"
        :items="items(['alone', 'group'], 'ledger-voices')"
        :label="say('mark-voices')"
      />
      <DayField v-model="day" :label="say('mark-day')" />
      <div class="row">
        <v-btn type="submit" class="main" height="44" :disabled="!day || day > today">{{
          say('mark-keep')
        }}</v-btn>
      </div>
    </form>
    <form
      v-if="open === 'word'"
      class="stack form"
      @submit.prevent="act(marks.judge(level, note.trim(), today))"
    >
      <p class="small quiet">{{ say('word-how') }}</p>
      <v-select
        v-model="level"
        :items="items(['secure', 'once', 'nearly', 'not_yet'], 'standing')"
        :label="say('word-level')"
      />
      <v-text-field v-model="note" :label="say('word-why')" maxlength="200" />
      <div class="row">
        <v-btn type="submit" class="main" height="44">{{ say('word-keep') }}</v-btn>
      </div>
    </form>
    <section v-if="evidence.ways.length > 1" class="stack">
      <h3>{{ say('ledger-ways') }}</h3>
      <p v-for="one in evidence.ways" :key="one.way" class="row top">
        <StandingGlyph :level="one.level" :due="one.due" :size="20" /><span class="small"
          >{{ capital(sayOf('teach-ways', one.way)) }}: {{ one.sentence }}</span
        >
      </p>
    </section>
    <section class="stack">
      <h3>{{ say('ledger-marks') }}</h3>
      <p v-if="!evidence.marks.length" class="quiet">{{ say('ledger-no-marks') }}</p>
      <ul>
        <li v-for="mark in evidence.marks" :key="mark.id" class="mark">
          <StandingGlyph :level="mark.result" :size="18" /><span>{{ shortDay(mark.day) }}</span
          ><span class="small quiet"
            >{{ sayOf('teach-ways', mark.way) }}, {{ sayOf('ledger-voices', mark.voices)
            }}<template v-if="mark.help !== 'none'">, {{ sayOf('mark-helps', mark.help) }}</template
            ><template v-if="mark.together">, {{ say('mark-together') }}</template
            ><template v-if="mark.answers"
              >, {{ say('mark-game', { answers: mark.answers }) }}</template
            ><template v-if="mark.by_hand">, {{ say('mark-by-hand') }}</template
            ><template v-for="strand in mark.broke" :key="strand"
              >, {{ say('ledger-broke', { where: sayOf('ladder-strand', strand) }) }}</template
            ><template v-if="several && mark.by">, {{ mark.by }}</template></span
          ><v-btn
            size="small"
            height="44"
            :aria-expanded="correcting === mark.id"
            @click="correcting = correcting === mark.id ? '' : mark.id"
            >{{ say('mark-correct') }}</v-btn
          >
          <div v-if="correcting === mark.id" class="row whole">
            <v-btn
              v-for="one in RESULTS.filter((other) => other !== mark.result)"
              :key="one"
              size="small"
              height="44"
              @click="act(marks.correct(mark, one))"
              >{{ sayOf('standing', one) }}</v-btn><v-btn
              size="small"
              height="44"
              @click="act(marks.takeBack(mark))"
              >{{ say('mark-take-back') }}</v-btn
            >
          </div>
        </li>
      </ul>
    </section>
    <p v-if="evidence.concept.prompt" class="quiet">“{{ evidence.concept.prompt }}”</p>
  </div>
</template>

<style scoped>
.evidence {
  gap: 18px;
}
.top {
  align-items: flex-start;
  flex-wrap: nowrap;
}
.form {
  gap: 10px;
  border-left: 4px solid var(--dusk);
  padding-left: 12px;
}
.mark {
  display: grid;
  grid-template-columns: 26px 84px 1fr auto;
  align-items: center;
  padding: 2px 0;
  border-top: 1px solid var(--line);
}
.whole {
  grid-column: 1 / -1;
  padding: 4px 0;
}
</style>
