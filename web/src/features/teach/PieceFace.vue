<script setup lang="ts">
// A recorded piece in front of the class: its question, its parts as they pass, play and stop.
import { mdiPlay, mdiStop } from '@mdi/js'
import type { Schemas } from '@/api/client'
import { tonesOf } from '@/api/recordings'
import FormLine from '@/components/FormLine.vue'
import { usePlayer } from '@/composables/usePlayer'
import { runTime } from '@/composables/words'
import { changesIn } from '@/locales/names'
import { say } from '@/locales/say'

const props = defineProps<{ piece: Schemas['RecordingBrief'] }>()
const player = usePlayer(
  () => (props.piece.own ? () => tonesOf(props.piece.id) : null),
  () => props.piece.length,
)
function turn() {
  if (player.playing.value) player.stop(true)
  else void player.start(0)
}
</script>

<template>
  <div class="piece">
    <p v-if="piece.question" class="question">{{ piece.question }}</p>
    <FormLine
      v-if="piece.sections.length"
      :length="piece.length"
      :sections="piece.sections"
      :changes="changesIn(piece.marks)"
      :now="player.playing.value ? player.now.value : null"
      :label="piece.title"
    />
    <div class="row">
      <v-btn
        class="main"
        height="56"
        :prepend-icon="player.playing.value ? mdiStop : mdiPlay"
        @click="turn"
        >{{
          player.playing.value
            ? say('play-stop')
            : piece.own
              ? say('pieces-play')
              : say('pieces-clock')
        }}</v-btn
      >
      <span class="narrow moment"
        >{{ runTime(player.playing.value ? player.now.value : 0) }} /
        {{ runTime(piece.length) }}</span
      >
      <span v-if="piece.place" class="quiet">{{
        say('pieces-from-disc', { place: piece.place })
      }}</span>
    </div>
    <p v-if="player.problem.value" class="wrong" role="alert">△ {{ player.problem.value }}</p>
  </div>
</template>

<style scoped>
.piece {
  display: grid;
  gap: 18px;
}
.question {
  font-size: 26px;
  line-height: 1.3;
}
.moment {
  font-size: 24px;
}
</style>
