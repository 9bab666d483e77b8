<script setup lang="ts">
import { useElementSize, useMediaQuery } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Schemas } from '@/api/client'
import { band, line, ofDay, ofPoint, ofSet, plot, type Frame, type Mark } from '@/logic/rungPlot'
import { dayWords } from '@/logic/words'

/**
 * The rung over time. What was seen: each day's sets at the rung they asked, what each day alone says, and the line
 * through all of it with its doubt. What is expected: broken, with a doubt of its own, from the last day on. Along the
 * foot changes of grade and signed notes; across, the rung a wanted task requires.
 */
const { strand, ladder, wanted } = defineProps<{
  strand: Schemas['StrandProgressOut']
  ladder: Schemas['StrandWords']
  wanted: number | null
}>()
const { t } = useI18n()
const HEIGHT = 380
const SAID = { harder: 'made harder', easier: 'made easier', note: 'signed note' }
const narrow = useMediaQuery('(max-width: 640px)')
const { width } = useElementSize(useTemplateRef('chart'))
const frame = computed<Frame>(() => ({
  left: narrow.value ? 30 : 250,
  right: narrow.value ? 10 : 24,
  top: 14,
  bottom: 34,
}))
const p = computed(() => plot(strand, ladder.rungs.length, wanted, Math.max(width.value, 320), HEIGHT, frame.value))
const foot = computed(() => HEIGHT - frame.value.bottom)
const end = computed(() => Math.max(width.value, 320) - frame.value.right)
const marked = computed(() =>
  strand.marked.map((m) => ({
    ...m,
    x: p.value.x(m.on),
    y: foot.value - (m.kind === 'note' ? 26 : 9),
    said: `${dayWords(m.on)}: ${SAID[m.kind]}. ${m.words}`,
  })),
)
/** Sets, days alone, and the points of both lines, drawn in this order. */
const dots = computed(() => [
  ...strand.sets.map(ofSet(p.value)).map((m) => ({ ...m, kind: 'ball', hollow: !m.alone, size: m.r * 2 })),
  ...strand.days.map(ofDay(p.value)).map((m) => ({ ...m, kind: 'lozenge', hollow: false, size: 9 })),
  ...strand.expected.map(ofPoint(p.value, 'expected')).map((m) => ({ ...m, kind: 'point', hollow: true, size: 9 })),
  ...strand.points
    .map(ofPoint(p.value, 'by everything seen'))
    .map((m) => ({ ...m, kind: 'point', hollow: false, size: 9 })),
])
const shown = ref<Mark | null>(null)
const words = (rung: number): string => (narrow.value ? '' : (ladder.rungs[rung - 1]?.words ?? ''))
</script>

<template>
  <div ref="chart" class="chart" role="group" :aria-label="strand.words" @mouseleave="shown = null">
    <p
      v-for="r in p.rungs"
      v-show="ladder.rungs[r - 1]"
      :key="r"
      class="rung small soft"
      :style="{ top: `${p.y(r)}px`, width: `${frame.left - 12}px` }"
    >
      {{ r }} <template v-if="words(r)">&nbsp;{{ words(r) }}</template>
    </p>
    <svg :width="Math.max(width, 320)" :height="HEIGHT" aria-hidden="true">
      <line v-for="r in p.rungs" :key="r" class="grid" :x1="frame.left" :x2="end" :y1="p.y(r)" :y2="p.y(r)" />
      <line class="axis" :x1="frame.left" :x2="end" :y1="foot" :y2="foot" />
      <text v-for="tick in p.ticks" :key="tick.on" :x="tick.x" :y="foot + 22" text-anchor="middle">
        {{ tick.words }}
      </text>
      <polygon class="doubt" :points="band(p, strand.points)" />
      <polygon class="doubt ahead" :points="band(p, strand.expected)" />
      <template v-if="wanted !== null">
        <line class="wanted" :x1="frame.left" :x2="end" :y1="p.y(wanted)" :y2="p.y(wanted)" />
        <text :x="frame.left + 6" :y="p.y(wanted) - 6">{{ t('rungs.wanted') }}</text>
      </template>
      <polyline class="seen broken" :points="line(p, strand.expected)" />
      <polyline class="seen" :points="line(p, strand.points)" />
    </svg>
    <button
      v-for="(m, i) in dots"
      :key="i"
      type="button"
      :class="['mark', m.kind, { hollow: m.hollow }]"
      :style="{ left: `${m.x}px`, top: `${m.y}px`, width: `${m.size}px`, height: `${m.size}px` }"
      tabindex="-1"
      :aria-label="m.said"
      @mouseenter="shown = m"
      @focus="shown = m"
    ></button>
    <component
      :is="m.run_id ? 'RouterLink' : 'button'"
      v-for="(m, i) in marked"
      :key="`marked${i}`"
      :to="m.run_id ? { name: 'results', params: { runId: m.run_id } } : undefined"
      :type="m.run_id ? undefined : 'button'"
      :class="['mark', 'sign', m.kind]"
      :style="{ left: `${m.x}px`, top: `${m.y}px` }"
      :aria-label="m.said"
      @mouseenter="shown = m"
      @focus="shown = m"
      >{{ m.kind === 'note' ? '■' : m.kind === 'harder' ? '▲' : '▼' }}</component
    >
    <p
      v-if="shown"
      class="said sheet small"
      :class="{ left: shown.x > end * 0.6 }"
      :style="{ left: `${shown.x}px`, top: `${shown.y}px` }"
    >
      {{ shown.said }}
    </p>
  </div>
  <ol v-if="narrow" class="small rungs" aria-label="The rungs of this ladder">
    <li v-for="r in ladder.rungs" :key="r.number">{{ r.words }}</li>
  </ol>
  <p class="small soft legend">
    <span><b class="stroke"></b>{{ t('rungs.seen') }}</span
    ><span><b class="stroke broken"></b>{{ t('rungs.expected') }}</span
    ><span><i class="lozenge"></i>{{ t('rungs.day') }}</span
    ><span><i class="ball"></i>{{ t('rungs.alone') }}</span
    ><span><i class="hollow"></i>{{ t('rungs.helped') }}</span
    ><span class="harder">▲ {{ t('rungs.harder') }}</span
    ><span class="easier">▼ {{ t('rungs.easier') }}</span
    ><span><i class="square"></i>{{ t('rungs.note') }}</span>
  </p>
</template>

<style scoped>
.chart {
  position: relative;
  height: 380px;
}
.rung {
  position: absolute;
  left: 0;
  margin: 0;
  transform: translateY(-50%);
  line-height: 1.15;
}
text {
  fill: var(--ink-soft);
  font-size: 13px;
}
.grid {
  stroke: var(--line);
}
.axis {
  stroke: var(--line-strong);
}
.wanted {
  stroke: var(--caution);
  stroke-width: 2;
}
.doubt {
  fill: var(--water);
  opacity: 0.2;
}
.doubt.ahead {
  opacity: 0.1;
}
.seen {
  fill: none;
  stroke: var(--water);
  stroke-width: 3;
}
.seen.broken {
  stroke-width: 2;
  stroke-dasharray: 6 5;
}
.mark {
  position: absolute;
  padding: 0;
  transform: translate(-50%, -50%);
  border: 1px solid var(--caution);
  border-radius: 50%;
  background: var(--brass);
}
.mark.hollow {
  background: var(--sheet);
}
.mark.point {
  border: 2px solid var(--water);
  background: var(--water);
}
.mark.point.hollow {
  background: var(--sheet);
}
.mark.lozenge {
  border: 1.5px solid var(--ink-soft);
  border-radius: 0;
  background: var(--sheet);
  transform: translate(-50%, -50%) rotate(45deg);
}
.mark.sign {
  border: none;
  background: none;
  color: var(--ink-soft);
  font-size: 13px;
  line-height: 1;
  text-decoration: none;
}
.mark.harder {
  color: var(--ready);
}
.mark.easier {
  color: var(--stuck);
}
.said {
  position: absolute;
  z-index: 2;
  width: max-content;
  max-width: 280px;
  margin: 0;
  padding: 6px 10px;
  transform: translate(12px, -110%);
  border: 1px solid var(--line-strong);
  pointer-events: none;
}
.said.left {
  transform: translate(calc(-100% - 12px), -110%);
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
