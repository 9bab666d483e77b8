import type { Schemas } from '@/api/client'

type Material = Schemas['ThingOut']

const round = (mm: number): string => (mm < 10 && mm % 1 ? mm.toFixed(1) : String(Math.round(mm)))

/** What is measured of a thing, short, each number with its unit. */
export function measureWords(m: Material): string {
  const [long = 0, middle = 0, thin = 0] = m.sides_mm
  const size =
    m.shape === 'ball'
      ? `${round(long)} mm across`
      : `${[long, middle, thin]
          .filter((s) => s >= 0.5)
          .map(round)
          .join(' × ')} mm`
  const more = [
    m.hole_mm ? `hole ${round(m.hole_mm)} mm` : '',
    m.opening_mm ? `opening ${round(m.opening_mm)} mm` : '',
    m.force_newton ? `${round(m.force_newton)} N to work` : '',
    m.sheet_gsm ? `${round(m.sheet_gsm)} g/m²` : '',
  ].filter(Boolean)
  return [size, ...more].join(', ')
}
