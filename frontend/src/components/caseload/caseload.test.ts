// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import CareEnd from './CareEnd.vue'
import CaseloadRow from './CaseloadRow.vue'
import ChildAdd from './ChildAdd.vue'
import FirstSteps from './FirstSteps.vue'
import HazardsAsked from './HazardsAsked.vue'
import RecordOut from './RecordOut.vue'
import { Refusal, answers, button, fieldError, shown } from '@/testing/mounted'

const me = { username: 'maren', name: 'Maren Quay', may: ['child.edit', 'child.add', 'record.export', 'record.delete'] }
const child = {
  id: 2,
  version: 1,
  first_name: 'Wyn',
  allergies: [],
  other_allergies: [],
  precautions: [],
  care: 'open',
  wanted: ['buttons'],
}
const line = {
  id: 2,
  first_name: 'Wyn',
  age_months: 60,
  hand: 'right',
  home_name: 'Lock cottage',
  therapist_name: 'Maren Quay',
  wanted: [],
  last_on: '2026-03-01',
  due_on: '2026-03-08',
  is_due: true,
  statuses: [{ id: 'ready', words: 'Pinch: ready for one step harder.' }],
}

beforeEach(() => {
  sessionStorage.clear()
  document.body.innerHTML = ''
})

describe('a child on the list', () => {
  const planner = { ...me, may: ['plan.make'] }

  it('says how it stands and why, and leads to planning', () => {
    const row = shown(CaseloadRow, { child: line }, { me: planner })
    for (const part of ['Wyn', '5 years', 'Lock cottage', 'Ready to move', 'ready for one step harder', 'Due'])
      expect(row.text()).toContain(part)
    expect(row.get('a.go').text()).toBe('Plan')
  })

  it('is offered a first look while nobody has seen it', () => {
    const row = shown(
      CaseloadRow,
      { child: { ...line, last_on: null, statuses: [{ id: 'new', words: 'Not seen yet.' }] } },
      { me: planner },
    )
    expect(row.get('a.go').text()).toBe('First look')
  })

  it('leads to what is planned for who may not plan', () => {
    const row = shown(CaseloadRow, { child: { ...line, statuses: [{ id: 'new', words: 'Not seen yet.' }] } }, { me })
    expect(row.get('a.go').text()).toBe('Sessions')
  })

  it('names the therapist only where that is somebody else', () => {
    expect(shown(CaseloadRow, { child: line }, { me: planner }).text()).not.toContain('Maren')
    expect(shown(CaseloadRow, { child: { ...line, therapist_name: 'Tove Alder' } }, { me: planner }).text()).toContain(
      'Tove Alder',
    )
  })
})

describe('a new child', () => {
  const known = { me, homes: [], words: { wanted_tasks: [] } }

  it('is sent with a new place named after it, under one number however often', async () => {
    const calls = answers({ 'POST /api/children': new Refusal(503, '', 'Not now.') })
    shown(ChildAdd, {}, known)
    await flushPromises()
    const form = document.querySelector('form')!
    const name = form.querySelector('input')!
    name.value = 'Nell'
    name.dispatchEvent(new Event('input'))
    await flushPromises()
    for (let n = 0; n < 2; n += 1) {
      form.dispatchEvent(new Event('submit'))
      await flushPromises()
    }
    const [first, second] = calls.map((c) => c.body as { place: { name: string }; request: string; first_name: string })
    expect(first?.place.name).toBe('Nell’s home')
    expect(first?.request).toBe(second?.request)
    expect(document.body.textContent).toContain('Not now.')
    expect(name.value).toBe('Nell')
  })

  it('outlives a closed drawer, for the one who typed it', async () => {
    const typed = async (username: string): Promise<string> => {
      document.body.innerHTML = ''
      const page = shown(ChildAdd, {}, { ...known, me: { ...me, username } })
      await flushPromises()
      const value = document.querySelector('input')!.value
      const name = document.querySelector('input')!
      name.value = `${username}'s Nell`
      name.dispatchEvent(new Event('input'))
      await flushPromises()
      page.unmount()
      return value
    }
    expect(await typed('maren')).toBe('')
    expect(await typed('maren')).toBe("maren's Nell")
    expect(await typed('tove')).toBe('')
  })
})

describe('allergies and precautions', () => {
  it('are asked about until something is noted, and only of who may note it', () => {
    const asked = (changes: object, may = me.may): boolean =>
      shown(HazardsAsked, { child: { ...child, ...changes } }, { me: { ...me, may } })
        .find('section')
        .exists()
    expect(asked({})).toBe(true)
    expect(asked({ version: 2 })).toBe(false)
    expect(asked({ allergies: ['nut'] })).toBe(false)
    expect(asked({ other_allergies: ['kiwi'] })).toBe(false)
    expect(asked({ precautions: ['pain'] })).toBe(false)
    expect(asked({}, ['child.read'])).toBe(false)
  })

  it('are answered with none known by one press, or noted in the profile', async () => {
    const calls = answers({ 'PUT /api/children/2': { ...child, version: 2 } })
    const page = shown(HazardsAsked, { child }, { me })
    await button(page, 'Note them').trigger('click')
    expect(page.emitted('note')).toHaveLength(1)
    await button(page, 'None known').trigger('click')
    await flushPromises()
    expect(calls[0]?.body).toMatchObject({ version: 1, allergies: [] })
  })
})

describe('the first steps', () => {
  const list = { children: [], counts: {}, total: 0, page: 1, pages: 1 }

  it('lead on from where one is, and are gone once a session was held', () => {
    const links = (children: object[]): string[] =>
      shown(FirstSteps, { list: { ...list, children } })
        .findAll('a')
        .map((a) => a.text())
    expect(links([])).toEqual([])
    expect(links([{ ...line, last_on: null }])).toEqual(['Fill it', 'Begin', 'Plan it'])
    expect(
      shown(FirstSteps, { list: { ...list, children: [line] } })
        .find('section')
        .exists(),
    ).toBe(false)
  })
})

describe('the end of care', () => {
  it('begins with the drafted summary, and keeps what is written over it', async () => {
    const calls = answers({
      'GET /api/children/2/summary': { words: 'Wyn had 3 sessions.' },
      'POST /api/children/2/close': new Refusal(409, '', 'Changed.', { theirs: { version: 5 } }),
    })
    shown(CareEnd, { child }, { me })
    await flushPromises()
    const area = document.querySelector('textarea')!
    expect(area.value).toBe('Wyn had 3 sessions.')
    area.value = 'Buttons alone.'
    area.dispatchEvent(new Event('input'))
    const form = document.querySelector('form')!
    for (let n = 0; n < 2; n += 1) {
      form.dispatchEvent(new Event('submit'))
      await flushPromises()
    }
    const closes = calls.filter((c) => c.route.endsWith('close')).map((c) => c.body)
    expect(closes).toEqual([1, 5].map((version) => ({ care: 'discharged', words: 'Buttons alone.', version })))
  })
})

describe('the whole record', () => {
  it('goes out as a file or to be read, and is deleted only with name and reason', async () => {
    const calls = answers({
      'POST /api/children/2/deletion': new Refusal(422, 'name', 'That is not this child’s name.'),
    })
    const page = shown(RecordOut, { child }, { me })
    expect(page.findAll('a').map((a) => a.attributes('href'))).toEqual([
      '/api/children/2/export.pdf',
      '/api/children/2/export.json',
    ])
    expect(page.find('form').exists()).toBe(false)
    await button(page, 'Delete it…').trigger('click')
    await page.findAll('input').at(0)!.setValue('Asked by letter.')
    await page.findAll('input').at(1)!.setValue('Win')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(calls[0]?.body).toEqual({ name: 'Win', reason: 'Asked by letter.' })
    expect(await fieldError(page)).toContain('not this child')
  })

  it('is nobody’s to take who may not', () => {
    expect(shown(RecordOut, { child }, { me: { may: [] } }).text()).toBe('')
    expect(shown(RecordOut, { child }, { me: { may: ['record.export'] } }).text()).not.toContain('Delete')
  })
})
