// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import VisitRow from './VisitRow.vue'
import type { Visit } from '@/logic/visits'
import { answers, button, Refusal, shown } from '@/testing/mounted'

const visit: Visit = {
  id: 4,
  child_id: 2,
  child_name: 'Wyn',
  home_id: 3,
  home_name: 'Lock cottage',
  therapist_id: 1,
  therapist_name: 'Maren Quay',
  on: '2026-03-02',
  at: '09:30:00',
  minutes: 45,
  in_series: true,
  status: 'planned',
  ran: false,
  reason: '',
  plan_id: null,
  overlaps: [],
  version: 3,
}
const me = { may: ['visit.edit', 'visit.close'] }
const row = (changes: Partial<Visit> = {}, withWhom = false): ReturnType<typeof shown> =>
  shown(VisitRow, { visit: { ...visit, ...changes }, withWhom }, { me })
const OUTCOME = 'POST /api/visits/4/outcome'

describe('a visit of the day', () => {
  it('says when, who, where and what stands in the way', () => {
    const words = row({ overlaps: ['Isa'] }).text()
    for (const part of ['09:30', '45 min', 'Wyn', 'Lock cottage', 'repeats', 'Overlaps with Isa', 'Booked'])
      expect(words).toContain(part)
    expect(words).not.toContain('Maren')
    expect(row({}, true).text()).toContain('Maren Quay')
    expect(row({ at: null }).text()).toContain('some time')
  })

  it('leads to the plan that is ready, or to planning', () => {
    expect(row().find('a.main').text()).toBe('Plan')
    expect(row({ plan_id: 'p1' }).find('a.main').text()).toBe('Open the plan')
  })

  it('is done with one press', async () => {
    const calls = answers({ [OUTCOME]: { ...visit, status: 'done' } })
    await button(row(), 'Done').trigger('click')
    await flushPromises()
    expect(calls).toEqual([{ route: OUTCOME, body: { status: 'done', reason: '', later: false, version: 3 } }])
  })

  it('asks why it did not take place, and says what is wrong at the field', async () => {
    const calls = answers({ [OUTCOME]: new Refusal(422, 'reason', 'Say why it did not take place.') })
    const page = row()
    await button(page, 'Did not take place').trigger('click')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(page.get('[role=alert]').text()).toBe('Say why it did not take place.')
    await page.get('input[aria-label=Why]').setValue('ill')
    answers({ [OUTCOME]: { ...visit, status: 'no_show' } })
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(page.find('form').exists()).toBe(false)
    expect(calls[0]?.body).toMatchObject({ status: 'no_show' })
  })

  it('can be booked again when it was closed by hand, and not when a session was recorded', () => {
    expect(row({ status: 'cancelled', reason: 'ill' }).text()).toContain('Book it again')
    const ran = row({ status: 'done', ran: true })
    expect(ran.text()).toContain('Session recorded')
    expect(ran.findAll('button')).toHaveLength(0)
  })

  it('is moved only by who may', () => {
    expect(row().text()).toContain('Move…')
    expect(shown(VisitRow, { visit, withWhom: false }, { me: { may: ['visit.close'] } }).text()).not.toContain('Move…')
  })
})
