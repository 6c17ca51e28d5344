import fc from 'fast-check'
import { minimise } from './minimise.ts'
import { runs } from './runs.ts'

test('a bowl of any shape is rolled down to its bottom', () => {
  const coordinate = fc.double({ min: -50, max: 50, noNaN: true })
  fc.assert(
    fc.property(
      fc.array(fc.tuple(coordinate, fc.double({ min: 0.01, max: 100, noNaN: true })), {
        minLength: 1,
        maxLength: 12,
      }),
      (axes) => {
        const energy = (at: Float64Array, gradient: Float64Array) =>
          axes.reduce((sum, [bottom, steep], axis) => {
            const away = at[axis]! - bottom
            gradient[axis] = 2 * steep * away
            return sum + steep * away * away
          }, 0)
        const found = minimise(energy, new Float64Array(axes.length), 0.5)
        axes.forEach(([bottom, steep], axis) => {
          expect(steep * (found[axis]! - bottom) ** 2).toBeLessThan(1e-4)
        })
      },
    ),
    { numRuns: runs(40) },
  )
})

test('a bent valley is followed to its end: Rosenbrock’s banana', () => {
  const banana = (at: Float64Array, gradient: Float64Array) => {
    const [x, y] = [at[0]!, at[1]!]
    gradient[0] = -2 * (1 - x) - 400 * x * (y - x * x)
    gradient[1] = 200 * (y - x * x)
    return (1 - x) ** 2 + 100 * (y - x * x) ** 2
  }
  for (const start of [
    [-1.2, 1],
    [0, 0],
    [2, 2],
  ]) {
    const found = minimise(banana, Float64Array.from(start), 0.1)
    expect(found[0]).toBeCloseTo(1, 3)
    expect(found[1]).toBeCloseTo(1, 3)
  }
})

test('a hanging chain takes the shape of a hyperbolic cosine', () => {
  // Twenty links of length 1 between two nails 12 apart: the nodes hang as the catenary does.
  const links = 20
  const energy = (at: Float64Array, gradient: Float64Array) => {
    gradient.fill(0)
    let sum = 0
    const node = (index: number): [number, number] =>
      index === 0 ? [0, 0] : index === links ? [12, 0] : [at[2 * index - 2]!, at[2 * index - 1]!]
    const push = (index: number, x: number, y: number) => {
      if (index === 0 || index === links) return
      gradient[2 * index - 2] = gradient[2 * index - 2]! + x
      gradient[2 * index - 1] = gradient[2 * index - 1]! + y
    }
    for (let link = 0; link < links; link++) {
      const [[x0, y0], [x1, y1]] = [node(link), node(link + 1)]
      const far = Math.hypot(x1 - x0, y1 - y0)
      const pull = 2000 * (far - 1)
      sum += 1000 * (far - 1) ** 2
      push(link + 1, (pull * (x1 - x0)) / far, (pull * (y1 - y0)) / far)
      push(link, (-pull * (x1 - x0)) / far, (-pull * (y1 - y0)) / far)
    }
    for (let index = 1; index < links; index++) {
      sum += node(index)[1]
      push(index, 0, 1)
    }
    return sum
  }
  const start = Float64Array.from({ length: 2 * (links - 1) }, (_, index) =>
    index % 2 === 0 ? (12 * (index / 2 + 1)) / links : -1,
  )
  const found = minimise(energy, start, 0.2)
  // Length 20 over a span of 12: 2a·sinh(6/a) = 20, so a = 2.97 and the sag a·(cosh(6/a) − 1) = 7.45.
  let a = 3
  for (let step = 0; step < 60; step++) {
    const off = 2 * a * Math.sinh(6 / a) - 20
    a -= off / (2 * Math.sinh(6 / a) - (12 / a) * Math.cosh(6 / a))
  }
  const sag = a * (Math.cosh(6 / a) - 1)
  expect(Math.abs(-found[2 * (links / 2) - 1]! / sag - 1)).toBeLessThan(0.02)
})
