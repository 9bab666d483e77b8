<script setup lang="ts">
import { useDark } from '@vueuse/core'
import { CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import { AriaComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import type { Schemas } from '@/api/client'
import { rungChart } from '@/logic/rungChart'

use([LineChart, ScatterChart, CustomChart, GridComponent, TooltipComponent, MarkLineComponent, AriaComponent, SVGRenderer])
const { strand, ladder, wanted } = defineProps<{ strand: Schemas['StrandProgressOut']; ladder: Schemas['StrandWords']; wanted: number | null }>()
const dark = useDark({ disableTransition: false })
const option = computed(() => {
  const style = getComputedStyle(document.documentElement)
  const colour = (name: string): string => style.getPropertyValue(`--${name}`).trim() + (dark.value ? '' : '')
  return rungChart(strand, ladder, wanted, colour)
})
</script>

<template>
  <VChart class="chart" :option="option" autoresize role="img" :aria-label="strand.words" />
</template>

<style scoped>
.chart {
  height: 380px;
}
</style>
