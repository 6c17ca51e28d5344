/** The value of a function at a point; writes its gradient. */
export type Energy = (at: Float64Array, gradient: Float64Array) => number

const MEMORY = 30
const MOST_STEPS = 1500

/**
 * A local minimum of a smooth function, by the two-loop recursion of limited-memory BFGS with steps halved
 * until the function falls enough (Nocedal and Wright, Numerical Optimization, algorithms 7.4 and 3.1).
 * @param scale size of a step that is certainly small
 */
export function minimise(energy: Energy, start: Float64Array, scale: number): Float64Array {
  const size = start.length
  let at = start.slice()
  let gradient = new Float64Array(size)
  let value = energy(at, gradient)
  const moves: { step: Float64Array; change: Float64Array; inverse: number }[] = []
  let calm = 0
  for (let iteration = 0; iteration < MOST_STEPS && calm < 3; iteration++) {
    const direction = descent(gradient, moves)
    let slope = dot(direction, gradient)
    if (!(slope < 0)) {
      moves.length = 0
      direction.set(gradient.map((part) => -part))
      slope = dot(direction, gradient)
      if (!(slope < 0)) break
    }
    const longest = direction.reduce((most, part) => Math.max(most, Math.abs(part)), 0)
    let length = Math.min(1, (moves.length === 0 ? scale : 20 * scale) / longest)
    const next = new Float64Array(size)
    const nextGradient = new Float64Array(size)
    let nextValue = Infinity
    for (let tries = 0; tries < 40; tries++, length /= 2) {
      for (let index = 0; index < size; index++) next[index] = at[index]! + length * direction[index]!
      nextValue = energy(next, nextGradient)
      if (nextValue <= value + 1e-4 * length * slope) break
    }
    if (!(nextValue < value)) break
    const step = next.map((part, index) => part - at[index]!)
    const change = nextGradient.map((part, index) => part - gradient[index]!)
    const along = dot(step, change)
    if (along > 1e-300) {
      moves.push({ step, change, inverse: 1 / along })
      if (moves.length > MEMORY) moves.shift()
    }
    calm = value - nextValue < 1e-9 * Math.abs(nextValue) ? calm + 1 : 0
    at = next
    gradient = nextGradient
    value = nextValue
  }
  return at
}

function descent(
  gradient: Float64Array,
  moves: readonly { step: Float64Array; change: Float64Array; inverse: number }[],
): Float64Array {
  const direction = gradient.map((part) => -part)
  const shares = new Array<number>(moves.length)
  for (let move = moves.length - 1; move >= 0; move--) {
    const { step, change, inverse } = moves[move]!
    const share = inverse * dot(step, direction)
    shares[move] = share
    for (let index = 0; index < direction.length; index++) {
      direction[index] = direction[index]! - share * change[index]!
    }
  }
  const last = moves.at(-1)
  if (last) {
    const steep = dot(last.step, last.change) / dot(last.change, last.change)
    for (let index = 0; index < direction.length; index++) direction[index] = direction[index]! * steep
  }
  moves.forEach(({ step, change, inverse }, move) => {
    const back = inverse * dot(change, direction)
    for (let index = 0; index < direction.length; index++) {
      direction[index] = direction[index]! + (shares[move]! - back) * step[index]!
    }
  })
  return direction
}

function dot(one: Float64Array, other: Float64Array): number {
  let sum = 0
  for (let index = 0; index < one.length; index++) sum += one[index]! * other[index]!
  return sum
}
