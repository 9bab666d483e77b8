import type { EChartsOption } from 'echarts'
import type { Schemas } from '@/api/client'
import { dayWords } from './words'

const FONT = "'Atkinson Hyperlegible', sans-serif"

const MARKS: Record<string, string> = { harder: 'triangle', easier: 'triangle', note: 'rect' }
const SAID: Record<string, string> = { harder: 'Made harder', easier: 'Made easier', note: 'Signed note' }

/**
 * The rung over time. What was seen: each day's sets at the rung they asked, what each day alone says, and the line
 * through all of it with its doubt. What is expected: broken, with a doubt of its own, from the last day on. Along the
 * foot changes of grade and signed notes; across, the rung a wanted task requires. narrow: rungs by number only.
 */
export function rungChart(
  strand: Schemas['StrandProgressOut'],
  ladder: Schemas['StrandWords'],
  wanted: number | null,
  colour: (name: string) => string,
  narrow = false,
): EChartsOption {
  const day = (on: string): number => Date.parse(`${on}T12:00:00`)
  const points = [...strand.points, ...strand.expected]
  const low = Math.floor(Math.min(...points.map((p) => p.mean - p.sd), ...strand.sets.map((s) => s.difficulty)) - 0.3)
  const high = Math.min(
    ladder.rungs.length + 1,
    Math.ceil(
      Math.max(...points.map((p) => p.mean + p.sd), ...strand.sets.map((s) => s.difficulty), wanted ?? 0) + 0.3,
    ),
  )
  const text = { color: colour('ink-soft'), fontFamily: FONT, fontSize: 13 }
  const words = (rung: number): string => {
    const found = ladder.rungs[rung - 1]
    if (!found) return ''
    if (narrow) return `${rung}`
    return `${rung}  ${found.words}`
  }
  const band = (of: Schemas['PointOut'][], stack: string, opacity: number) =>
    [-1, 1].map((sign) => ({
      type: 'line' as const,
      data: of.map((p) => [day(p.on), sign < 0 ? p.mean - p.sd : 2 * p.sd]),
      stack,
      stackStrategy: 'all' as const,
      symbol: 'none',
      lineStyle: { opacity: 0 },
      areaStyle: sign < 0 ? undefined : { color: colour('water'), opacity },
      silent: true,
    }))
  const said = (p: Schemas['PointOut'], how: string) => ({
    value: [day(p.on), p.mean],
    said: `${dayWords(p.on)}\n${how}: rung ${p.mean.toFixed(1)}, give or take ${p.sd.toFixed(1)}`,
  })
  const tooltip = { formatter: (p: unknown) => (p as { data: { said: string } }).data.said }
  return {
    animation: false,
    aria: { enabled: true },
    textStyle: { fontFamily: FONT },
    grid: { left: narrow ? 30 : 250, right: narrow ? 10 : 24, top: 14, bottom: 34 },
    tooltip: {
      trigger: 'item',
      renderMode: 'richText',
      backgroundColor: colour('sheet'),
      borderColor: colour('line-strong'),
      textStyle: { color: colour('ink'), fontFamily: FONT },
    },
    xAxis: {
      type: 'time',
      axisLabel: { ...text, formatter: (v: number) => dayWords(new Date(v).toISOString()), hideOverlap: true },
      axisLine: { lineStyle: { color: colour('line-strong') } },
    },
    yAxis: {
      type: 'value',
      min: low,
      max: high,
      interval: 1,
      axisLabel: { ...text, formatter: words, width: narrow ? 18 : 236, overflow: 'break', lineHeight: 15 },
      splitLine: { lineStyle: { color: colour('line') } },
    },
    series: [
      ...band(strand.points, 'doubt', 0.2),
      ...band(strand.expected, 'ahead', 0.1),
      {
        type: 'scatter',
        name: 'sets',
        symbol: (_v, p) => ((p.data as { alone: boolean }).alone ? 'circle' : 'emptyCircle'),
        data: strand.sets.map((s) => ({
          value: [day(s.on), s.difficulty],
          alone: s.support === 'alone',
          symbolSize: 6 + 12 * (s.successes / Math.max(1, s.tries)),
          itemStyle: { color: colour('brass'), borderColor: colour('caution'), borderWidth: 1 },
          said: `${dayWords(s.on)}  ${s.name}\n${s.successes} of ${s.tries} ${s.support_words}\nrung ${s.difficulty.toFixed(1)}: ${s.grade_words.join(', ')}`,
        })),
        tooltip,
      },
      {
        type: 'scatter',
        name: 'marked',
        data: strand.marked.map((m) => ({
          value: [day(m.on), low],
          symbol: MARKS[m.kind],
          symbolRotate: m.kind === 'easier' ? 180 : 0,
          symbolSize: m.kind === 'note' ? 12 : 11,
          symbolOffset: [0, m.kind === 'note' ? -24 : -9],
          itemStyle: {
            color: colour(m.kind === 'note' ? 'sheet' : m.kind === 'harder' ? 'ready' : 'stuck'),
            borderColor: colour(m.kind === 'note' ? 'ink-soft' : 'sheet'),
            borderWidth: m.kind === 'note' ? 2 : 1,
          },
          said: `${dayWords(m.on)}  ${SAID[m.kind]}\n${m.words}`,
          run: m.run_id,
        })),
        tooltip,
      },
      {
        type: 'scatter',
        name: 'days',
        data: strand.days.map((d) => ({
          value: [day(d.on), Math.max(low, Math.min(high, d.value))],
          said: `${dayWords(d.on)}\nthis day alone says rung ${d.value.toFixed(1)}`,
        })),
        symbol: 'diamond',
        symbolSize: 10,
        itemStyle: { color: colour('sheet'), borderColor: colour('ink-soft'), borderWidth: 1.5 },
        tooltip,
      },
      {
        type: 'line',
        name: 'expected',
        data: strand.expected.map((p) => said(p, 'expected')),
        symbol: 'emptyCircle',
        symbolSize: 7,
        lineStyle: { color: colour('water'), width: 2, type: 'dashed' },
        itemStyle: { color: colour('water') },
        tooltip,
      },
      {
        type: 'line',
        name: 'rung',
        data: strand.points.map((p) => said(p, 'by everything seen')),
        symbolSize: 8,
        lineStyle: { color: colour('water'), width: 3 },
        itemStyle: { color: colour('water') },
        tooltip,
        markLine: wanted
          ? {
              silent: true,
              symbol: 'none',
              lineStyle: { color: colour('caution'), width: 2 },
              label: { formatter: 'a wanted task requires this', position: 'insideStartTop', ...text },
              data: [{ yAxis: wanted }],
            }
          : undefined,
      },
    ],
  }
}
