<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, told } from '@/api/client'
import GoalsPanel from '@/components/GoalsPanel.vue'
import MeasureLines from '@/components/MeasureLines.vue'
import ProblemNote from '@/components/ProblemNote.vue'
import TargetSign from '@/components/TargetSign.vue'
import type { Child } from '@/composables/useChild'
import { useWords } from '@/composables/useWords'

const RungChart = defineAsyncComponent(() => import('@/components/RungChart.vue'))
const { child } = defineProps<{ child: Child }>()
const words = useWords()
const { data, error } = useQuery({
  queryKey: ['progress', () => child.id],
  queryFn: () => told(api.GET('/api/children/{child_id}/progress', { params: { path: { child_id: child.id } } })),
})
const chosen = ref<string | null>(null)
const strand = computed(() => data.value?.strands.find((s) => s.strand === chosen.value) ?? data.value?.strands[0])
const ladder = computed(() => words.value?.strands.find((s) => s.id === strand.value?.strand))
const wanted = computed(() => Math.max(0, ...(words.value?.wanted_tasks ?? []).filter((t) => child.wanted.includes(t.id)).map((t) => t.demands[strand.value?.strand ?? ''] ?? 0)) || null)
const signs: Record<string, string> = { up: '▲', down: '▼', steady: '■', too_few: '·' }
</script>

<template>
  <ProblemNote :error="error" />
  <div v-if="data" class="stack">
    <p class="headline">{{ data.headline }}</p>
    <div v-if="strand && ladder" class="split">
      <ul class="strands" aria-label="Strands">
        <li v-for="s in data.strands" :key="s.strand">
          <button type="button" :aria-pressed="s.strand === strand.strand" @click="chosen = s.strand">
            <TargetSign :target="s.target" :size="20" />
            <span>{{ s.name }}</span>
            <span class="tag" :class="s.kind">{{ signs[s.kind] }} {{ s.kind === 'too_few' ? 'too few' : `${s.change >= 0 ? '+' : ''}${s.change.toFixed(1)}` }}</span>
          </button>
        </li>
        <li class="small soft hint">Rungs from the first day to the last.</li>
      </ul>
      <section class="sheet stack">
        <h2 class="row"><TargetSign :target="strand.target" :size="28" /> {{ strand.name }}</h2>
        <p>{{ strand.words }} <span v-if="strand.per_week != null" class="soft">Median slope {{ strand.per_week.toFixed(2) }} rungs a week (Sen 1968); trend test p {{ strand.p! < 0.01 ? "< 0.01" : `= ${strand.p!.toFixed(2)}` }} (Mann-Kendall), a rough guide since each estimate leans on the one before.</span></p>
        <RungChart :strand="strand" :ladder="ladder" :wanted="wanted" />
        <MeasureLines :series="strand.measures" :hands="strand.hands" />
      </section>
    </div>
    <GoalsPanel :child-id="child.id" />
  </div>
</template>

<style scoped>
.headline {
  font-size: var(--step-3);
  max-width: 62ch;
}
.split {
  display: grid;
  grid-template-columns: 300px 1fr;
  gap: var(--gap-4);
  align-items: start;
}
.strands {
  list-style: none;
  margin: 0;
  padding: 0;
}
.strands button {
  width: 100%;
  min-height: var(--touch);
  display: grid;
  grid-template-columns: 22px 1fr auto;
  gap: 8px;
  align-items: center;
  text-align: left;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font-size: var(--step-1);
  cursor: pointer;
}
.strands button[aria-pressed='true'] {
  background: var(--board);
  box-shadow: inset 4px 0 var(--brass);
}
.hint {
  padding: 8px;
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
