<script setup lang="ts">
// How many of each thing the room has. What is left empty is taken to be there; each number is kept at once.
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { setRoom, useRoom } from '@/api/room'
import { offerUndo } from '@/composables/useUndo'
import { say } from '@/locales/say'

const room = useRoom()
const refused = ref('')
const sent = computed(() => ({
  counts: Object.fromEntries(
    (room.data.value?.things ?? []).flatMap((one) =>
      one.count === null ? [] : [[one.key, one.count]],
    ),
  ) as Record<string, number>,
  voice: room.data.value?.voice ?? null,
  hemisphere: room.data.value?.hemisphere ?? null,
}))
async function keep(now: Schemas['RoomBody']) {
  const before = sent.value
  refused.value = ''
  try {
    await setRoom(now)
    offerUndo(say('room-kept'), () => setRoom(before))
  } catch (problem) {
    refused.value = problem instanceof Error ? problem.message : String(problem)
  }
}
function count(key: string, n: number | null) {
  const counts = Object.fromEntries(
    Object.entries(sent.value.counts).filter(([name]) => name !== key),
  )
  if (n !== null) counts[key] = n
  void keep({ ...sent.value, counts })
}
</script>

<template>
  <section id="room" class="stack">
    <h2>{{ say('room-title') }}</h2>
    <p class="quiet small">{{ say('room-lead') }}</p>
    <div class="things">
      <v-number-input
        v-for="one in room.data.value?.things ?? []"
        :key="one.key"
        :model-value="one.count"
        :label="one.name"
        :min="0"
        :max="500"
        control-variant="hidden"
        clearable
        @update:model-value="count(one.key, $event)"
      />
    </div>
    <v-number-input
      :model-value="sent.voice"
      class="voice"
      :label="say('room-voice')"
      :hint="say('room-voice-hint')"
      persistent-hint
      :min="1"
      :max="600"
      control-variant="hidden"
      clearable
      @update:model-value="keep({ ...sent, voice: $event })"
    />
    <v-select
      :model-value="sent.hemisphere"
      class="voice"
      :label="say('seasons-label')"
      :hint="say('seasons-hint')"
      persistent-hint
      :items="[
        { title: say('seasons-none'), value: null },
        { title: say('seasons-north'), value: 'north' },
        { title: say('seasons-south'), value: 'south' },
      ]"
      @update:model-value="keep({ ...sent, hemisphere: $event })"
    />
    <p v-if="refused" class="wrong" role="alert">△ {{ refused }}</p>
  </section>
</template>

<style scoped>
.voice {
  max-width: 320px;
}
.things {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px;
}
</style>
