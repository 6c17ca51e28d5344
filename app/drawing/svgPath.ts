import type { Point } from './views/points.ts'

const round = (value: number) => Math.round(value * 10) / 10

/** Points as an SVG path of straight pieces. */
export function pathOf(points: readonly Point[], closed = false): string {
  const line = points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('')
  return closed ? `${line}Z` : line
}
