<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { ageWords, daysAgo, standingNames } from '@/logic/words'

const { child } = defineProps<{ child: Schemas['StandingOut'] }>()

const weight: Record<string, number> = { fade: 0, up: 1, down: 2, lower: 3, change: 4, recheck: 5, hold: 6 }
const telling = computed(() => child.decisions.filter((d) => d.kind !== 'hold').toSorted((a, b) => (weight[a.kind] ?? 9) - (weight[b.kind] ?? 9) || b.on.localeCompare(a.on)))
const first = computed(() => telling.value[0])
const line = computed(() => {
  if (child.standings.includes('new')) return 'Not seen yet. Set starting rungs, then plan the first session.'
  if (child.standings.includes('recheck')) return `Last seen ${daysAgo(child.last_on ?? '', new Date())}: check again before building on it.`
  if (!first.value) return 'Stay on the same grades; more tries before anything changes.'
  return `${first.value.strand_name}: ${first.value.words.toLowerCase()}. ${first.value.evidence[0]?.words ?? ''}`
})
</script>

<template>
  <li class="child" :class="{ due: child.is_due }">
    <RouterLink class="who" :to="{ name: 'child', params: { childId: child.id } }">
      <strong>{{ child.first_name }}</strong>
      <span class="soft small">{{ ageWords(child.age_months) }} · {{ child.home_name }}</span>
    </RouterLink>
    <span class="stands"><span v-for="s in child.standings" :key="s" class="tag standing" :class="s">{{ standingNames[s] }}</span></span>
    <div class="why">
      <p>{{ line }}</p>
      <p v-if="telling.length > 1" class="soft small">and {{ telling.slice(1, 4).map((d) => `${d.strand_name.toLowerCase()} ${d.kind === 'up' ? 'up' : d.kind === 'fade' ? 'less help' : d.kind === 'down' ? 'easier' : 'look again'}`).join(', ') }}</p>
    </div>
    <span class="when small">
      <strong v-if="child.is_due">Due</strong>
      <span class="soft">{{ child.last_on ? `seen ${daysAgo(child.last_on, new Date())}` : 'first session' }}</span>
    </span>
    <RouterLink class="plain-button go" :class="{ main: child.is_due }" :to="{ name: 'ask', params: { childId: child.id } }">Plan</RouterLink>
  </li>
</template>

<style scoped>
.child {
  display: grid;
  grid-template-columns: 190px 136px 1fr 118px auto;
  gap: var(--gap-3);
  align-items: center;
  padding: 10px var(--gap-3) 10px 18px;
  border-top: 1px solid var(--line);
  border-left: 6px solid transparent;
}
.child:first-child {
  border-top: 0;
}
.child.due {
  border-left-color: var(--brass);
}
.who {
  display: grid;
  color: var(--ink);
  text-decoration: none;
}
.who strong {
  font-size: var(--step-2);
  text-decoration: underline;
  text-underline-offset: 4px;
  text-decoration-color: var(--line-strong);
}
.stands {
  display: grid;
  gap: 3px;
}
.standing {
  justify-content: center;
  font-weight: 700;
}
.when {
  display: grid;
}
.go {
  display: inline-grid;
  place-items: center;
  text-decoration: none;
}
@media (max-width: 900px) {
  .child {
    grid-template-columns: 1fr auto;
  }
  .why {
    grid-column: 1 / -1;
    order: 3;
  }
}
</style>
