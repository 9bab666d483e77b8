<script setup lang="ts">
import { ref } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { useVisitsChanged } from '@/composables/useVisits'
import { STATUS, timeWords, type Visit } from '@/logic/visits'

/** One visit of the day: who, where, when, whether a plan is ready; and how it went. */
const { visit, withWhom } = defineProps<{ visit: Visit; withWhom: boolean }>()
const emit = defineEmits<{ edit: [] }>()
const { data: me } = useMe()
const changed = useVisitsChanged()
const { busy, at, apart, doing } = useDoing()
const asks = ref<'cancelled' | 'no_show' | null>(null)
const reason = ref('')
const later = ref(false)

async function close(status: Schemas['Outcome']['status']): Promise<void> {
  const params = { path: { visit_id: visit.id } }
  const body = { status, reason: reason.value, later: later.value, version: visit.version }
  const done = await doing(() => unwrap(api.POST('/api/visits/{visit_id}/outcome', { params, body })))
  if (done) asks.value = null
  await changed()
}
</script>

<template>
  <li class="visit" :class="visit.status">
    <div class="when">
      <strong>{{ timeWords(visit.at) }}</strong>
      <span class="small soft">{{ visit.minutes }} min</span>
    </div>
    <div class="who">
      <RouterLink :to="{ name: 'child', params: { childId: visit.child_id } }"
        ><strong>{{ visit.child_name }}</strong></RouterLink
      >
      <span class="small soft"
        >{{ visit.home_name }}{{ withWhom ? ` · ${visit.therapist_name}` : ''
        }}{{ visit.in_series ? ' · repeats' : '' }}</span
      >
      <span v-if="visit.overlaps.length" class="small clash">Overlaps with {{ visit.overlaps.join(', ') }}</span>
    </div>
    <span class="tag" :class="{ ready: visit.status === 'done', setback: visit.status === 'no_show' }"
      >{{ STATUS[visit.status] }}{{ visit.reason ? `: ${visit.reason}` : '' }}</span
    >
    <div class="row does">
      <template v-if="visit.status === 'planned'">
        <PlainButton v-if="visit.plan_id" main :to="{ name: 'bench', params: { planId: visit.plan_id } }"
          >Open the plan</PlainButton
        >
        <PlainButton v-else main :to="{ name: 'ask', params: { childId: visit.child_id } }">Plan</PlainButton>
        <PlainButton :disabled="busy" @click="close('done')">Done</PlainButton>
        <PlainButton :aria-expanded="!!asks" @click="asks = asks ? null : 'no_show'"> Did not take place… </PlainButton>
        <PlainButton v-if="me?.may.includes('visit.edit')" @click="emit('edit')"> Move… </PlainButton>
      </template>
      <span v-else-if="visit.ran" class="small soft">Session recorded</span>
      <PlainButton v-else :disabled="busy" @click="((reason = ''), close('planned'))"> Book it again </PlainButton>
    </div>
    <form v-if="asks" class="row why" novalidate @submit.prevent="close(asks)">
      <el-radio-group v-model="asks" aria-label="What happened">
        <el-radio-button value="no_show">No show</el-radio-button
        ><el-radio-button value="cancelled">Cancelled</el-radio-button>
      </el-radio-group>
      <el-input v-model="reason" class="reason" maxlength="200" placeholder="Why: ill, holiday" aria-label="Why" />
      <el-checkbox v-if="asks === 'cancelled' && visit.in_series" v-model="later"
        >and the rest of the series</el-checkbox
      >
      <PlainButton type="submit" main :disabled="busy">Save</PlainButton>
      <span v-if="at('reason')" class="small clash" role="alert">{{ at('reason') }}</span>
    </form>
    <ProblemNote :error="apart" />
  </li>
</template>

<style scoped>
.visit {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr) auto auto;
  gap: 6px var(--gap-3);
  align-items: center;
  padding: 10px var(--gap-3);
  border-top: 1px solid var(--line);
}
.visit:first-child {
  border-top: 0;
}
.when,
.who {
  display: grid;
}
.when strong {
  font-size: var(--step-2);
}
.who a {
  color: var(--ink);
  font-size: var(--step-2);
  text-underline-offset: 4px;
  justify-self: start;
}
.cancelled .who a,
.no_show .who a {
  text-decoration: line-through;
}
.clash {
  color: var(--stuck);
}
.does {
  justify-content: flex-end;
}
.why {
  grid-column: 1 / -1;
}
.reason {
  width: 260px;
}
@media (max-width: 900px) {
  .visit {
    grid-template-columns: 70px minmax(0, 1fr) auto;
  }
  .does {
    grid-column: 1 / -1;
    justify-content: flex-start;
  }
}
</style>
