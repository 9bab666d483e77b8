<script setup lang="ts">
import { useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useChild } from '@/composables/useChild'
import { useMay } from '@/composables/useMay'
import { useMe } from '@/composables/useMe'
import { ageWords, handWords } from '@/logic/words'

const { childId } = defineProps<{ childId: number }>()
const { data: child, error } = useChild(() => childId)
const may = useMay()
const { data: me } = useMe() // what one may do decides what stands here: known first, so that nothing moves

// On a phone the tabs scroll: the one that is open is never out of sight.
const route = useRoute()
const tabs = useTemplateRef<HTMLElement>('tabs')
watch(
  [tabs, () => route.name],
  ([bar]) => {
    const open = bar?.querySelector<HTMLElement>('.router-link-exact-active')
    if (bar && open) bar.scrollLeft = open.offsetLeft - (bar.clientWidth - open.clientWidth) / 2
  },
  { flush: 'post' },
)
</script>

<template>
  <ProblemNote :error="error" />
  <div v-if="child && me" class="stack">
    <header class="head">
      <div>
        <h1>{{ child.first_name }}</h1>
        <p class="soft">{{ ageWords(child.age_months) }} · {{ handWords(child.hand) }} · {{ child.home_name }}</p>
      </div>
      <p class="row careful">
        <span v-if="child.care !== 'open'" class="tag">{{ child.care }}</span>
        <span v-for="c in child.alerts" :key="c" class="tag caution">{{ c }}</span>
      </p>
      <nav ref="tabs" class="row" :aria-label="`${child.first_name}'s pages`">
        <RouterLink :to="{ name: 'child' }">Skills</RouterLink>
        <RouterLink :to="{ name: 'cupboard' }">Cupboard</RouterLink>
        <RouterLink :to="{ name: 'library' }">Activities</RouterLink>
        <RouterLink :to="{ name: 'progress' }">Progress</RouterLink>
        <RouterLink :to="{ name: 'week' }">Home week</RouterLink>
        <RouterLink v-if="child.care === 'open'" :to="{ name: 'ask' }" class="plan">{{
          may('plan.make') ? 'Plan a session' : 'Sessions'
        }}</RouterLink>
      </nav>
    </header>
    <RouterView :child="child" />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  gap: var(--gap-4);
  align-items: end;
  flex-wrap: wrap;
  border-bottom: 2px solid var(--line);
  padding-bottom: var(--gap-3);
}
.careful {
  flex: 1;
}
nav a {
  display: inline-grid;
  place-items: center;
  min-height: var(--touch);
  padding: 0 14px;
  border-radius: 8px;
  color: var(--ink);
  text-decoration: none;
}
@media (max-width: 760px) {
  .head {
    gap: var(--gap-2);
  }
  .head > div {
    width: 100%;
  }
  .careful {
    flex: 1 1 100%;
  }
  nav {
    position: relative; /* what the place of a tab in it is measured from */
    flex-wrap: nowrap;
    overflow-x: auto;
    min-width: 0;
    width: 100%;
    scrollbar-width: none;
  }
  nav a {
    flex: none;
  }
  nav a.plan {
    order: -1;
  }
}
nav a:hover {
  background: var(--water-soft);
}
nav a.router-link-exact-active {
  background: var(--board);
  box-shadow: inset 0 -3px var(--brass);
}
nav a.plan {
  background: var(--water);
  color: var(--on-water);
  font-weight: 700;
}
</style>
