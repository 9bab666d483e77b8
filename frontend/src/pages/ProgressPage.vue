<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, ref } from 'vue'
import { api, unwrap } from '@/api/client'
import GoalsPanel from '@/components/progress/GoalsPanel.vue'
import HandBars from '@/components/progress/HandBars.vue'
import HelpFade from '@/components/progress/HelpFade.vue'
import LadderMoves from '@/components/progress/LadderMoves.vue'
import MeasureLines from '@/components/progress/MeasureLines.vue'
import ProblemNote from '@/components/shared/ProblemNote.vue'
import TargetSign from '@/components/shared/TargetSign.vue'
import WorthFinding from '@/components/progress/WorthFinding.vue'
import type { Child } from '@/composables/useChild'
import { useWords } from '@/composables/useWords'

const RungChart = defineAsyncComponent(() => import('@/components/progress/RungChart.vue'))
const { child } = defineProps<{ child: Child }>()
const words = useWords()
const { data, error } = useQuery({
  queryKey: ['progress', () => child.id],
  queryFn: () => unwrap(api.GET('/api/children/{child_id}/progress', { params: { path: { child_id: child.id } } })),
})
const chosen = ref<string | null>(null)
const strand = computed(() => data.value?.strands.find((s) => s.strand === chosen.value) ?? data.value?.strands[0])
const ladder = computed(() => words.value?.strands.find((s) => s.id === strand.value?.strand))
</script>

<template>
  <ProblemNote :error="error" />
  <div v-if="data" class="stack">
    <p class="headline">{{ data.headline }}</p>
    <div v-if="strand && ladder" class="split">
      <LadderMoves
        :model-value="strand.strand"
        :strands="data.strands"
        :wanted="child.wanted_rungs"
        @update:model-value="chosen = $event"
      />
      <section class="sheet stack">
        <h2 class="row"><TargetSign :target="strand.target" :size="28" /> {{ strand.name }}</h2>
        <p>{{ strand.words }}</p>
        <p v-if="strand.per_week != null" class="soft small">
          From each day's sets alone: median slope {{ strand.per_week.toFixed(2) }} rungs a week (Sen 1968) · trend test
          p {{ strand.p! < 0.01 ? '< 0.01' : `= ${strand.p!.toFixed(2)}` }} (Mann-Kendall) ·
          <template v-if="strand.nonoverlap != null"
            >non-overlap of all pairs (NAP) {{ Math.round(strand.nonoverlap * 100) }} %: later days above the first
            three (Parker &amp; Vannest 2009)</template
          ><template v-else>too few sessions to compare</template>
        </p>
        <RungChart :strand="strand" :ladder="ladder" :wanted="child.wanted_rungs[strand.strand] ?? null" />
        <div class="beside"><HelpFade :days="strand.help" /><HandBars :hands="strand.hands" /></div>
        <MeasureLines :series="strand.measures" />
      </section>
    </div>
    <WorthFinding :child="child" />
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
.beside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: var(--gap-3);
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
