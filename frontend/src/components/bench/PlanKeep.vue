<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap } from '@/api/client'
import type { Plan } from '@/composables/useBench'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'

/** On paper, as a favourite, or as the start of another plan. */
const { plan } = defineProps<{ plan: Plan }>()
const emit = defineEmits<{ named: [plan: Plan] }>()
const router = useRouter()
const name = ref(plan.name)
const error = ref<Error | null>(null)
const path = { plan_id: plan.id ?? '' }

async function keep(as: string): Promise<void> {
  error.value = null
  try {
    emit(
      'named',
      await unwrap(
        api.PUT('/api/plans/{plan_id}/name', { params: { path }, body: { name: as, version: plan.version } }),
      ),
    )
    name.value = as
  } catch (problem) {
    error.value = problem as Error
  }
}

async function copy(): Promise<void> {
  const made = await unwrap(api.POST('/api/plans/{plan_id}/copy', { params: { path } }))
  await router.push({ name: 'bench', params: { planId: made.id ?? '' } })
}
</script>

<template>
  <section class="sheet stack" aria-label="Keep and print">
    <div class="row">
      <PlainButton :href="`/api/plans/${plan.id}/sheet`" target="_blank" rel="noopener">Prep sheet</PlainButton>
      <PlainButton :href="`/api/plans/${plan.id}/sheet.pdf`" target="_blank" rel="noopener">PDF</PlainButton>
      <PlainButton :href="`/api/plans/${plan.id}/strip`" target="_blank" rel="noopener">The child's strip</PlainButton>
      <PlainButton @click="copy">Start another from this</PlainButton>
    </div>
    <form class="row" @submit.prevent="keep(name)">
      <el-input
        v-model="name"
        class="name"
        maxlength="60"
        placeholder="Favourite name"
        aria-label="Name of a favourite"
      />
      <PlainButton type="submit" :disabled="!name || name === plan.name">Keep</PlainButton>
      <PlainButton v-if="plan.name" @click="keep('')">Remove from favourites</PlainButton>
    </form>
    <ProblemNote :error="error" />
  </section>
</template>

<style scoped>
.name {
  width: 150px;
}
a {
  display: inline-grid;
  place-items: center;
  text-decoration: none;
}
</style>
