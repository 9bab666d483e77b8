<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import SaidWords from '@/components/caseload/SaidWords.vue'
import HandFields from '@/components/caseload/HandFields.vue'
import DayField from '@/components/shared/DayField.vue'
import PlaceFields from '@/components/shared/PlaceFields.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TaskPicker from '@/components/shared/TaskPicker.vue'
import { useDoing } from '@/composables/useDoing'
import { useMe } from '@/composables/useMe'
import { useOpenHomes } from '@/composables/usePlaces'
import { emptyChild, isoToday, NEW_PLACE } from '@/logic/newChild'

/** A new child in seven fields: name, born, hand, mouthing, why it comes, what the family wants, where. All else is
 * asked later. What is typed stays until it is kept: over a lost connection, a reload, a closed drawer.
 */
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const queries = useQueryClient()
const places = useOpenHomes()
const { data: me } = useMe()
const draft = useSessionStorage(`new-child of ${me.value?.username}`, emptyChild()) // never the next one's to see
draft.value = { ...emptyChild(), ...draft.value } // one begun before the form had all its fields
const { busy, at, apart, doing } = useDoing()
const atPlace = (field: string): string => at(field) || at(`place.${field}`)
const usualName = computed(() => (draft.value.first_name.trim() ? `${draft.value.first_name.trim()}’s home` : ''))

async function save(): Promise<void> {
  if (busy.value) return
  const { place, home_id, ...rest } = draft.value
  const body = {
    ...rest,
    ...(home_id === NEW_PLACE ? { place: { ...place, name: place.name || usualName.value } } : { home_id }),
  } as Schemas['NewChild']
  const child = await doing(() => unwrap(api.POST('/api/children', { body })))
  if (!child) return
  draft.value = emptyChild()
  for (const key of ['caseload', 'homes'] as const) void queries.invalidateQueries({ queryKey: [key] })
  emit('close')
  await router.push({ name: home_id === NEW_PLACE ? 'stock' : 'child', params: { childId: child.id } })
}
</script>

<template>
  <el-drawer model-value size="min(580px, 100%)" title="Add a child" @close="$emit('close')">
    <el-form label-position="top" novalidate @submit.prevent="save">
      <div class="pair">
        <el-form-item label="First name" :error="at('first_name')"
          ><el-input v-model="draft.first_name" maxlength="60" autofocus
        /></el-form-item>
        <el-form-item label="Born" :error="at('birth_date')">
          <DayField v-model="draft.birth_date" label="Born" :latest="isoToday(new Date())" />
        </el-form-item>
      </div>
      <HandFields v-model="draft" :at="at" />
      <el-form-item label="Why the child comes, in the referral’s or the family’s words" :error="at('referral')"
        ><el-input
          v-model="draft.referral"
          type="textarea"
          :rows="2"
          maxlength="500"
          placeholder="“Can’t do buttons yet; holds the pencil in a fist; snips but can’t follow a line”"
      /></el-form-item>
      <SaidWords v-model="draft" :text="draft.referral" />
      <el-form-item label="What the family wants" :error="at('wanted')"
        ><TaskPicker v-model="draft.wanted"
      /></el-form-item>
      <el-form-item label="Where" :error="at('home_id')">
        <el-select v-model="draft.home_id" aria-label="Where" filterable>
          <el-option :value="NEW_PLACE" label="A new place" />
          <el-option v-for="p in places" :key="p.id" :value="p.id" :label="p.name" />
        </el-select>
      </el-form-item>
      <PlaceFields v-if="draft.home_id === NEW_PLACE" v-model="draft.place" :at="atPlace" :usual="usualName" />
      <ProblemNote :error="apart" />
      <div class="row">
        <PlainButton type="submit" main :disabled="busy">Add</PlainButton>
        <span class="soft small">Allergies and precautions are asked about before the first session.</span>
      </div>
    </el-form>
  </el-drawer>
</template>
