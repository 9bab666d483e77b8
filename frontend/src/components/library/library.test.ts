// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import FamilyCue from './FamilyCue.vue'
import { answers, button, fieldError, Refusal, shown } from '@/testing/mounted'

const props = { childId: 3, activityId: 'peg_fence', said: '', usual: '“Thumb and two. Squeeze open.”' }

describe('what a family says', () => {
  it('is written over the usual cue and kept', async () => {
    const calls = answers({ 'PUT /api/children/3/cue': { words: 'Crocodile bites!' } })
    const cue = shown(FamilyCue, props)
    await button(cue, 'Say it in this family’s words').trigger('click')
    expect(cue.get('input').attributes('placeholder')).toBe(props.usual)
    await cue.get('input').setValue('Crocodile bites!')
    await cue.get('form').trigger('submit')
    await flushPromises()
    expect(calls[0]?.body).toEqual({ activity_id: 'peg_fence', words: 'Crocodile bites!' })
    expect(cue.text()).toContain('Change how this family says it')
  })

  it('goes back to the usual with one press', async () => {
    const calls = answers({ 'PUT /api/children/3/cue': { words: '' } })
    const cue = shown(FamilyCue, { ...props, said: 'Crocodile!' })
    await button(cue, 'Back to the usual').trigger('click')
    await flushPromises()
    expect(calls[0]?.body).toEqual({ activity_id: 'peg_fence', words: '' })
    expect(cue.text()).toContain('Say it in this family’s words')
  })

  it('stays written where it was refused, with the reason at the field', async () => {
    answers({ 'PUT /api/children/3/cue': new Refusal(422, 'words', 'Too long for one breath.') })
    const cue = shown(FamilyCue, props)
    await button(cue, 'Say it in this family’s words').trigger('click')
    await cue.get('input').setValue('A whole story')
    await cue.get('form').trigger('submit')
    await flushPromises()
    expect(await fieldError(cue)).toContain('Too long for one breath.')
    expect((cue.get('input').element as HTMLInputElement).value).toBe('A whole story')
  })
})
