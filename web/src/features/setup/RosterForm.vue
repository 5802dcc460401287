<script setup lang="ts">
// The whole school from one table: understood first, with every bad row named; kept when the teacher agrees.
import { mdiUpload } from '@mdi/js'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

const props = defineProps<{
  look: (file: File) => Promise<Schemas['RosterRead']>
  bring: (body: Schemas['RosterBody']) => Promise<Schemas['KeptRead'][]>
}>()
const emit = defineEmits<{ brought: [] }>()
const text = ref('')
const read = ref<Schemas['RosterRead'] | null>(null)
const kept = ref<Schemas['KeptRead'][] | null>(null)
const refused = ref('')
const input = ref<HTMLInputElement>()
const children = computed(
  () => read.value?.sections.reduce((sum, one) => sum + (one.children?.length ?? 0), 0) ?? 0,
)

async function lookAt(file: File) {
  refused.value = ''
  kept.value = null
  read.value = await props.look(file).catch((problem: unknown) => {
    refused.value = problem instanceof Error ? problem.message : String(problem)
    return null
  })
}
function chosen(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) void lookAt(file)
}
const lookAtText = () => lookAt(new File([text.value], 'table.csv'))
async function keep() {
  if (!read.value) return
  try {
    kept.value = await props.bring({ sections: read.value.sections })
    read.value = null
    text.value = ''
    emit('brought')
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
</script>

<template>
  <div class="stack">
    <p class="quiet small">{{ say('roster-lead') }}</p>
    <textarea
      v-model="text"
      rows="5"
      :placeholder="say('roster-example')"
      :aria-label="say('roster-paste')"
    />
    <div class="row">
      <v-btn :disabled="!text.trim()" @click="lookAtText">{{ say('roster-look') }}</v-btn><v-btn
        :prepend-icon="mdiUpload"
        @click="input?.click()"
        >{{ say('roster-file') }}</v-btn
      ><input
        ref="input"
        type="file"
        accept=".csv,.txt,.tsv,.zip"
        class="visually-hidden"
        tabindex="-1"
        :aria-label="say('roster-file')"
        @change="chosen"
      />
    </div>
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
    <section v-if="read" class="sheet found" role="status">
      <p>
        <strong>{{
          say('roster-understood', { sections: read.sections.length, children })
        }}</strong>
      </p>
      <ul>
        <li v-for="one in read.sections" :key="one.name">
          <strong>{{ one.name }}</strong><span class="small"
            >{{ say('year-grade', { g: one.grade }) }}, {{ one.minutes }}
            {{ say('teach-minutes') }},
            {{ say('roster-meets', { n: one.meetings?.length ?? 0 }) }}</span
          ><span class="small quiet">{{
            say('roster-children', { n: one.children?.length ?? 0 })
          }}</span>
        </li>
      </ul>
      <p v-for="problem in read.problems" :key="problem.row" class="wrong small">
        △ {{ say('roster-row', { n: problem.row }) }}: {{ problem.sentence }}
      </p>
      <div class="row">
        <v-btn class="main" :disabled="!read.sections.length" @click="keep">{{
          read.problems.length ? say('roster-keep-good') : say('roster-keep')
        }}</v-btn><v-btn @click="read = null">{{ say('roster-leave') }}</v-btn>
      </div>
    </section>
    <p v-if="kept" class="secure" role="status">
      ✓
      {{
        say('roster-kept', {
          sections: kept.filter((one) => one.new).length,
          children: kept.reduce((sum, one) => sum + one.children, 0),
          already: kept.reduce((sum, one) => sum + one.already, 0),
        })
      }}
    </p>
  </div>
</template>

<style scoped>
.stack {
  gap: 12px;
}
textarea {
  font: 14px/1.4 var(--narrow);
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--granite);
  border-radius: 2px;
  padding: 8px 10px;
  width: 100%;
  resize: vertical;
}
.found {
  padding: 12px 14px;
  display: grid;
  gap: 8px;
  max-height: 380px;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 60px 1fr auto;
  gap: 10px;
  border-top: 1px solid var(--line);
  padding: 3px 0;
}
</style>
