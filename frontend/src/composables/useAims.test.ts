// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { useAims } from './useAims'
import { answers, used } from '@/testing/mounted'

const AIMS = { suggested: [{ target: 'pinch' }, { target: 'cutting' }], tasks: [{ task: 'buttons' }] }

describe('the targets to work on', () => {
  it('ticks what is suggested where no hand has chosen', async () => {
    answers({ 'GET /api/children/3/aims': AIMS })
    const chosen = { targets: [] as string[] }
    const { got } = await used(() => useAims(() => 3, chosen))
    await got.ticked()
    expect(chosen.targets).toEqual(['pinch', 'cutting'])
    expect(got.tasks.value).toEqual([{ task: 'buttons' }])
  })

  it('leaves alone what was chosen before the answer came', async () => {
    answers({ 'GET /api/children/3/aims': AIMS })
    const chosen = { targets: ['grip'] }
    await used(() => useAims(() => 3, chosen))
    await flushPromises()
    expect(chosen.targets).toEqual(['grip'])
  })
})
