<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, unwrap, type Schemas } from '@/api/client'
import PlainButton from '@/components/shared/PlainButton.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'

/** Plans for many children made in the background, with progress, then looked at one by one. */
const { children } = defineProps<{ children: number[] }>()
const queries = useQueryClient()
const router = useRouter()
const error = ref<Error | null>(null)
const { data: batch } = useQuery({
  queryKey: ['batch'],
  queryFn: () => unwrap(api.GET('/api/batches/latest')),
  refetchInterval: (query) => (query.state.data && query.state.data.done < query.state.data.total ? 1000 : false),
})
const open = computed(() => (batch.value?.lines ?? []).filter((l) => !l.seen))
const working = computed(() => Boolean(batch.value && batch.value.done < batch.value.total))

async function ask(): Promise<void> {
  error.value = null
  try {
    queries.setQueryData(['batch'], await unwrap(api.POST('/api/batches', { body: { children } })))
  } catch (problem) {
    error.value = problem as Error
  }
}

async function look(line: Schemas['BatchLineOut']): Promise<void> {
  await unwrap(api.POST('/api/batch-lines/{line_id}/seen', { params: { path: { line_id: line.id } } }))
  void queries.invalidateQueries({ queryKey: ['batch'] })
  await router.push(
    line.plan_id
      ? { name: 'bench', params: { planId: line.plan_id } }
      : { name: 'ask', params: { childId: line.child_id } },
  )
}
</script>

<template>
  <section :class="{ sheet: working || open.length }" aria-label="Plans made in the background">
    <div class="row">
      <PlainButton :disabled="!children.length || working" @click="ask">
        {{ children.length === 1 ? 'Plan this one' : `Plan these ${children.length}` }} in the background
      </PlainButton>
      <template v-if="batch && (working || open.length)">
        <progress
          :value="batch.done"
          :max="batch.total"
          :aria-label="`${batch.done} of ${batch.total} planned`"
        ></progress>
        <span class="soft"
          >{{ batch.done }} of {{ batch.total }} planned{{
            open.length && !working ? `, ${open.length} to look at` : ''
          }}</span
        >
      </template>
    </div>
    <ProblemNote :error="error" />
    <ul v-if="open.length && !working">
      <li v-for="line in open" :key="line.id">
        <PlainButton :class="{ main: line.status === 'planned' }" @click="look(line)">
          {{ line.child_name }}
        </PlainButton>
        <span class="small">{{ line.status === 'planned' ? line.blocks.join(', ') : line.words }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(420px, 100%), 1fr));
  gap: 6px var(--gap-4);
}
li {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: var(--gap-3);
  align-items: center;
}
progress {
  width: 180px;
  accent-color: var(--water);
}
</style>
