<script setup lang="ts">
/** What is still being fetched, in the shape it will have; said once to who cannot see it. */
const { rows = 4, tall = false } = defineProps<{ words: string; rows?: number; tall?: boolean }>()
</script>

<template>
  <div role="status">
    <span class="visually-hidden">{{ words }}</span>
    <div v-for="n in rows" :key="n" class="bar" :class="{ tall }" aria-hidden="true" />
  </div>
</template>

<style scoped>
.bar {
  height: 44px;
  margin-bottom: 8px;
  border-radius: var(--round);
  background: linear-gradient(90deg, var(--board) 30%, var(--sheet) 50%, var(--board) 70%);
  background-size: 300% 100%;
  animation: sweep 1.6s ease-in-out infinite;
}
.tall {
  height: 92px;
}
@keyframes sweep {
  from {
    background-position: 100% 0;
  }
  to {
    background-position: 0 0;
  }
}
@media (prefers-reduced-motion: reduce) {
  .bar {
    animation: none;
  }
}
</style>
