<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PlainButton from '@/components/shared/PlainButton.vue'
import BatchPanel from '@/components/caseload/BatchPanel.vue'
import RowsSkeleton from '@/components/shared/RowsSkeleton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import VisitForm from '@/components/visits/VisitForm.vue'
import VisitRow from '@/components/visits/VisitRow.vue'
import { useMe } from '@/composables/useMe'
import { useOpenHomes } from '@/composables/usePlaces'
import { useVisits } from '@/composables/useVisits'
import { isoToday } from '@/logic/newChild'
import { byDay, shifted, timeWords, type Visit, weekOf } from '@/logic/visits'
import { longDay } from '@/logic/words'

/** A day's visits in the order of travel, with the week around it; its bag and sheets in one go. */
const route = useRoute()
const router = useRouter()
const { data: me } = useMe()
const homes = useOpenHomes()
const today = isoToday(new Date())
const day = computed(() => String(route.params.day || today))
const week = computed(() => weekOf(day.value))
const mine = useSessionStorage('my-visits', true)
const { data, error, isPending } = useVisits(() => ({
  first: week.value[0]!,
  last: week.value[6]!,
  mine: mine.value,
}))
const days = computed(() => byDay(data.value ?? []))
const visits = computed(() => days.value.get(day.value) ?? [])
const unplanned = computed(() => [
  ...new Set(visits.value.filter((v) => v.status === 'planned' && !v.plan_id).map((v) => v.child_id)),
])
const editing = ref<Visit | 'new' | null>(null)
const store = ref<number>()
const stores = computed(() => homes.value.filter((h) => h.kind !== 'home'))
const papers = computed(() => {
  const from = store.value ?? stores.value[0]?.id
  return `/api/days/${day.value}/sheets?mine=${mine.value}${from ? `&store_id=${from}` : ''}`
})
const named = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric' }).format(new Date(`${iso}T12:00:00`))
const go = (to: string): void => void router.push({ name: 'day', params: { day: to } })
</script>

<template>
  <div class="stack">
    <div class="row">
      <h1>{{ longDay(new Date(`${day}T12:00:00`)) }}</h1>
      <span class="row">
        <PlainButton aria-label="The day before" @click="go(shifted(day, -1))">◂</PlainButton>
        <PlainButton v-if="day !== today" @click="go(today)">Today</PlainButton>
        <PlainButton aria-label="The day after" @click="go(shifted(day, 1))">▸</PlainButton>
      </span>
      <el-radio-group v-model="mine" aria-label="Whose visits" class="push">
        <el-radio-button :value="true">My visits</el-radio-button
        ><el-radio-button :value="false">All visits</el-radio-button>
      </el-radio-group>
      <PlainButton v-if="me?.may.includes('visit.edit')" main @click="editing = 'new'"> Add a visit </PlainButton>
    </div>
    <nav class="week" aria-label="The week">
      <RouterLink
        v-for="d in week"
        :key="d"
        :to="{ name: 'day', params: { day: d } }"
        :class="{ today: d === today }"
        :aria-current="d === day ? 'date' : undefined"
      >
        <strong>{{ named(d) }}</strong>
        <span v-for="v in (days.get(d) ?? []).slice(0, 4)" :key="v.id" class="small" :class="v.status"
          >{{ timeWords(v.at) }} {{ v.child_name }}</span
        >
        <span v-if="(days.get(d)?.length ?? 0) > 4" class="small soft">{{ days.get(d)!.length - 4 }} more</span>
      </RouterLink>
    </nav>
    <ProblemNote :error="error" />
    <RowsSkeleton v-if="isPending" words="Fetching the visits…" :rows="4" tall />
    <ul v-else-if="visits.length" class="rows">
      <VisitRow v-for="v in visits" :key="v.id" :visit="v" :with-whom="!mine" @edit="editing = v" />
    </ul>
    <p v-else class="sheet">
      {{ mine ? 'You have no visits that day.' : 'No visits that day.' }}
      {{ me?.may.includes('visit.edit') ? 'Add one; it can repeat every week.' : '' }}
    </p>
    <section v-if="visits.length" class="row" aria-label="For the whole day">
      <span class="soft">Bag packed from</span>
      <el-select
        v-model="store"
        class="store"
        :placeholder="stores[0]?.name ?? 'no clinic room yet'"
        aria-label="Bag packed from"
      >
        <el-option v-for="h in stores" :key="h.id" :value="h.id" :label="h.name" />
      </el-select>
      <PlainButton main :href="papers.replace('/sheets?', '/sheets.pdf?')" target="_blank" rel="noopener"
        >List, bag and sheets as one PDF</PlainButton
      >
      <PlainButton :href="papers" target="_blank" rel="noopener">As a page</PlainButton>
    </section>
    <BatchPanel v-if="unplanned.length && me?.may.includes('plan.make')" :children="unplanned" />
    <VisitForm v-if="editing" :day="day" :visit="editing === 'new' ? undefined : editing" @close="editing = null" />
  </div>
</template>

<style scoped>
.push {
  margin-left: auto;
}
.week {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 6px;
}
.week a {
  display: grid;
  align-content: start;
  gap: 2px;
  min-height: 84px;
  padding: 8px;
  border: 2px solid var(--line);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  text-decoration: none;
}
.week a.today {
  border-color: var(--brass);
}
.week a[aria-current] {
  background: var(--water-soft);
  border-color: var(--water);
}
.week span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.week .cancelled,
.week .no_show {
  text-decoration: line-through;
}
.store {
  width: 220px;
}
@media (max-width: 700px) {
  .week {
    grid-template-columns: repeat(7, minmax(40px, 1fr));
  }
  .week a {
    min-height: 52px;
    padding: 6px 4px;
    text-align: center;
  }
  .week span {
    display: none;
  }
}
</style>
