<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { reactive, watch } from 'vue'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { type Child, useChildChanged } from '@/composables/useChild'
import { useDoing } from '@/composables/useDoing'

/** The end of a child's care: discharged with a summary, drafted from the record, or archived. */
const { child } = defineProps<{ child: Child }>()
const emit = defineEmits<{ close: [] }>()
const changed = useChildChanged()
const queries = useQueryClient()
const { busy, at, apart, doing, newest } = useDoing()
const form = reactive<Required<Schemas['Ending']>>({ care: 'discharged', words: '', version: child.version })
const { data: draft } = useQuery({
  queryKey: ['summary', () => child.id],
  queryFn: () => unwrap(api.GET('/api/children/{child_id}/summary', { params: { path: { child_id: child.id } } })),
})
watch(
  draft,
  (now) => {
    if (now && !form.words) form.words = now.words
  },
  { immediate: true },
)

async function save(): Promise<void> {
  const params = { path: { child_id: child.id } }
  const now = await doing(() => unwrap(api.POST('/api/children/{child_id}/close', { params, body: form })))
  if (!now) return newest(form)
  changed(now)
  await queries.invalidateQueries({ queryKey: ['closed'] })
  emit('close')
}
</script>

<template>
  <el-drawer model-value size="min(560px, 100%)" :title="`${child.first_name}’s care ends`" @close="$emit('close')">
    <el-form label-position="top" novalidate @submit.prevent="save">
      <el-form-item label="How" :error="at('care')">
        <el-radio-group v-model="form.care">
          <el-radio-button value="discharged">Discharged</el-radio-button
          ><el-radio-button value="archived">Archived: put away for now</el-radio-button>
        </el-radio-group>
      </el-form-item>
      <el-form-item label="Summary, drafted from the record: check it and change it" :error="at('words')">
        <el-input v-model="form.words" type="textarea" :rows="12" maxlength="4000" />
      </el-form-item>
      <p class="soft small">
        The record stays, and {{ child.first_name }} can be brought back at any time. Until then nothing can be planned,
        and visits already booked are left off the calendar.
      </p>
      <ProblemNote :error="apart" />
      <PlainButton type="submit" main :disabled="busy">
        {{ form.care === 'discharged' ? 'Discharge' : 'Archive' }} {{ child.first_name }}
      </PlainButton>
    </el-form>
  </el-drawer>
</template>
