import type { Schemas } from '@/api/client'

type Stroke = Pick<Schemas['StrokeOut'], 'x1' | 'y1' | 'x2' | 'y2' | 'radius' | 'clockwise'>

/** A piece of a letter as an SVG path: a line, or half a circle. */
export function strokePath(s: Stroke): string {
  const end = `${s.x2} ${s.y2}`
  return `M${s.x1} ${s.y1} ${s.radius ? `A${s.radius} ${s.radius} 0 0 ${s.clockwise ? 1 : 0} ${end}` : `L${end}`}`
}

/** The middle of a piece, along it: a quarter turn from the start of an arc. */
export function strokeMiddle(s: Stroke): { x: number; y: number } {
  const x = (s.x1 + s.x2) / 2
  const y = (s.y1 + s.y2) / 2
  if (!s.radius) return { x, y }
  const turn = s.clockwise ? 1 : -1
  return { x: x - turn * (s.y1 - y), y: y + turn * (s.x1 - x) }
}
