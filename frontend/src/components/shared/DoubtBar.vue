<script setup lang="ts">
/**
 * A number in doubt beside one it is compared with: the mark in the middle, a dot for the number, a band for its doubt.
 * reach: how far either side the line goes, in the same unit; clear: further from the mark than its doubt.
 */
const { mark, at, doubt, reach } = defineProps<{
  mark: number
  at: number
  doubt: number
  reach: number
  label: string
  clear?: boolean
}>()
const across = (value: number): number => 100 + Math.max(-1, Math.min(1, (value - mark) / reach)) * 92
</script>

<template>
  <svg viewBox="0 0 200 18" role="img" :aria-label="label">
    <line x1="8" x2="192" y1="9" y2="9" class="base" />
    <line :x1="across(at - doubt)" :x2="across(at + doubt)" y1="9" y2="9" class="doubt" />
    <rect x="98" y="1" width="4" height="16" class="mark" />
    <circle :cx="across(at)" cy="9" r="5" :class="{ clear }" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 18px;
}
.base {
  stroke: var(--line-strong);
  stroke-width: 1.2;
}
.doubt {
  stroke: var(--water);
  stroke-width: 8;
  opacity: 0.3;
}
.mark {
  fill: var(--caution);
}
circle {
  fill: var(--sheet);
  stroke: var(--water);
  stroke-width: 2.5;
}
circle.clear {
  fill: var(--water);
}
</style>
