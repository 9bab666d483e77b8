<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import DayField from '@/components/shared/DayField.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { useOpenHomes } from '@/composables/usePlaces'
import { useVisitsChanged } from '@/composables/useVisits'
import type { Visit } from '@/logic/visits'

/** A new visit or a series, or one that is moved, alone or with the rest of its series. */
const { day, visit = undefined } = defineProps<{ day: string; visit?: Visit }>()
const emit = defineEmits<{ close: [] }>()
const changed = useVisitsChanged()
const homes = useOpenHomes()
const { data: me } = useMe()
const { data: therapists } = useQuery({
  queryKey: ['therapists'],
  queryFn: () => unwrap(api.GET('/api/therapists')),
  staleTime: 60_000,
})
const { busy, at, apart, doing, newest } = useDoing()
const form = reactive({
  child_id: visit?.child_id, // nobody and nowhere until they are chosen
  home_id: visit?.home_id,
  therapist_id: visit?.therapist_id ?? 0,
  on: visit?.on ?? day,
  at: visit?.at?.slice(0, 5) ?? '',
  minutes: visit?.minutes ?? 45,
  every_weeks: 1,
  times: 1,
  later: false,
  version: visit?.version ?? 1,
})
const found = ref<Schemas['FoundChild'][]>([])
async function find(letters: string): Promise<void> {
  found.value = await unwrap(api.GET('/api/children', { params: { query: { letters } } })).catch(() => [])
}
if (!visit) void find('')

watch(
  therapists,
  (all) => {
    if (!form.therapist_id) form.therapist_id = (all?.find((t) => t.name === me.value?.name) ?? all?.[0])?.id ?? 0
  },
  { immediate: true },
)
watch(
  () => form.child_id,
  async (id) => {
    if (!id || visit) return
    const child = await unwrap(api.GET('/api/children/{child_id}', { params: { path: { child_id: id } } })).catch(
      () => null,
    )
    if (child) form.home_id = child.home_id
  },
)
const title = computed(() => (visit ? `${visit.child_name}’s visit` : 'Add a visit'))

async function save(): Promise<void> {
  const body = { ...form, at: form.at || null } as Schemas['NewVisit'] & Schemas['VisitEdit']
  const done = await doing<unknown>(() =>
    visit
      ? unwrap(api.PUT('/api/visits/{visit_id}', { params: { path: { visit_id: visit.id } }, body }))
      : unwrap(api.POST('/api/visits', { body })),
  )
  if (!done) return newest(form)
  await changed()
  emit('close')
}
</script>

<template>
  <el-drawer model-value size="min(520px, 100%)" :title="title" @close="$emit('close')">
    <el-form label-position="top" novalidate @submit.prevent="save">
      <el-form-item v-if="!visit" label="Who" :error="at('child_id')">
        <el-select
          v-model="form.child_id"
          filterable
          remote
          :remote-method="find"
          default-first-option
          aria-label="Who"
          placeholder="First letters"
          no-data-text="No child of that name"
        >
          <el-option v-for="c in found.filter((x) => x.care === 'open')" :key="c.id" :value="c.id" :label="c.first_name"
            ><strong>{{ c.first_name }}</strong> <span class="soft">{{ c.home_name }}</span></el-option
          >
        </el-select>
      </el-form-item>
      <div class="pair">
        <el-form-item label="Day" :error="at('on')"><DayField v-model="form.on" label="Day" /></el-form-item>
        <el-form-item label="Time (empty: some time that day)" :error="at('at')">
          <input v-model="form.at" class="plain-input" type="time" aria-label="Time" />
        </el-form-item>
        <el-form-item label="Minutes" :error="at('minutes')"
          ><el-input-number v-model="form.minutes" :min="5" :max="240" :step="5"
        /></el-form-item>
        <el-form-item label="Where" :error="at('home_id')">
          <el-select v-model="form.home_id" filterable aria-label="Where">
            <el-option v-for="h in homes" :key="h.id" :value="h.id" :label="h.name" />
          </el-select>
        </el-form-item>
        <el-form-item label="With" :error="at('therapist_id')">
          <el-select v-model="form.therapist_id" aria-label="With">
            <el-option v-for="t in therapists" :key="t.id" :value="t.id" :label="t.name" />
          </el-select>
        </el-form-item>
      </div>
      <div v-if="!visit" class="pair">
        <el-form-item label="How many times" :error="at('times')"
          ><el-input-number v-model="form.times" :min="1" :max="52"
        /></el-form-item>
        <el-form-item v-if="form.times > 1" label="Every … weeks" :error="at('every_weeks')"
          ><el-input-number v-model="form.every_weeks" :min="1" :max="12"
        /></el-form-item>
      </div>
      <el-form-item v-else-if="visit.in_series">
        <el-checkbox v-model="form.later">Move the rest of the series, too</el-checkbox>
      </el-form-item>
      <ProblemNote :error="apart" />
      <PlainButton type="submit" main :disabled="busy || !form.child_id || !form.home_id || !form.therapist_id">
        Save
      </PlainButton>
    </el-form>
  </el-drawer>
</template>
