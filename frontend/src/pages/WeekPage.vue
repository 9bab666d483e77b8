<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import AimReasons from '@/components/bench/AimReasons.vue'
import DayField from '@/components/shared/DayField.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TargetPicker from '@/components/bench/TargetPicker.vue'
import WeekTable from '@/components/bench/WeekTable.vue'
import type { Child } from '@/composables/useChild'
import { useAims } from '@/composables/useAims'
import { useDoing } from '@/composables/useDoing'
import { useMay } from '@/composables/useMay'
import { useOpenHomes } from '@/composables/usePlaces'
import { nextMonday } from '@/logic/days'
import type { Edit } from '@/logic/weekEdit'
import { dayWords } from '@/logic/words'

const { child } = defineProps<{ child: Child }>()
const queries = useQueryClient()
const may = useMay()
const names = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const ask = reactive({
  minutes_by_day: [10, 10, 10, 10, 0, 20, 20],
  a_day: 1,
  targets: [] as string[],
  starts_on: nextMonday(new Date()),
  clinic_day: null as number | null,
  school_id: null as number | null,
  school_minutes: [0, 0, 0, 0, 0, 0, 0],
})
const homes = useOpenHomes()
const schools = computed(() => homes.value.filter((h) => h.kind === 'school'))
const aSchoolDay = ref(10)
const SCHOOL_DAYS = 5
const { aims, ticked } = useAims(() => child.id, ask)
const chosen = ref('')
const { busy, error, doing } = useDoing()
const { data: weeks } = useQuery({
  queryKey: ['weeks', () => child.id],
  queryFn: () => unwrap(api.GET('/api/children/{child_id}/weeks', { params: { path: { child_id: child.id } } })),
})
const shownId = computed(() => chosen.value || weeks.value?.[0]?.id || '')
const { data: week } = useQuery({
  queryKey: ['week', shownId],
  queryFn: () => unwrap(api.GET('/api/weeks/{week_id}', { params: { path: { week_id: shownId.value } } })),
  enabled: () => Boolean(shownId.value),
})

async function plan(): Promise<void> {
  await ticked()
  ask.school_minutes = names.map((_, day) => (ask.school_id && day < SCHOOL_DAYS ? aSchoolDay.value : 0))
  const made = await doing(() =>
    unwrap(api.POST('/api/children/{child_id}/weeks', { params: { path: { child_id: child.id } }, body: ask })),
  )
  if (!made) return
  queries.setQueryData(['week', made.id], made)
  chosen.value = made.id
  void queries.invalidateQueries({ queryKey: ['weeks'] })
}

/** The same week planned again around what stays. */
async function change(edit: Edit): Promise<void> {
  const id = shownId.value
  const version = week.value?.version ?? 0
  const made = await doing(() =>
    unwrap(api.PUT('/api/weeks/{week_id}', { params: { path: { week_id: id } }, body: { ...edit, version } })),
  )
  if (!made) return void queries.invalidateQueries({ queryKey: ['week', id] }) // somebody else's, maybe
  queries.setQueryData(['week', id], made)
  void queries.invalidateQueries({ queryKey: ['weeks'] })
}
</script>

<template>
  <div class="stack">
    <form class="sheet ask" novalidate @submit.prevent="plan">
      <fieldset>
        <legend>Minutes the family has</legend>
        <div class="row days">
          <label v-for="(n, i) in names" :key="n"
            >{{ n
            }}<el-input-number
              v-model="ask.minutes_by_day[i]"
              :min="0"
              :max="90"
              :controls="false"
              :aria-label="`Minutes on ${n}`"
          /></label>
        </div>
      </fieldset>
      <fieldset>
        <legend>Activities per day</legend>
        <el-radio-group v-model="ask.a_day" aria-label="Activities a day"
          ><el-radio-button :value="1">One</el-radio-button
          ><el-radio-button :value="2">Up to two</el-radio-button></el-radio-group
        >
      </fieldset>
      <fieldset>
        <legend>Work on</legend>
        <TargetPicker v-model="ask.targets" />
      </fieldset>
      <fieldset>
        <legend>From Monday</legend>
        <DayField v-model="ask.starts_on" label="From Monday" />
      </fieldset>
      <fieldset>
        <legend>Clinic session on</legend>
        <el-select v-model="ask.clinic_day" class="short" aria-label="Clinic session on" clearable placeholder="No day"
          ><el-option v-for="(n, i) in names" :key="n" :value="i" :label="n"
        /></el-select>
      </fieldset>
      <fieldset v-if="schools.length">
        <legend>School’s part</legend>
        <div class="row">
          <el-select v-model="ask.school_id" class="school" aria-label="School" clearable placeholder="None"
            ><el-option v-for="h in schools" :key="h.id" :value="h.id" :label="h.name"
          /></el-select>
          <template v-if="ask.school_id"
            ><el-input-number
              v-model="aSchoolDay"
              class="short"
              :min="5"
              :max="30"
              :controls="false"
              aria-label="Minutes a school day"
            /><span class="soft small">min a school day</span></template
          >
        </div>
      </fieldset>
      <PlainButton type="submit" main class="go" :disabled="busy || Boolean(aims.length && !ask.targets.length)">
        {{ busy ? 'Planning…' : 'Plan the week' }}
      </PlainButton>
    </form>
    <AimReasons v-if="!week" :aims="aims?.filter((x) => ask.targets.includes(x.target)) ?? []" />
    <ProblemNote :error="error" />
    <WeekTable v-if="week" :week="week" :child-id="child.id" :busy="busy" :may="may('plan.make')" @edit="change" />
    <p v-if="weeks && weeks.length > 1" class="row">
      <span class="soft">Other weeks:</span>
      <PlainButton v-for="w in weeks" :key="w.id" :aria-pressed="w.id === shownId" @click="chosen = w.id">
        {{ dayWords(w.starts_on) }}
      </PlainButton>
    </p>
    <p v-if="weeks && !weeks.length" class="soft">
      No home week yet. One or two activities a day is plenty: long lists don’t get done.
    </p>
  </div>
</template>

<style scoped>
.short {
  width: 104px;
}
.school {
  width: 190px;
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: var(--gap-3);
  align-items: end;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
}
legend {
  font-weight: 700;
  padding: 0 0 4px;
}
.days label {
  display: grid;
  font-size: var(--step-0);
}
.days :deep(.el-input-number) {
  width: 50px;
}
.ask :deep(.el-date-editor) {
  width: 118px;
}
.go {
  margin-left: auto;
}
</style>
