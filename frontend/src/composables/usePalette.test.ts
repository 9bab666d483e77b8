// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import { usePalette } from './usePalette'
import { answers, used } from '@/testing/mounted'

const WYN = { id: 3, first_name: 'Wyn', age_months: 52, care: 'open', home_name: 'Harbour' }
const ids = (palette: ReturnType<typeof usePalette>): string[] => palette.offered.value.map((c) => c.id)

it('offers the pages this person may see, and none of a child where no child is open', async () => {
  answers({ 'GET /api/children': [] })
  const { got } = await used(() => usePalette(() => []), { me: { may: ['audit.read'] } })
  expect(ids(got)).toContain('audit')
  expect(ids(got)).not.toContain('add')
  expect(ids(got).filter((id) => id.startsWith('here-'))).toEqual([])
})

it('offers the open child’s own pages, and finds another child by letters', async () => {
  const calls = answers({ 'GET /api/children': [WYN] })
  const { got, router } = await used(() => usePalette(() => []), { me: { may: [] } }, '/child/9')
  expect(ids(got)[0]).toBe('here-ask')
  got.typed.value = 'wy'
  await vi.waitFor(() => expect(calls).toHaveLength(2))
  await flushPromises()
  const wyn = got.offered.value.find((c) => c.id === 'child-3')!
  expect(wyn.hint).toBe('4 y 4 m, Harbour')
  wyn.run()
  await vi.waitFor(() => expect(router.currentRoute.value.params.childId).toBe('3'))
})
