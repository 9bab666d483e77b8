<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import FindChild from '@/components/shared/FindChild.vue'
import TabBar from '@/components/shared/TabBar.vue'
import { useMe } from '@/composables/useMe'
import { useSignOut } from '@/composables/useSignOut'
import type { Command } from '@/logic/palette'

/** The one way round: a bar at the top, on a phone a bar of tabs at the thumb, and the palette for everything else. */
const dark = defineModel<boolean>('dark', { required: true })
const { data: me } = useMe()
const { signOut, failed } = useSignOut()
const route = useRoute()
const CommandPalette = defineAsyncComponent(() => import('@/components/shared/CommandPalette.vue'))
const open = ref(false)
const pages = computed(() => [
  { name: 'caseload', words: 'Children' },
  { name: 'day', words: 'Day' },
  { name: 'together', words: 'Together' },
  { name: 'bag', words: 'Visit bag' },
  { name: 'shelf', words: 'Our library' },
  ...(me.value?.may.includes('people.read') ? [{ name: 'people', words: 'Clinic' }] : []),
])
const actions = computed<Command[]>(() => [
  { id: 'dark', words: dark.value ? 'Light' : 'Dark', also: 'theme colours', run: () => (dark.value = !dark.value) },
  { id: 'out', words: 'Sign out', run: () => void signOut() },
])
watch(
  () => me.value?.theme,
  (theme) => {
    if (theme && theme !== 'auto') dark.value = theme === 'dark'
  },
  { immediate: true },
)
watch(
  () => route.fullPath,
  () => (open.value = false),
)
useEventListener('keydown', (event: KeyboardEvent) => {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'k') return
  event.preventDefault()
  open.value = true
})
</script>

<template>
  <header class="bar no-print">
    <RouterLink to="/" class="name">
      <svg viewBox="0 0 32 32" aria-hidden="true">
        <path d="M7 24c0-8 4-15 9-15 3 0 4 3 2 6l-3 5" />
        <circle cx="23" cy="20" r="4" />
      </svg>
      Pollicor
    </RouterLink>
    <nav aria-label="Main">
      <RouterLink v-for="p in me ? pages : []" :key="p.name" :to="{ name: p.name }">{{ p.words }}</RouterLink>
    </nav>
    <FindChild v-if="me" class="find" />
    <div class="row right">
      <button v-if="me" class="quiet go" type="button" aria-keyshortcuts="Control+K" @click="open = true">
        Go to…
      </button>
      <RouterLink v-if="me" :to="{ name: 'account' }" class="who"
        >{{ me.name }}<span>, {{ me.clinic }}</span></RouterLink
      >
      <button class="quiet wide" type="button" @click="dark = !dark">{{ dark ? 'Light' : 'Dark' }}</button>
      <button class="quiet wide" type="button" @click="signOut">Sign out</button>
    </div>
  </header>
  <p v-if="failed" class="still" role="alert">{{ failed }}</p>
  <TabBar v-if="me" :pages="pages" :dark="dark" @dark="dark = !dark" @out="signOut" />
  <CommandPalette v-if="open" :actions="actions" @close="open = false" />
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: var(--gap-4);
  min-height: 54px;
  padding: 5px var(--gap-4);
  background: var(--board);
  border-bottom: 2px solid var(--line);
}
.still {
  padding: 8px var(--gap-4);
  background: var(--caution-soft);
  border-bottom: 2px solid var(--line);
}
.name {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  font-weight: 700;
  font-size: var(--step-2);
  color: var(--ink);
  text-decoration: none;
}
.name svg {
  width: 32px;
  height: 32px;
}
.name path {
  fill: none;
  stroke: var(--water);
  stroke-width: 4;
  stroke-linecap: round;
}
.name circle {
  fill: var(--brass);
}
nav {
  display: flex;
  white-space: nowrap;
}
nav a {
  display: inline-grid;
  place-items: center;
  min-height: var(--touch);
  padding: 0 7px;
  color: var(--ink);
  text-underline-offset: 4px;
}
nav a.router-link-exact-active {
  box-shadow: inset 0 -3px var(--brass);
  text-decoration: none;
}
.right {
  margin-left: auto;
  flex-wrap: nowrap;
  white-space: nowrap;
}
.who {
  color: var(--ink);
  text-underline-offset: 4px;
}
.quiet {
  min-height: var(--touch);
  min-width: var(--touch);
  border: 0;
  background: none;
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 4px;
  font-size: var(--step-1);
  cursor: pointer;
}
@media (max-width: 1400px) {
  .who span,
  .go {
    display: none;
  }
}
@media (max-width: 1100px) {
  .bar {
    gap: var(--gap-2);
    padding: 5px var(--gap-3);
  }
  .find {
    display: none;
  }
  .go {
    display: inline-block;
  }
}
@media (max-width: 860px) {
  .wide {
    display: none;
  }
}
@media (max-width: 760px) {
  nav,
  .who {
    display: none;
  }
}
</style>
