// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import LearnedFindings from '@/components/people/LearnedFindings.vue'
import LearnedPage from '@/pages/LearnedPage.vue'
import { band, line, ofDay, plot } from '@/logic/rungPlot'
import RungChart from './RungChart.vue'
import { answers, button, Refusal, shown } from '@/testing/mounted'
import WorthFinding from './WorthFinding.vue'

const child = { id: 4, first_name: 'Ada', wanted: ['zip'], home: { id: 1, name: 'Home' }, also_at: [] }
const question = {
  strand: 'hold',
  name: 'Sustained grip',
  task: 'scissors',
  task_name: 'Cut out what is asked at school',
  demanded: 2,
  mean: 2.4,
  sd: 0.9,
  costs: 0.2,
  due: '2026-03-02',
  now: true,
  seen_on: null,
  words: 'Now: sustained grip, rung 2: 3 in 10 that it is short, never looked at.',
}

describe('what is worth finding out', () => {
  it('says which doubt costs a task most, with a picture in words, and offers another look', async () => {
    answers({
      'GET /api/children/4/to-find-out': [
        question,
        { ...question, strand: 'pinch', name: 'Pinch', now: false, due: '2026-05-04' },
      ],
    })
    const page = shown(WorthFinding, { child })
    await flushPromises()
    expect(page.text()).toContain('Sustained grip')
    expect(page.get('svg').attributes('aria-label')).toBe('Needs rung 2; thought to be at 2.4, give or take 0.9')
    expect(page.text()).toContain('Later: pinch from 4 May')
    expect(page.text()).toContain('Another look')
  })

  it('is not shown where nothing is asked', async () => {
    answers({ 'GET /api/children/4/to-find-out': [] })
    const page = shown(WorthFinding, { child })
    await flushPromises()
    expect(page.find('section').exists()).toBe(false)
  })
})

const finding = {
  kind: 'base',
  words: 'Load the barge, stabilise and act',
  unit: 'rung',
  library: 2.1,
  found: 2.5,
  sd: 0.2,
  moved: 2,
  children: 6,
  tries: 480,
  activity_id: 'load_the_barge',
}
const version = {
  id: 9,
  number: 1,
  name: '1, 2 Mar 2026',
  status: 'proposed',
  made_at: '2026-03-02T02:30:00Z',
  decided_by: '',
  decided_at: null,
  why: '',
  children: 6,
  tries: 480,
  findings: [finding],
}

describe('what the children taught the library', () => {
  it('says how far each thing is from the library, the surest first', () => {
    const page = shown(LearnedFindings, {
      findings: [
        { ...finding, words: 'Unsure', moved: 0.5 },
        finding,
        { ...finding, kind: 'seconds', words: 'Slow', library: 1, found: 1.4, unit: 'times' },
        { ...finding, kind: 'help', words: 'Help: touch cue', library: 1, found: 1.2, unit: 'rungs easier' },
      ],
    })
    expect(page.findAll('li .name').map((n) => n.text())).toEqual([
      'Load the barge, stabilise and act',
      'Unsure',
      'Help: touch cue',
      'Slow',
    ])
    for (const words of ['harder by 0.40 rung', '1.40 times as long', 'helps more by 0.20 rung'])
      expect(page.text()).toContain(words)
    expect(page.findAll('circle.clear')).toHaveLength(3)
  })

  it('is accepted, or held back only with its reason', async () => {
    const calls = answers({
      'GET /api/library/learned': { in_use: null, proposed: version, earlier: [], fewest_children: 3 },
      'POST /api/library/learned/9/answer': new Refusal(422, 'why', 'A version is held back with its reason.'),
    })
    const page = shown(LearnedPage, {})
    await flushPromises()
    expect(page.text()).toContain('In use: the library as it ships')
    await button(page, 'Hold it back…').trigger('click')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('held back with its reason')
    await button(page, 'Cancel').trigger('click')
    await button(page, 'Accept').trigger('click')
    await flushPromises()
    expect(calls.filter((c) => c.route.endsWith('answer')).map((c) => c.body)).toEqual([
      { status: 'held', why: '' },
      { status: 'accepted', why: '' },
    ])
  })

  it('is worked out when asked for, and says so meanwhile', async () => {
    const routes: Record<string, unknown> = {
      'GET /api/library/learned': { in_use: null, proposed: null, earlier: [], fewest_children: 3 },
      'POST /api/library/learned': null,
    }
    answers(routes)
    const page = shown(LearnedPage, {})
    await flushPromises()
    expect(page.text()).toContain('at least 3 children')
    await button(page, 'Work it out now').trigger('click')
    await flushPromises()
    expect(page.text()).toContain('Working it out')
    routes['GET /api/library/learned'] = { in_use: null, proposed: version, earlier: [], fewest_children: 3 }
    await vi.waitFor(() => expect(page.text()).toContain('Proposed: version 1'), { timeout: 6000 })
  }, 15_000)
})

describe('the picture of a rung over time', () => {
  it('keeps what was seen apart from what is expected', () => {
    const point = (on: string, mean: number) => ({ on, mean, sd: 0.4 })
    const strand = {
      points: [point('2026-03-02', 3), point('2026-03-09', 3.4)],
      expected: [point('2026-03-09', 3.3), point('2026-03-30', 3.5)],
      days: [{ on: '2026-03-02', value: 9 }],
      sets: [],
      marked: [],
    }
    const ladder = { rungs: [1, 2, 3, 4, 5].map((n) => ({ number: n, words: `rung ${n}` })) }
    const p = plot(strand as never, 5, 4, 600, 380, { left: 100, right: 20, top: 10, bottom: 30 })
    expect([p.low, p.high, p.rungs.length]).toEqual([2, 5, 4])
    expect([p.x('2026-03-02'), p.x('2026-03-30')]).toEqual([100, 580])
    expect([p.y(5), p.y(2)]).toEqual([10, 350])
    expect(line(p, strand.points).split(' ')).toHaveLength(2)
    expect(band(p, strand.expected).split(' ')).toHaveLength(4)
    expect(ofDay(p)(strand.days[0]!)).toMatchObject({ y: 10, said: expect.stringContaining('rung 9.0') as string })
    expect(p.ticks[0]!.x).toBe(100)
    expect(p.ticks.length).toBeLessThanOrEqual(6)
    const page = shown(RungChart, { strand: { ...strand, words: 'it went on' }, ladder, wanted: 4 })
    expect(page.text()).toContain('a wanted task requires this')
    expect(page.findAll('polyline').map((l) => l.classes().includes('broken'))).toEqual([true, false])
    expect(page.findAll('.mark.point')).toHaveLength(4)
  })
})
