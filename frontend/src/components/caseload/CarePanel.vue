<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import RecordOut from '@/components/caseload/RecordOut.vue'
import CareEnd from '@/components/caseload/CareEnd.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { type Child, useChildChanged } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { dayWords } from '@/logic/words'

/** A child's therapist, referral and consent; and the end of its care. */
const { child } = defineProps<{ child: Child }>()
const changed = useChildChanged()
const queries = useQueryClient()
const { data: me } = useMe()
const { busy, error, doing } = useDoing()
const { data: therapists } = useQuery({
  queryKey: ['therapists'],
  queryFn: () => unwrap(api.GET('/api/therapists')),
  staleTime: 60_000,
})
const ending = ref(false)
const path = (): { path: { child_id: number } } => ({ path: { child_id: child.id } })

async function assign(id: number | null): Promise<void> {
  const body = { therapist_id: id, version: child.version }
  const now = await doing(() => unwrap(api.PUT('/api/children/{child_id}/therapist', { params: path(), body })))
  if (now) changed(now)
}

async function bringBack(): Promise<void> {
  const body = { version: child.version }
  const now = await doing(() => unwrap(api.POST('/api/children/{child_id}/reopen', { params: path(), body })))
  if (!now) return
  changed(now)
  await queries.invalidateQueries({ queryKey: ['closed'] })
}
</script>

<template>
  <section class="sheet stack" aria-label="Care">
    <h3>Care</h3>
    <label class="who">
      <span class="soft">Therapist</span>
      <el-select
        :model-value="child.therapist_id"
        aria-label="Therapist"
        placeholder="Not assigned"
        clearable
        :disabled="busy || !me?.may.includes('child.assign')"
        @change="assign($event ?? null)"
      >
        <el-option v-for="t in therapists" :key="t.id" :value="t.id" :label="t.name" />
      </el-select>
    </label>
    <p v-if="child.referral"><span class="soft">Referral:</span> {{ child.referral }}</p>
    <p>
      <span class="soft">Consent:</span>
      {{ child.consent_on ? `${dayWords(child.consent_on)}. ${child.consent_words}` : 'not noted yet (Edit profile).' }}
    </p>
    <ProblemNote :error="error" />
    <template v-if="child.care !== 'open'">
      <p class="notice">
        <strong
          >{{ child.care === 'discharged' ? 'Discharged' : 'Archived' }}
          {{ child.closed_on ? dayWords(child.closed_on) : '' }}.</strong
        >
        {{ child.closing_words }}
      </p>
      <PlainButton v-if="me?.may.includes('child.close')" :disabled="busy" @click="bringBack">
        Bring {{ child.first_name }} back
      </PlainButton>
    </template>
    <PlainButton v-else-if="me?.may.includes('child.close')" @click="ending = true">
      Discharge or archive…
    </PlainButton>
    <RecordOut :child="child" />
    <CareEnd v-if="ending" :child="child" @close="ending = false" />
  </section>
</template>

<style scoped>
.who {
  display: grid;
  gap: 4px;
}
</style>
