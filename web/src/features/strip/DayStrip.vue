<script setup lang="ts">
// The day's sections in the order they come through the door; always there, always the way back to "what now".
import {
  mdiAccountOutline,
  mdiBookOpenVariant,
  mdiCalendarWeek,
  mdiCogOutline,
  mdiDoorOpen,
  mdiImageFilterHdr,
  mdiMetronome,
  mdiMusicClefTreble,
  mdiViewGridOutline,
} from '@mdi/js'
import { computed } from 'vue'
import { useDay, useMe } from '@/api/queries'
import { teaches } from '@/composables/roles'
import { sectionHere } from '@/composables/useTrail'
import { clock, minutesUntil, weekday } from '@/composables/words'
import { say } from '@/locales/say'

const day = useDay()
const entries = computed(() => day.data.value?.entries ?? [])
const isToday = computed(() => day.data.value?.day === day.data.value?.today)
const title = computed(() => (day.data.value ? weekday(day.data.value.day) : ''))
const nowBefore = computed(() => {
  if (!isToday.value || !day.data.value) return -1
  const now = day.data.value.now
  const index = entries.value.findIndex(
    (entry) =>
      entry.state !== 'done' && minutesUntil(now, entry.starts) + entry.section.minutes > 0,
  )
  return index < 0 ? entries.value.length : index
})
const me = useMe()
const all = computed(() => teaches(me.data.value?.role))
const target = (entry: { section: { id: string }; lesson_id: string | null }) => {
  if (all.value) return `/sections/${entry.section.id}`
  return entry.lesson_id ? `/lessons/${entry.lesson_id}/teach` : '/'
}
const few = computed(() => [
  { to: '/', says: say('places-today'), icon: mdiDoorOpen },
  { to: '/you', says: say('places-you'), icon: mdiAccountOutline },
])
const many = computed(() => [
  { to: '/', says: say('places-today'), icon: mdiDoorOpen },
  { to: '/week', says: say('places-week'), icon: mdiCalendarWeek },
  {
    to: sectionHere.value ? `/sections/${sectionHere.value}/year` : '/year',
    says: say('places-year'),
    icon: mdiImageFilterHdr,
  },
  { to: '/songs', says: say('places-songs'), icon: mdiBookOpenVariant },
  {
    to: sectionHere.value ? `/sections/${sectionHere.value}/ledger` : '/ledger',
    says: say('places-ledger'),
    icon: mdiViewGridOutline,
  },
  {
    to: sectionHere.value ? `/sections/${sectionHere.value}/practice` : '/practice',
    says: say('places-practice'),
    icon: mdiMusicClefTreble,
  },
  {
    to: sectionHere.value ? `/sections/${sectionHere.value}/instruments` : '/instruments',
    says: say('places-instruments'),
    icon: mdiMetronome,
  },
  { to: '/set-up', says: say('places-set-up'), icon: mdiCogOutline },
])
const places = computed(() => (all.value ? many.value : few.value))
</script>

<template>
  <div class="strip">
    <nav class="day" :aria-label="say('places-day')">
      <h2 class="small">{{ title }}</h2>
      <ol>
        <template v-for="(entry, index) in entries" :key="entry.section.id + entry.starts">
          <li v-if="index === nowBefore" class="now narrow">
            {{ say('strip-now', { clock: clock(day.data.value?.now) }) }}
          </li>
          <li>
            <router-link
              :to="target(entry)"
              :class="[
                'entry',
                { past: isToday && index < nowBefore, running: entry.state === 'running' },
              ]"
            >
              <span class="clock narrow">{{ clock(entry.starts) }}</span><span class="name">{{
                entry.section.name
              }}</span>
              <span v-if="entry.state === 'running'" class="mark narrow">{{
                say('strip-running')
              }}</span>
              <span v-else-if="entry.state === 'done'" class="mark narrow"
                >✓ {{ say('strip-done') }}</span
              >
              <span v-else-if="entry.state === 'not_held'" class="mark narrow">{{
                say('strip-not-held')
              }}</span>
              <span
                v-else-if="entry.left_over"
                class="mark narrow hatched"
                :title="say('strip-left-over', { n: entry.left_over })"
                >{{ say('strip-left-over', { n: entry.left_over }) }}</span
              >
            </router-link>
          </li>
        </template>
        <li v-if="nowBefore === entries.length && entries.length" class="now narrow">
          {{ say('strip-now', { clock: clock(day.data.value?.now) }) }}
        </li>
      </ol>
      <p v-if="day.data.value && !entries.length" class="small quiet">{{ say('strip-none') }}</p>
    </nav>
    <nav class="places" :aria-label="say('places-main')">
      <router-link
        v-for="place in places"
        :key="place.to"
        :to="place.to"
        :class="{ last: place.to === '/set-up' }"
        ><v-icon :icon="place.icon" size="20" aria-hidden="true" /><span>{{
          place.says
        }}</span></router-link
      >
    </nav>
  </div>
</template>

<style scoped>
.strip {
  border-right: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  min-height: 0;
  background: color-mix(in srgb, var(--wash) 55%, var(--paper));
}
.day {
  padding: 14px 0 0;
  overflow: auto;
}
.day h2 {
  padding: 0 16px 8px;
}
.entry {
  display: grid;
  grid-template-columns: minmax(44px, auto) 1fr;
  column-gap: 4px;
  padding: 7px 16px;
  min-height: 44px;
  align-items: center;
  color: inherit;
  text-decoration: none;
  border-left: 4px solid transparent;
}
.entry:hover {
  background: var(--wash);
}
.entry.router-link-active {
  background: var(--dusk-wash);
}
.entry.router-link-active,
.entry.running {
  border-left-color: var(--dusk);
}
.entry.past:not(.router-link-active) {
  color: var(--granite);
}
.clock {
  white-space: nowrap;
  font-size: 15px;
  color: var(--granite);
}
.name {
  font-weight: 650;
  font-size: 18px;
}
.mark {
  grid-column: 2;
  font-size: 13px;
  line-height: 1.1;
  color: var(--granite);
}
.hatched::before {
  content: '';
  display: inline-block;
  width: 10px;
  height: 9px;
  margin-right: 5px;
  border: 1px solid var(--granite);
  background: repeating-linear-gradient(135deg, var(--granite) 0 1.5px, transparent 1.5px 4px);
}
.now {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 13px;
  font-weight: 600;
  color: var(--dusk);
  padding: 0 0 0 16px;
  line-height: 18px;
}
.now::after {
  content: '';
  flex: 1;
  border-top: 2px solid var(--dusk);
}
.places {
  border-top: 1px solid var(--line);
  padding: 8px 0 10px;
  display: flex;
  flex-direction: column;
}
.places a {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 0 16px;
  min-height: 40px;
  color: inherit;
  text-decoration: none;
  border-left: 4px solid transparent;
}
.places a:hover {
  background: var(--wash);
}
.places a.router-link-exact-active {
  font-weight: 650;
  border-left-color: var(--dusk);
}
.last {
  margin-top: 6px;
}
@media (max-width: 900px) {
  .strip {
    flex-direction: row;
    border-right: 0;
    border-top: 1px solid var(--line);
    align-items: stretch;
  }
  .day {
    flex: 1;
    padding: 0;
    overflow-x: auto;
  }
  .day h2 {
    display: none;
  }
  .day ol {
    display: flex;
    height: 100%;
  }
  .day li {
    display: flex;
  }
  .entry {
    grid-template-columns: auto;
    padding: 4px 12px;
    border-left: 0;
    border-top: 4px solid transparent;
    align-content: center;
  }
  .entry {
    grid-template-columns: auto auto;
    column-gap: 6px;
  }
  .entry .clock {
    grid-column: 1 / -1;
  }
  .entry .mark {
    grid-column: auto;
    font-size: 12px;
  }
  .now {
    display: none;
  }
  .places {
    flex-direction: row;
    border-top: 0;
    border-left: 1px solid var(--line);
    padding: 0;
  }
  .places a {
    flex-direction: column;
    gap: 0;
    padding: 6px 12px;
    min-width: 60px;
    font-size: 13px;
    border-left: 0;
  }
  .last {
    margin: 0;
  }
}
@media (max-width: 600px) {
  .strip {
    flex-direction: column;
  }
  .places {
    border-left: 0;
    border-top: 1px solid var(--line);
    justify-content: space-between;
  }
  .places a {
    min-width: 0;
    padding: 6px 4px;
    flex: 1;
  }
}
</style>
