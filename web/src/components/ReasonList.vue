<script setup lang="ts">
// Reasons, each with its sign: for, against, or ruling out.
defineProps<{ reasons: readonly { code: string; sentence: string; weight: string }[] }>()
const SIGNS: Record<string, string> = { for: '+', against: '–', bars: '✕', note: '·' }
</script>

<template>
  <ul class="reasons">
    <li v-for="reason in reasons" :key="reason.code + reason.sentence" :class="reason.weight">
      <span class="sign narrow" aria-hidden="true">{{ SIGNS[reason.weight] ?? '·' }}</span><span>{{
        reason.sentence
      }}</span>
    </li>
  </ul>
</template>

<style scoped>
.reasons {
  display: grid;
  gap: 5px;
}
li {
  display: grid;
  grid-template-columns: 18px 1fr;
  line-height: 1.35;
}
.sign {
  font-weight: 600;
}
.for .sign {
  color: var(--lichen);
}
.against .sign {
  color: var(--grass);
}
.bars .sign {
  color: var(--iron);
}
</style>
