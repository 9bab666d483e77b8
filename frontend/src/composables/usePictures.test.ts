// @vitest-environment happy-dom
import { expect, it } from 'vitest'
import { useOwnPictures, usePictures } from './usePictures'
import { answers, used } from '@/testing/mounted'

const many = Array.from({ length: 25 }, (_, i) => `a${i}`)

it('fetches pictures a dozen at a time', async () => {
  const calls = answers({ 'GET /api/children/3/pictures': { pictures: { a0: '<svg/>' } } })
  const { got } = await used(() =>
    usePictures(
      () => 3,
      () => 1,
      () => many,
    ),
  )
  expect(calls).toHaveLength(3)
  expect(got.value).toEqual({ a0: '<svg/>' })
})

it('fetches nothing where nothing is shown', async () => {
  const calls = answers({})
  const { got } = await used(() => useOwnPictures(() => []))
  expect([calls.length, got.value]).toEqual([0, {}])
})
