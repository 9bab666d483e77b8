<script setup lang="ts">
/** allowed: nothing; caution: a triangle with a bar; barred: a crossed ring. Shape says it without colour. */
defineProps<{ status: string }>()
const words: Record<string, string> = { caution: 'Caution', barred: 'Barred', allowed: 'Allowed' }
</script>

<template>
  <svg
    width="20"
    height="20"
    viewBox="0 0 24 24"
    :class="['verdict', status]"
    role="img"
    :aria-label="words[status] ?? status"
  >
    <path v-if="status === 'allowed'" d="M5 13l4 4L19 7" />
    <path v-else-if="status === 'caution'" d="M12 4L2.500 20h19zM12 10v4.500M12 17.200v.1" />
    <path v-else d="M3 12a9 9 0 1 0 18 0a9 9 0 1 0-18 0M6 6l12 12" />
  </svg>
</template>

<style scoped>
.verdict {
  flex: none;
  fill: none;
  stroke-width: 2.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.allowed {
  stroke: var(--ready);
}
.caution {
  stroke: var(--caution);
}
.barred {
  stroke: var(--barred);
}
</style>
