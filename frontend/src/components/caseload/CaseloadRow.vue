<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { useMay } from '@/composables/useMay'
import { useMe } from '@/composables/useMe'
import { ageWords, daysAgo, statusNames } from '@/logic/words'
import PlainButton from '@/components/shared/PlainButton.vue'

const { data: me } = useMe()
const may = useMay()
const { child } = defineProps<{ child: Schemas['StandingOut'] }>()
</script>

<template>
  <li class="child" :class="{ due: child.is_due }">
    <RouterLink class="who" :to="{ name: 'child', params: { childId: child.id } }">
      <strong>{{ child.first_name }}</strong>
      <span class="soft small">{{ ageWords(child.age_months) }} · {{ child.home_name }}</span>
      <span v-if="child.therapist_name && child.therapist_name !== me?.name" class="soft small">{{
        child.therapist_name
      }}</span>
    </RouterLink>
    <ul class="lines">
      <li v-for="l in child.statuses" :key="l.id">
        <span class="tag status" :class="l.id">{{ statusNames[l.id] }}</span> <span>{{ l.words }}</span>
      </li>
    </ul>
    <span class="when small">
      <strong v-if="child.is_due">Due</strong>
      <span class="soft">{{ child.last_on ? `seen ${daysAgo(child.last_on, new Date())}` : 'first session' }}</span>
    </span>
    <PlainButton
      v-if="child.statuses[0]?.id === 'new' && may('plan.make')"
      main
      class="go"
      :to="{ name: 'child', params: { childId: child.id } }"
      >First look</PlainButton
    >
    <PlainButton
      v-else
      class="go"
      :class="{ main: child.is_due }"
      :to="{ name: 'ask', params: { childId: child.id } }"
      >{{ may('plan.make') ? 'Plan' : 'Sessions' }}</PlainButton
    >
  </li>
</template>

<style scoped>
.child {
  display: grid;
  grid-template-columns: 190px 1fr 118px 112px;
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
.lines {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
.lines li {
  display: grid;
  grid-template-columns: 136px 1fr;
  gap: var(--gap-3);
  align-items: center;
}
.status {
  justify-content: center;
  font-weight: 700;
}
.when {
  display: grid;
}
.go {
  padding-inline: 6px;
  display: inline-grid;
  place-items: center;
  text-decoration: none;
}
@media (max-width: 900px) {
  .child {
    grid-template-columns: 1fr auto 112px;
  }
  .lines {
    grid-column: 1 / -1;
    order: 3;
  }
}
@media (max-width: 700px) {
  .child {
    grid-template-columns: 1fr auto;
  }
  .lines li {
    grid-template-columns: 1fr;
    justify-items: start;
    gap: 4px;
  }
  .status {
    padding-inline: var(--gap-3);
  }
  .go {
    order: 4;
    grid-column: 1 / -1;
  }
}
</style>
