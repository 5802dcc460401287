<script setup lang="ts">
// What a song is made of: its figures, how it moves, and how hard it is on six axes, never as one number.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { say, sayOf } from '@/locales/say'
import { someBars } from '@/locales/sayings'

const props = defineProps<{ song: Schemas['SongRead']; axes: readonly Schemas['AxisRead'][] }>()
const motions = computed(() => Object.entries(props.song.motion).filter(([, count]) => count > 0))
</script>

<template>
  <div class="made">
    <section class="stack">
      <h2>{{ say('song-elements') }}</h2>
      <ul class="lines">
        <li v-for="one in song.elements" :key="one.key">
          <span
            >{{ one.name }} <span class="small quiet">{{ one.spoken }}</span></span
          ><span class="narrow">{{ say('song-times', { n: one.count }) }}</span
          ><span class="small quiet">{{ someBars(one.bars) }}</span>
        </li>
        <li v-for="one in song.unnamed" :key="one.name">
          <span
            >{{ one.name }} <span class="small new">{{ say('song-unnamed') }}</span></span
          ><span class="narrow">{{ say('song-times', { n: one.count }) }}</span
          ><span class="small quiet">{{ someBars(one.bars) }}</span>
        </li>
      </ul>
    </section>
    <section v-if="motions.length" class="stack">
      <h2>{{ say('song-motion') }}</h2>
      <ul class="lines two">
        <li v-for="[kind, count] in motions" :key="kind">
          <span>{{ sayOf('song-motions', kind) }}</span><span class="narrow">{{ count }}</span>
        </li>
      </ul>
    </section>
    <section v-if="axes.length" class="stack">
      <h2>{{ say('insight-hard') }}</h2>
      <ul class="lines axes">
        <li v-for="one in axes" :key="one.name">
          <span>{{ sayOf('insight-axes', one.name) }}</span><svg
            width="76"
            height="12"
            viewBox="0 0 76 12"
            role="img"
            :aria-label="say('insight-step', { n: one.step })"
          >
            <rect
              v-for="n in 5"
              :key="n"
              :x="(n - 1) * 15 + 1"
              y="1"
              width="12"
              height="10"
              :class="{ full: n <= one.step }"
            /></svg
          ><span class="small quiet">{{ one.why }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.made {
  display: grid;
  grid-template-columns: 1.2fr 0.7fr 1.4fr;
  gap: 28px;
}
.lines li {
  display: grid;
  grid-template-columns: 1fr 36px 84px;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding: 4px 0;
  align-items: baseline;
}
.lines.two li {
  grid-template-columns: 1fr 30px;
}
.lines.axes li {
  grid-template-columns: 62px 80px 1fr;
  align-items: center;
}
rect {
  fill: none;
  stroke: var(--granite);
}
rect.full {
  fill: var(--granite);
}
@media (max-width: 1100px) {
  .made {
    grid-template-columns: 1fr;
  }
}
</style>
