<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { api, unwrap } from '@/api/client'
import { useDoing } from '@/composables/useDoing'

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
    <button type="button" class="plain-button" @click="open = true">
      {{ words ? 'Change how this family says it' : 'Say it in this family’s words' }}
    </button>
    <button v-if="words" type="button" class="plain-button" :disabled="busy" @click="keep('')">
      Back to the usual
    </button>
  </p>
  <el-form v-else class="no-print" @submit.prevent="keep(words)">
    <el-form-item label="What this family says" :error="at('words')">
      <el-input v-model="words" maxlength="120" :placeholder="usual" />
    </el-form-item>
    <p v-if="apart" class="wrong" role="alert">{{ apart.message }}</p>
    <button class="plain-button main" :disabled="busy">Keep</button>
    <button type="button" class="plain-button" @click="open = false">Cancel</button>
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
