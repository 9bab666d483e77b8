<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, unwrap } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'

const { homeId, childId } = defineProps<{ homeId: number; childId: number }>()
const emit = defineEmits<{ added: [] }>()
const { data: things } = useQuery({
  queryKey: ['things'],
  queryFn: () => unwrap(api.GET('/api/things')),
  staleTime: Infinity,
})
const chosen = ref('')
const count = ref(1)
const error = ref<Error | null>(null)
const picked = computed(() => things.value?.find((m) => m.id === chosen.value))
watch(picked, (m) => (count.value = m?.typical_count ?? 1))

async function add(): Promise<void> {
  error.value = null
  try {
    const body = { thing_id: chosen.value, count: count.value, measured: {} }
    await unwrap(
      api.POST('/api/homes/{home_id}/cupboard', {
        params: { path: { home_id: homeId }, query: { child_id: childId } },
        body,
      }),
    )
    chosen.value = ''
    emit('added')
  } catch (problem) {
    error.value = problem as Error
  }
}
</script>

<template>
  <form class="row" novalidate @submit.prevent="add">
    <el-select v-model="chosen" class="what" filterable placeholder="Add a thing…" aria-label="Add a thing">
      <el-option v-for="m in things" :key="m.id" :value="m.id" :label="m.name"
        ><span>{{ m.name }}</span> <span class="soft small">{{ m.measure_words }}</span></el-option
      >
    </el-select>
    <el-input-number v-if="chosen" v-model="count" class="count" :min="0" :max="9999" aria-label="How many" />
    <PlainButton type="submit" :class="{ main: chosen }" :disabled="!chosen">Add</PlainButton>
    <ProblemNote :error="error" />
  </form>
</template>

<style scoped>
.what {
  width: 280px;
}
.count {
  width: 116px;
}
</style>
