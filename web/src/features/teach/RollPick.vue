<script setup lang="ts">
// Native: thirty targets, each a thumb wide.
// Everybody of the class, to be tapped: by name, or by number where the screen may be mirrored.
import type { Schemas } from '@/api/client'
import { say } from '@/locales/say'

defineProps<{
  roll: readonly Schemas['OnRollRead'][]
  chosen: ReadonlySet<string>
  names: boolean
  label: string
  /** What a chosen one is called for whoever does not see it. */
  means: string
}>()
defineEmits<{ tap: [child: string] }>()
</script>

<template>
  <div class="roll" role="group" :aria-label="label">
    <button
      v-for="(one, index) in roll"
      :key="one.child_id"
      type="button"
      :class="['one', { on: chosen.has(one.child_id) }]"
      :aria-pressed="chosen.has(one.child_id)"
      @click="$emit('tap', one.child_id)"
    >
      <span v-if="chosen.has(one.child_id)" class="sign" aria-hidden="true">×</span
      >{{ names ? one.name : say('teach-hidden', { n: index + 1 })
      }}<span v-if="chosen.has(one.child_id)" class="visually-hidden">, {{ means }}</span>
    </button>
  </div>
</template>

<style scoped>
.roll {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.one {
  min-height: 44px;
  min-width: 76px;
  padding: 0 10px;
  border: 1px solid var(--granite);
  border-radius: 2px;
  background: var(--sheet);
  font-weight: 600;
}
.one:hover {
  background: var(--wash);
}
.one.on {
  border: 2px solid var(--dusk);
  background: var(--dusk-wash);
  text-decoration: line-through;
}
.sign {
  margin-right: 4px;
}
</style>
