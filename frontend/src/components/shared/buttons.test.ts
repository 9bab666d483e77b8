// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest'
import ChoiceRow from './ChoiceRow.vue'
import PlainButton from './PlainButton.vue'
import { shown } from '@/testing/mounted'

describe('one of a few', () => {
  const options = ['left', 'right', 'both'].map((id) => ({ id, words: `${id} hand` }))
  const row = (modelValue: string) => shown(ChoiceRow, { options, label: 'Which hand', modelValue })

  it('is chosen by a press or the arrow keys, round the end as well', async () => {
    const on = row('both')
    await on.findAll('button')[0]!.trigger('click')
    await on.get('[role=radiogroup]').trigger('keydown', { key: 'ArrowLeft' })
    expect(on.emitted('update:modelValue')).toEqual([['left'], ['both']])
  })

  it('is one stop for the Tab key: what is chosen, or the first', () => {
    const stops = (chosen: string): (string | undefined)[] =>
      row(chosen)
        .findAll('button')
        .map((b) => b.attributes('tabindex'))
    expect(stops('right')).toEqual(['-1', '0', '-1'])
    expect(stops('')).toEqual(['0', '-1', '-1'])
  })
})

describe('a button', () => {
  it('is a button that sends no form, or a link that looks the same', () => {
    expect(shown(PlainButton, { main: true }).attributes()).toMatchObject({
      type: 'button',
      class: 'plain-button main',
    })
    expect(shown(PlainButton, { href: '/sheet.pdf' }).get('a').attributes('href')).toBe('/sheet.pdf')
    expect(shown(PlainButton, { to: '/day/2026-03-02' }).get('a').attributes('href')).toBe('/day/2026-03-02')
  })
})
