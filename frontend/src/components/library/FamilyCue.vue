<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { api, unwrap } from '@/api/client'
import { useDoing } from '@/composables/useDoing'
import PlainButton from '@/components/shared/PlainButton.vue'

/** What this family says in place of the spoken cue: on plans, at the table and on every sheet. */
const { childId, activityId, said, usual } = defineProps<{
  childId: number
  activityId: string
  said: string
  usual: string
}>()
const queries = useQueryClient()
const open = ref(false)
const words = ref(said)
const { busy, at, apart, doing } = useDoing()
watch(
  () => said,
  (now) => (words.value = now),
)

async function keep(to: string): Promise<void> {
  const body = { activity_id: activityId, words: to }
  const kept = await doing(() =>
    unwrap(api.PUT('/api/children/{child_id}/cue', { params: { path: { child_id: childId } }, body })),
  )
  if (!kept) return
  words.value = kept.words
  open.value = false
  for (const key of ['library', 'here', 'plan'] as const) void queries.invalidateQueries({ queryKey: [key] })
}
</script>

<template>
  <p v-if="!open" class="no-print">
    <PlainButton @click="open = true">
      {{ words ? 'Change how this family says it' : 'Say it in this family’s words' }}
    </PlainButton>
    <PlainButton v-if="words" :disabled="busy" @click="keep('')"> Back to the usual </PlainButton>
  </p>
  <el-form v-else class="no-print" @submit.prevent="keep(words)">
    <el-form-item label="What this family says" :error="at('words')">
      <el-input v-model="words" maxlength="120" :placeholder="usual" />
    </el-form-item>
    <p v-if="apart" class="wrong" role="alert">{{ apart.message }}</p>
    <PlainButton type="submit" main :disabled="busy">Keep</PlainButton>
    <PlainButton @click="open = false">Cancel</PlainButton>
  </el-form>
</template>

<style scoped>
p,
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: start;
  margin-top: 6px;
}
form > :first-child {
  flex: 1 1 220px;
  margin: 0;
}
.wrong {
  color: var(--barred);
}
</style>
