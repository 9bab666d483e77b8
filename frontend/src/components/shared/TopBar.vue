<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '@/api/client'
import FindChild from '@/components/shared/FindChild.vue'
import { useMe } from '@/composables/useMe'

const dark = defineModel<boolean>('dark', { required: true })
const { data: me } = useMe()
const queries = useQueryClient()
const router = useRouter()
watch(
  () => me.value?.theme,
  (theme) => {
    if (theme && theme !== 'auto') dark.value = theme === 'dark'
  },
  { immediate: true },
)

async function signOut(): Promise<void> {
  await api.DELETE('/api/session')
  queries.clear()
  sessionStorage.clear() // what was typed and not kept is nobody else's
  await router.push({ name: 'sign-in' })
}
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
      <RouterLink to="/">Children</RouterLink><RouterLink :to="{ name: 'day' }">Day</RouterLink
      ><RouterLink :to="{ name: 'together' }">Together</RouterLink
      ><RouterLink :to="{ name: 'bag' }">Visit bag</RouterLink
      ><RouterLink v-if="me" :to="{ name: 'shelf' }">Own library</RouterLink
      ><RouterLink v-if="me?.may.includes('people.read')" :to="{ name: 'people' }">Clinic</RouterLink>
    </nav>
    <FindChild v-if="me" class="find" />
    <div class="row right">
      <RouterLink v-if="me" :to="{ name: 'account' }" class="who"
        >{{ me.name }}<span>, {{ me.clinic }}</span></RouterLink
      >
      <button class="quiet" type="button" @click="dark = !dark">{{ dark ? 'Light' : 'Dark' }}</button>
      <button class="quiet" type="button" @click="signOut">Sign out</button>
    </div>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: var(--gap-4);
  padding: 8px var(--gap-4);
  background: var(--board);
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
  gap: var(--gap-3);
}
nav a {
  color: var(--ink);
  text-underline-offset: 4px;
}
.right {
  margin-left: auto;
}
.who {
  color: var(--ink);
  margin-right: 8px;
  text-underline-offset: 4px;
}
.quiet {
  min-height: 36px;
  border: 0;
  background: none;
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 4px;
  font-size: var(--step-1);
  cursor: pointer;
}
@media (max-width: 1200px) {
  .who span {
    display: none;
  }
}
@media (max-width: 940px) {
  .bar {
    flex-wrap: wrap;
    gap: 4px var(--gap-3);
  }
  nav {
    order: 1;
  }
  .find {
    order: 2;
    width: 220px;
    margin-left: auto;
  }
}
@media (max-width: 700px) {
  nav,
  .find {
    width: 100%;
  }
}
</style>
