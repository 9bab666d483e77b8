// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ClinicSettings from './ClinicSettings.vue'
import FreshLink from './FreshLink.vue'
import InviteForm from './InviteForm.vue'
import PersonRow from './PersonRow.vue'
import RecordKeeping from './RecordKeeping.vue'
import SecondFactor from './SecondFactor.vue'
import { Refusal, answers, button, fieldError, shown } from '@/testing/mounted'

const person = {
  id: 7,
  name: 'Tove Alder',
  username: 'tove',
  role: 'therapist',
  active: true,
  last_seen: null,
  version: 2,
}
const link = {
  id: 1,
  kind: 'invitation',
  for_name: 'Tove Alder',
  role: 'therapist',
  expires_at: '2026-03-09T09:00:00',
  address: 'http://pollicor.example/join/abc',
  qr: '<svg></svg>',
  email: '',
  mailed: '',
}

describe('a colleague', () => {
  const row = (changes: object = {}, me = 'maren', others: object[] = []): ReturnType<typeof shown> =>
    shown(PersonRow, { person: { ...person, ...changes }, others }, { me: { username: me } })

  it('is deactivated, and asked for again whatever came of it', async () => {
    const calls = answers({ 'PUT /api/people/7': { ...person, active: false } })
    const page = row()
    await button(page, 'Deactivate').trigger('click')
    await flushPromises()
    expect(calls[0]?.body).toEqual({ role: 'therapist', active: false, version: 2 })
    expect(page.emitted('changed')).toHaveLength(1)
  })

  it('keeps what stands where another lead was faster, and takes the newer version', async () => {
    const calls = answers({
      'PUT /api/people/7': new Refusal(409, '', 'Somebody else changed this meanwhile.', { theirs: { version: 3 } }),
    })
    const page = row()
    await button(page, 'Deactivate').trigger('click')
    await flushPromises()
    expect(page.get('[role=alert]').text()).toContain('Somebody else')
    expect(page.emitted('changed')).toHaveLength(1)
    await page.setProps({ person: { ...person, version: 3 } })
    await button(page, 'Deactivate').trigger('click')
    await flushPromises()
    expect(calls.map((c) => (c.body as { version: number }).version)).toEqual([2, 3])
    expect(calls.map((c) => (c.body as { active: boolean }).active)).toEqual([false, false])
  })

  it('can not be locked out by themselves, nor handed over from as an assistant', () => {
    expect(row({}, 'tove').text()).not.toContain('Deactivate')
    expect(row({ role: 'assistant' }, 'maren', [person]).find('.hand-over').exists()).toBe(false)
    expect(
      row({}, 'maren', [{ ...person, id: 8 }])
        .find('.hand-over')
        .exists(),
    ).toBe(true)
  })

  it('gets a link for a new password', async () => {
    answers({ 'POST /api/people/7/reset': { ...link, kind: 'reset' } })
    const page = row()
    await button(page, 'New password').trigger('click')
    await flushPromises()
    expect(page.emitted('link')?.[0]).toMatchObject([{ kind: 'reset' }])
  })
})

describe('an invitation', () => {
  it('is made from a name, a role and perhaps an address', async () => {
    const calls = answers({ 'POST /api/links': link })
    const page = shown(InviteForm, {})
    await page.findAll('input').at(0)!.setValue('Tove Alder')
    await page.get('input[type=email]').setValue('tove@example.org')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(calls[0]?.body).toEqual({ name: 'Tove Alder', role: 'therapist', email: 'tove@example.org' })
    expect(page.emitted('made')).toHaveLength(1)
    expect(page.get<HTMLInputElement>('input[type=email]').element.value).toBe('')
  })

  it('says at the field what is wrong, and keeps what was typed', async () => {
    answers({ 'POST /api/links': new Refusal(422, 'email', 'That is not an e-mail address.') })
    const page = shown(InviteForm, {})
    await page.get('input[type=email]').setValue('tove at home')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(await fieldError(page)).toBe('That is not an e-mail address.')
    expect(page.get<HTMLInputElement>('input[type=email]').element.value).toBe('tove at home')
  })

  it('is shown once, and says what became of the mail', () => {
    const words = (mailed: string): string =>
      shown(FreshLink, { link: { ...link, email: 'tove@example.org', mailed } }).text()
    expect(words('')).not.toContain('mailed')
    expect(words('sent')).toContain('also mailed to tove@example.org')
    expect(words('written')).toContain('var/mail')
    expect(words('failed')).toContain('Copy the link instead')
  })
})

describe('a second factor', () => {
  it('is switched on with a first code, and shows the codes for paper once', async () => {
    const state = { on: false, codes_left: 0 }
    const calls = answers({
      'GET /api/me/second-factor': state,
      'POST /api/me/second-factor': { secret: 'ABCD', qr: '<svg></svg>' },
      'POST /api/me/second-factor/confirm': { codes: ['one', 'two'] },
    })
    const page = shown(SecondFactor, {})
    await flushPromises()
    await button(page, 'Switch on…').trigger('click')
    await flushPromises()
    expect(page.text()).toContain('ABCD')
    Object.assign(state, { on: true, codes_left: 8 })
    await page.get('input').setValue('123456')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(calls.find((c) => c.route.endsWith('confirm'))?.body).toEqual({ code: '123456' })
    expect(page.findAll('.codes li').map((l) => l.text())).toEqual(['one', 'two'])
    expect(page.text()).toContain('8 codes on paper are left')
  })

  it('keeps the secret in view where the code was wrong', async () => {
    answers({
      'GET /api/me/second-factor': { on: false, codes_left: 0 },
      'POST /api/me/second-factor': { secret: 'ABCD', qr: '<svg></svg>' },
      'POST /api/me/second-factor/confirm': new Refusal(422, 'code', 'That code is not good now.'),
    })
    const page = shown(SecondFactor, {})
    await flushPromises()
    await button(page, 'Switch on…').trigger('click')
    await flushPromises()
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(await fieldError(page)).toBe('That code is not good now.')
    expect(page.text()).toContain('ABCD')
  })
})

describe('the clinic', () => {
  const clinic = {
    name: 'Reedbank',
    time_zone: 'UTC',
    paper: 'A4',
    units: 'mm',
    keep_years: null,
    version: 4,
    demo: true,
  }

  it('takes the newest version after another lead’s change, and keeps what is written', async () => {
    answers({
      'GET /api/clinic': clinic,
      'PUT /api/clinic': new Refusal(409, '', 'Changed meanwhile.', { theirs: { version: 9 } }),
    })
    const page = shown(ClinicSettings, {})
    await flushPromises()
    await page.get('input[autocomplete=organization]').setValue('Weirbank')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('Changed meanwhile.')
    const calls = answers({ 'PUT /api/clinic': { ...clinic, version: 10 }, 'GET /api/me': {} })
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(calls.find((c) => c.body)?.body).toMatchObject({ name: 'Weirbank', version: 9 })
    expect(page.text()).toContain('Saved.')
  })

  it('removes the demo only on the second press, and lists old records without deleting any', async () => {
    const calls = answers({
      'GET /api/clinic': clinic,
      'GET /api/old-records': [{ id: 2, first_name: 'Wyn', closed_on: '2010-05-01' }],
      'DELETE /api/demo': {},
    })
    const page = shown(RecordKeeping, {})
    await flushPromises()
    expect(page.text()).not.toContain('Backups')
    expect(page.text()).toContain('care ended 1 May 2010')
    await button(page, 'Remove the demo clinic…').trigger('click')
    expect(calls.some((c) => c.route.startsWith('DELETE'))).toBe(false)
    await button(page, 'Remove it with everything in it').trigger('click')
    await flushPromises()
    expect(calls.some((c) => c.route === 'DELETE /api/demo')).toBe(true)
  })

  it('says when the last backup was made, and when that is too long ago', async () => {
    const told = async (upkeep: object): Promise<string> => {
      answers({ 'GET /api/clinic': clinic, 'GET /api/old-records': [], 'GET /api/upkeep': upkeep })
      const page = shown(RecordKeeping, {})
      await flushPromises()
      return page.text()
    }
    const hours = (ago: number): string => new Date(Date.now() - ago * 3_600_000).toISOString()
    const kept = { kept: 3, late_after: 26, is_sealed: true }
    expect(await told({ ...kept, last: hours(5) })).toMatch(/Last made .*, encrypted; 3 kept/)
    expect(await told({ ...kept, last: hours(5) })).not.toContain('late')
    expect(await told({ ...kept, last: hours(30), is_sealed: false })).toMatch(/late Last made .*, not encrypted/)
    expect(await told({ ...kept, last: null, kept: 0 })).toContain('none yet')
  })
})
