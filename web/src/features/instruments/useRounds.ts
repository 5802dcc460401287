// Layers played round and round: a bar is counted in, a layer comes in at its bar; what the class has in its hands stays silent.
import { onUnmounted, ref } from 'vue'
import type { Layer } from '@/api/instruments'
import { silence, type Stroke, strokes } from '@/composables/useSound'
import { FINE, read } from './loop'

export interface Played {
  layer: Layer
  silent: boolean
}

export function useRounds() {
  const tempo = ref(84)
  const playing = ref(false)
  /** Beats since the first bar line; below nought while it is counted in. */
  const beat = ref(-1)
  let timer = 0
  let from = 0
  let planned = 0
  let more: (next: readonly Stroke[]) => void = () => undefined

  /** The strokes of one bar, in seconds. */
  function bar(played: readonly Played[], beats: number, number: number): Stroke[] {
    const seconds = 60 / tempo.value
    const [first, last] = [number * beats * FINE, (number + 1) * beats * FINE]
    return played.flatMap(({ layer, silent }) => {
      const loop = read(layer.rhythm)
      const enters = ((layer.enters_bar ?? 1) - 1) * beats * FINE
      if (silent || !loop.length || first < enters) return []
      const found: Stroke[] = []
      for (
        let turn = Math.floor(first / loop.length) * loop.length;
        turn < last;
        turn += loop.length
      )
        for (const { start } of loop.sounds)
          if (turn + start >= first && turn + start < last)
            found.push({
              at: (beats + (turn + start) / FINE) * seconds,
              voice: layer.family,
            })
      return found
    })
  }
  function start(played: () => readonly Played[], beats: number) {
    stop()
    const seconds = 60 / tempo.value
    const count = Array.from({ length: beats }, (_, n) => ({
      at: n * seconds,
      voice: 'struck wood' as const,
    }))
    const begun = strokes([...count, ...bar(played(), beats, 0)])
    from = begun.from
    more = begun.more
    planned = 1
    playing.value = true
    timer = window.setInterval(() => {
      const now = (performance.now() - from) / 1000 / seconds - beats
      beat.value = Math.floor(now)
      if (now > planned * beats - beats * 0.6) {
        more(bar(played(), beats, planned))
        planned += 1
      }
    }, 40)
  }
  function stop() {
    window.clearInterval(timer)
    if (playing.value) silence()
    playing.value = false
    beat.value = -1
  }
  onUnmounted(stop)
  return { tempo, playing, beat, start, stop }
}
