<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'

/** On a phone: the pages one needs most at the thumb, everything else behind More. */
const { pages } = defineProps<{ pages: { name: string; words: string }[]; dark: boolean }>()
const emit = defineEmits<{ dark: []; out: [] }>()
const route = useRoute()
const more = ref(false)
const FIRST = ['caseload', 'day', 'together', 'shelf']
const DRAWN: Record<string, string> = {
  caseload: 'M5 20c0-4 3-6 7-6s7 2 7 6M12 11a4 4 0 1 0 0-8 4 4 0 0 0 0 8',
  day: 'M4 6h16v14H4zM4 10h16M8 3v5M16 3v5',
  together:
    'M2 19c0-3 2-5 5-5s5 2 5 5M7 11a3 3 0 1 0 0-6 3 3 0 0 0 0 6M12 19c0-3 2-5 5-5s5 2 5 5M17 11a3 3 0 1 0 0-6 3 3 0 0 0 0 6',
  shelf: 'M3 20h18M3 12h18M5 20v-6h4v6M11 20v-5h3v5M6 12V5h3v7M12 12V7h5v5',
}
watch(
  () => route.fullPath,
  () => (more.value = false),
)
const short = (words: string): string => words.replace('Our library', 'Library')
</script>

<template>
  <nav class="tabs no-print" aria-label="Main, at the thumb">
    <RouterLink v-for="p in pages.filter((x) => FIRST.includes(x.name))" :key="p.name" :to="{ name: p.name }">
      <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="DRAWN[p.name]" /></svg>
      {{ short(p.words) }}
    </RouterLink>
    <button type="button" :aria-expanded="more" @click="more = !more">
      <svg viewBox="0 0 24 24" aria-hidden="true"><path d="M4 7h16M4 12h16M4 17h16" /></svg>
      More
    </button>
    <div v-if="more" class="sheet-up">
      <RouterLink v-for="p in pages.filter((x) => !FIRST.includes(x.name))" :key="p.name" :to="{ name: p.name }">{{
        p.words
      }}</RouterLink>
      <RouterLink :to="{ name: 'account' }">My account</RouterLink>
      <button type="button" @click="emit('dark')">{{ dark ? 'Light' : 'Dark' }}</button>
      <button type="button" @click="emit('out')">Sign out</button>
    </div>
  </nav>
</template>

<style scoped>
.tabs {
  display: none;
}
@media (max-width: 760px) {
  .tabs {
    position: fixed;
    z-index: 20;
    inset: auto 0 0;
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    background: var(--board);
    border-top: 2px solid var(--line);
    padding-bottom: env(safe-area-inset-bottom);
  }
  .tabs > a,
  .tabs > button {
    display: grid;
    justify-items: center;
    gap: 2px;
    padding: 6px 2px;
    min-height: 56px;
    border: 0;
    background: none;
    color: var(--ink);
    font-size: 13px;
    text-decoration: none;
    cursor: pointer;
  }
  .tabs > a.router-link-exact-active {
    box-shadow: inset 0 3px var(--brass);
    font-weight: 700;
  }
  svg {
    width: 24px;
    height: 24px;
    fill: none;
    stroke: var(--water);
    stroke-width: 2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .sheet-up {
    position: absolute;
    right: 0;
    bottom: 100%;
    display: grid;
    min-width: 200px;
    background: var(--sheet);
    border: 2px solid var(--line);
    border-radius: var(--round) 0 0 0;
  }
  .sheet-up > * {
    min-height: 48px;
    display: grid;
    align-items: center;
    padding: 0 var(--gap-4);
    border: 0;
    background: none;
    color: var(--ink);
    font-size: var(--step-1);
    text-align: left;
    text-decoration: none;
    cursor: pointer;
  }
}
</style>
