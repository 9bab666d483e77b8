<script setup lang="ts">
/** Our own sign for each target: shape first, colour second. See docs/look.md. */
const { target, size = 22 } = defineProps<{ target: string; size?: number }>()

const shapes: Record<string, string> = {
  grasp: 'M4 13c0-5 3-8 7-8M20 13c0-5-3-8-7-8M9 15a3 3 0 1 0 6 0a3 3 0 1 0-6 0',
  strength: 'M3 18h18M5 18c0-8 14-8 14 0M12 4v6M9 7l3 3 3-3',
  in_hand: 'M12 12a2 2 0 1 1 2 2a5 5 0 1 1 3-5a8 8 0 1 1-5-4',
  bilateral: 'M6 4v16M18 4v16M6 12h12M10 9l-4 3 4 3M14 9l4 3-4 3',
  scissors: 'M5 4l9 12M19 4l-9 12M5 19a2.5 2.5 0 1 0 5 0a2.5 2.5 0 1 0-5 0M14 19a2.5 2.5 0 1 0 5 0a2.5 2.5 0 1 0-5 0',
  daily: 'M3 12a9 9 0 1 0 18 0a9 9 0 1 0-18 0M9 9v.1M15 9v.1M9 15v.1M15 15v.1',
}
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 24 24" :class="['sign', target]" aria-hidden="true">
    <path :d="shapes[target]" />
  </svg>
</template>

<style scoped>
.sign {
  flex: none;
  fill: none;
  stroke: var(--target);
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
