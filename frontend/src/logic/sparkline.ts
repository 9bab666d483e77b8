/** An SVG path through values, oldest left, lowest at the bottom; a single value is a short flat line in the middle. */
export function sparkline(values: number[], width: number, height: number, pad = 5): string {
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const x = (i: number): number => (values.length < 2 ? width / 2 : pad + (i * (width - 2 * pad)) / (values.length - 1))
  const y = (v: number): number =>
    high === low ? height / 2 : height - pad - ((v - low) / (high - low)) * (height - 2 * pad)
  const points = values.map((v, i) => `${x(i).toFixed(1)} ${y(v).toFixed(1)}`)
  return points.length === 1 ? `M${(width / 2 - 8).toFixed(1)} ${(height / 2).toFixed(1)} h16` : `M${points.join(' L')}`
}
