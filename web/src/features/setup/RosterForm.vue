<script setup lang="ts">
// The whole school from one table: understood first, with every bad row named; kept when the teacher agrees.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { gradesName } from '@/locales/names'
import FileField from '@/components/FileField.vue'
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
    <v-textarea
      v-model="text"
      :label="say('roster-paste')"
      rows="5"
      :placeholder="say('roster-example')"
    />
    <div class="row">
      <v-btn :disabled="!text.trim()" @click="lookAtText">{{ say('roster-look') }}</v-btn><FileField
        :label="say('roster-file')"
        accept=".csv,.txt,.tsv,.zip"
        @files="([file]) => file && lookAt(file)"
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
            >{{ gradesName({ grade: one.grade, upper: one.upper ?? one.grade }) }},
            {{ one.minutes }} {{ say('teach-minutes') }},
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
