// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import NewPlace from './NewPlace.vue'
import { answers, fieldError, Refusal, shown } from '@/testing/mounted'

describe('a place that is no child’s home', () => {
  it('is added with its name and kind, and handed on', async () => {
    const room = { id: 7, name: 'Blue room', kind: 'clinic' }
    const calls = answers({ 'POST /api/homes': room })
    const form = shown(NewPlace, {})
    await form.get('input').setValue('Blue room')
    await form.get('form').trigger('submit')
    await flushPromises()
    const body = { name: 'Blue room', kind: 'clinic', supervision: 'arms_reach', adults: 1, who: '' }
    expect(calls).toEqual([{ route: 'POST /api/homes', body }])
    expect(form.emitted('added')).toEqual([[room]])
  })

  it('that can’t be added says why and keeps what was written', async () => {
    answers({ 'POST /api/homes': new Refusal(422, 'name', 'This place has no name.') })
    const form = shown(NewPlace, {})
    await form.get('form').trigger('submit')
    await flushPromises()
    expect(await fieldError(form)).toBe('This place has no name.')
    expect(form.emitted('added')).toBeUndefined()
  })
})
