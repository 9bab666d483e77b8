<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ClinicDefaults from '@/components/people/ClinicDefaults.vue'
import ClinicFields from '@/components/people/ClinicFields.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useDoing } from '@/composables/useDoing'

/** The clinic's name, time zone and paper. */
const queries = useQueryClient()
const { data } = useQuery({ queryKey: ['clinic'], queryFn: () => unwrap(api.GET('/api/clinic')) })
const form = reactive<Schemas['ClinicEdit']>({
  name: '',
  time_zone: 'UTC',
  paper: 'A4',
  units: 'mm',
  keep_years: null,
  approaches: {},
  zones: {},
  version: 0,
})
const { busy, at, apart, doing, newest } = useDoing()
const saved = ref(false)

watch(data, (clinic) => clinic && !form.version && Object.assign(form, clinic), { immediate: true })

async function save(): Promise<void> {
  saved.value = false
  const now = await doing(() => unwrap(api.PUT('/api/clinic', { body: form })))
  if (now) {
    form.version = now.version
    saved.value = true
    await queries.invalidateQueries({ queryKey: ['me'] })
  } else newest(form)
}
</script>

<template>
  <section v-if="form.version" class="sheet stack" aria-label="Settings">
    <h2>Settings</h2>
    <el-form label-position="top" novalidate @submit.prevent="save">
      <ClinicFields v-model="form" :at="at" />
      <el-form-item label="Keep records, in years after care ends (empty: no period set)" :error="at('keep_years')">
        <el-input-number v-model="form.keep_years" :min="1" :max="100" :controls="false" />
      </el-form-item>
      <ClinicDefaults v-model="form" :at="at" />
      <ProblemNote :error="apart" />
      <div class="row">
        <PlainButton type="submit" main :disabled="busy">Save</PlainButton>
        <span v-if="saved" role="status" class="soft">Saved.</span>
      </div>
    </el-form>
  </section>
</template>
