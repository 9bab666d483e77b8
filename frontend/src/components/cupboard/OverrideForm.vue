<script setup lang="ts">
import { ref } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import { useChildChanged } from '@/composables/useChild'

const { childId, rule } = defineProps<{ childId: number; rule: string }>()
const changed = useChildChanged()
const open = ref(false)
const reason = ref('')
const error = ref<Error | null>(null)

async function allow(): Promise<void> {
  error.value = null
  try {
    changed(
      await unwrap(
        api.POST('/api/children/{child_id}/overrides', {
          params: { path: { child_id: childId } },
          body: { rule, reason: reason.value },
        }),
      ),
    )
  } catch (problem) {
    error.value = problem as Error
  }
}
</script>

<template>
  <div class="stack">
    <PlainButton v-if="!open" class="open" @click="open = true">
      Allow, with an adult within arm’s reach and a reason…
    </PlainButton>
    <form v-else class="row" @submit.prevent="allow">
      <el-input
        v-model="reason"
        class="reason"
        maxlength="300"
        placeholder="Who watches, and why it is all right"
        aria-label="Reason for allowing it"
      />
      <PlainButton type="submit" main>Allow</PlainButton>
      <PlainButton @click="open = false">Leave it barred</PlainButton>
    </form>
    <ProblemNote :error="error" />
  </div>
</template>

<style scoped>
.open {
  justify-self: start;
}
.reason {
  width: 340px;
}
</style>
