export interface Point {
  readonly x: number
  readonly y: number
}

/** Points one after the other, in room that grows: thousands of stitches make no rubbish. */
export class Points {
  data: Float64Array
  /** How many there are. */
  size = 0

  /** @param most how many there will be, as far as is known */
  constructor(most = 256) {
    this.data = new Float64Array(2 * most)
  }

  push(x: number, y: number): void {
    if (2 * this.size + 2 > this.data.length) {
      const more = new Float64Array(2 * this.data.length)
      more.set(this.data)
      this.data = more
    }
    this.data[2 * this.size] = x
    this.data[2 * this.size + 1] = y
    this.size++
  }

  /** Points from one place on, as objects. */
  list(from = 0, to = this.size): Point[] {
    const points: Point[] = []
    for (let at = from; at < to; at++) points.push({ x: this.data[2 * at]!, y: this.data[2 * at + 1]! })
    return points
  }
}
