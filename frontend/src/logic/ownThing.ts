import type { Schemas } from '@/api/client'

/** What a therapist writes of the clinic's own thing. Sizes in mm, forces in N, paper in g/m². */
export interface Shape {
  ball?: { diameter_mm: number }
  rod?: { diameter_mm: number; length_mm: number }
  disc?: { diameter_mm: number; height_mm: number }
  box?: { length_mm: number; width_mm: number; height_mm: number }
  ring?: { outer_mm: number; inner_mm: number; thickness_mm: number }
}
export type ShapeKind = keyof Shape
export interface ThingValues extends Record<string, unknown> {
  name: string
  one: string
  many: string
  kept: string
  forms: string[]
  shape: Shape
  usual_count?: number
  loose_part?: { words: string; shape: Shape } | null
  allergens?: string[]
  textures?: string[]
}

export const SHAPES: { id: ShapeKind; words: string; sizes: { key: string; words: string }[] }[] = [
  { id: 'ball', words: 'ball', sizes: [{ key: 'diameter_mm', words: 'across' }] },
  {
    id: 'rod',
    words: 'stick, tube or cylinder',
    sizes: [
      { key: 'diameter_mm', words: 'across' },
      { key: 'length_mm', words: 'long' },
    ],
  },
  {
    id: 'disc',
    words: 'flat and round',
    sizes: [
      { key: 'diameter_mm', words: 'across' },
      { key: 'height_mm', words: 'thick' },
    ],
  },
  {
    id: 'box',
    words: 'box, or anything else',
    sizes: [
      { key: 'length_mm', words: 'long' },
      { key: 'width_mm', words: 'wide' },
      { key: 'height_mm', words: 'high' },
    ],
  },
  {
    id: 'ring',
    words: 'ring',
    sizes: [
      { key: 'outer_mm', words: 'across' },
      { key: 'inner_mm', words: 'across inside' },
      { key: 'thickness_mm', words: 'thick' },
    ],
  },
]

/** A thing of which only its kind is known. */
export function emptyThing(): ThingValues {
  return {
    name: '',
    one: '',
    many: '',
    kept: 'craft',
    forms: ['item'],
    shape: { box: { length_mm: 40, width_mm: 30, height_mm: 20 } },
    usual_count: 6,
  }
}

export function shapeKind(shape: Shape): ShapeKind {
  return (Object.keys(shape)[0] as ShapeKind | undefined) ?? 'box'
}

/** Another solid of about the same size. */
export function reshaped(shape: Shape, to: ShapeKind): Shape {
  const sizes = Object.values(Object.values(shape)[0] ?? {}) as number[]
  const size = sizes[0] ?? 30
  const of = SHAPES.find((s) => s.id === to)!.sizes
  const made = Object.fromEntries(
    of.map((s, i) => [s.key, to === 'ring' && i === 1 ? size * 0.6 : (sizes[i] ?? size / 2)]),
  )
  return { [to]: made }
}

/** What is asked of a thing beside its size: by what it can serve as, and by what it is marked with already. */
export function askedOf(values: ThingValues, words: Schemas['OwnWords']): Schemas['PropertyOut'][] {
  const asked = new Set(values.forms.flatMap((f) => words.forms.find((w) => w.id === f)?.asks ?? []))
  return words.properties.filter((p) => !p.is_hazard && (asked.has(p.id) || p.id in values) && p.id !== 'rolls')
}
