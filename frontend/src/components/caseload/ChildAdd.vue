<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, Refused, unwrap, type Schemas } from '@/api/client'
import PlaceFields from '@/components/shared/PlaceFields.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useOpenHomes } from '@/composables/usePlaces'

/** A new child: name, birth date, hand, mouthing and where; everything else is asked for later. */
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const queries = useQueryClient()
const places = useOpenHomes()
const form = reactive<
  Pick<Schemas['NewChild'], 'first_name' | 'birth_date' | 'hand' | 'mouthing'> & { home_id: number | null }
>({ first_name: '', birth_date: '', hand: 'not_settled', mouthing: 'never', home_id: null })
const newPlace = reactive<Required<Schemas['NewHome']>>({ name: '', kind: 'home', supervision: 'arms_reach' })
const refused = ref<Refused | null>(null)
const other = ref<Error | null>(null)
const saving = ref(false)
const at = (field: string): string => refused.value?.at(field) ?? ''

/** The chosen place, or the new one, added once: a second try after a refusal finds it chosen. */
async function placeId(): Promise<number> {
  if (form.home_id !== null) return form.home_id
  const made = await unwrap(api.POST('/api/homes', { body: newPlace }))
  void queries.invalidateQueries({ queryKey: ['homes'] })
  form.home_id = made.id
  return made.id
}

async function save(): Promise<void> {
  if (saving.value) return
  refused.value = other.value = null
  saving.value = true
  try {
    const child = await unwrap(
      api.POST('/api/children', { body: { ...form, home_id: await placeId() } as Schemas['NewChild'] }),
    )
    void queries.invalidateQueries({ queryKey: ['caseload'] })
    emit('close')
    await router.push({ name: 'child', params: { childId: child.id } })
  } catch (problem) {
    if (problem instanceof Refused) refused.value = problem
    else other.value = problem as Error
  } finally {
    saving.value = false
  }
}
</script>

<template>
  <el-drawer model-value size="min(480px, 100%)" title="Add a child" @close="$emit('close')">
    <el-form label-position="top" novalidate @submit.prevent="save">
      <el-form-item label="First name" :error="at('first_name')"
        ><el-input v-model="form.first_name" maxlength="60"
      /></el-form-item>
      <el-form-item label="Born" :error="at('birth_date')"
        ><el-date-picker v-model="form.birth_date" value-format="YYYY-MM-DD" format="D MMM YYYY" :clearable="false"
      /></el-form-item>
      <el-form-item label="Hand" :error="at('hand')">
        <el-radio-group v-model="form.hand">
          <el-radio-button value="right">Right</el-radio-button><el-radio-button value="left">Left</el-radio-button
          ><el-radio-button value="not_settled">Not settled</el-radio-button>
        </el-radio-group>
      </el-form-item>
      <el-form-item label="Puts things in the mouth" :error="at('mouthing')">
        <el-radio-group v-model="form.mouthing">
          <el-radio-button value="never">Never</el-radio-button
          ><el-radio-button value="sometimes">Sometimes</el-radio-button
          ><el-radio-button value="often">Often</el-radio-button>
        </el-radio-group>
      </el-form-item>
      <el-form-item label="Where" :error="at('home_id')">
        <el-select v-model="form.home_id" aria-label="Where">
          <el-option :value="null as unknown as number" label="A new place" />
          <el-option v-for="p in places" :key="p.id" :value="p.id" :label="p.name" />
        </el-select>
      </el-form-item>
      <template v-if="form.home_id === null">
        <PlaceFields v-model="newPlace" :at="at" />
      </template>
      <ProblemNote :error="refused ?? other" />
      <button class="plain-button main" :disabled="saving">Add</button>
    </el-form>
  </el-drawer>
</template>
