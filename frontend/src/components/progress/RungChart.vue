<script setup lang="ts">
import { useDark, useMediaQuery } from '@vueuse/core'
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { useRouter } from 'vue-router'
import type { Schemas } from '@/api/client'
import { rungChart } from '@/logic/rungChart'

use([
  LineChart,
  ScatterChart,
  CustomChart,
  GridComponent,
  TooltipComponent,
  MarkLineComponent,
  AriaComponent,
  SVGRenderer,
])
const { strand, ladder, wanted } = defineProps<{
  strand: Schemas['StrandProgressOut']
  ladder: Schemas['StrandWords']
  wanted: number | null
}>()
const router = useRouter()
const dark = useDark({ disableTransition: false })
const narrow = useMediaQuery('(max-width: 640px)')
const option = computed(() => {
  const style = getComputedStyle(document.documentElement)
  const colour = (name: string): string => style.getPropertyValue(`--${name}`).trim() + (dark.value ? '' : '')
  return rungChart(strand, ladder, wanted, colour, narrow.value)
})

function open(picked: { data?: unknown }): void {
  const runId = (picked.data as { run?: string } | undefined)?.run
  if (runId) void router.push({ name: 'results', params: { runId } })
}
</script>

<template>
  <VChart class="chart" :option="option" autoresize role="img" :aria-label="strand.words" @click="open" />
  <ol v-if="narrow" class="small rungs" aria-label="The rungs of this ladder">
    <li v-for="r in ladder.rungs" :key="r.number">{{ r.words }}</li>
  </ol>
  <p class="small soft legend">
    <span><b class="stroke"></b>seen: where all days together put the child</span
    ><span><b class="stroke broken"></b>expected from the last session on</span
    ><span><i class="lozenge"></i>one day alone</span
    ><span><i class="ball"></i>set without help (larger: more successful)</span
    ><span><i class="hollow"></i>a set with help</span><span class="harder">▲ an activity made harder</span
    ><span class="easier">▼ made easier</span><span><i class="square"></i>signed note: press to open</span>
  </p>
</template>

<style scoped>
.chart {
  height: 380px;
}
.rungs {
  margin: 0;
  padding-left: 22px;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
i {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 5px;
  border: 1.5px solid var(--caution);
  border-radius: 50%;
}
.ball {
  background: var(--brass);
}
.stroke {
  display: inline-block;
  width: 24px;
  margin-right: 5px;
  vertical-align: middle;
  border-top: 3px solid var(--water);
}
.broken {
  border-top-style: dashed;
  border-top-width: 2px;
}
.lozenge {
  width: 9px;
  height: 9px;
  border-radius: 0;
  border-color: var(--ink-soft);
  transform: rotate(45deg);
}
.square {
  border-radius: 2px;
  border-color: var(--ink-soft);
}
.harder {
  color: var(--ready);
}
.easier {
  color: var(--stuck);
}
</style>
