<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, unwrap } from '@/api/client'
import { dayWords } from '@/logic/words'

/** How this plan differs from the last session that was run. */
const { planId, version } = defineProps<{ planId: string; version: number }>()
const { data } = useQuery({
  queryKey: ['against', () => planId, () => version],
  queryFn: () => unwrap(api.GET('/api/plans/{plan_id}/against-last', { params: { path: { plan_id: planId } } })),
})
const signs: Record<string, string> = { new: '+', gone: '−', harder: '▲', easier: '▽', other: '↔', same: '=' }
const lines = computed(() => (data.value?.lines ?? []).filter((l) => l.kind !== 'gone'))
const gone = computed(() => (data.value?.lines ?? []).filter((l) => l.kind === 'gone').map((l) => l.name))
</script>

<template>
  <section v-if="data?.on" class="sheet" aria-label="Against last time">
    <h3>Against {{ dayWords(data.on) }}</h3>
    <ul>
      <li v-for="l in lines" :key="l.activity_id">
        <span class="sign" aria-hidden="true">{{ signs[l.kind] }}</span><strong>{{ l.name }}</strong> {{ l.words }}
      </li>
    </ul>
    <p v-if="gone.length" class="small soft">Not this time: {{ gone.join(', ') }}</p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0;
  padding: 0;
  font-size: var(--step-0);
}
.sign {
  display: inline-block;
  width: 1.4em;
  color: var(--water);
  font-weight: 700;
}
</style>
