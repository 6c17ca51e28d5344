/** Red, green and blue of `#rrggbb`, 0 to 255. */
export function rgb(colour: string): number[] {
  return [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16))
}
