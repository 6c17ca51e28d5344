/** A line from the axis to where a form is widest, by how far along it one is. */
export interface Curve {
  readonly length: number
  /** Distance from the axis so far along it, mm. */
  radius(along: number): number
}

/** Finer than a stitch of any piece. */
const STEPS = 400

/** A quarter of an ellipse, from its end on the axis to its widest place. Lengths in mm. */
export function halfEllipse(radius: number, depth: number): Curve {
  const lengths = new Float64Array(STEPS + 1)
  const at = (step: number) => {
    const angle = ((Math.PI / 2) * step) / STEPS
    return { r: radius * Math.sin(angle), z: depth * (1 - Math.cos(angle)) }
  }
  for (let step = 1; step <= STEPS; step++) {
    const [before, here] = [at(step - 1), at(step)]
    lengths[step] = lengths[step - 1]! + Math.hypot(here.r - before.r, here.z - before.z)
  }
  const length = lengths[STEPS]!
  return {
    length,
    radius: (along) => {
      const wanted = Math.min(length, Math.max(0, along))
      let [low, high] = [0, STEPS]
      while (high - low > 1) {
        const middle = (low + high) >> 1
        if (lengths[middle]! <= wanted) low = middle
        else high = middle
      }
      const share = (wanted - lengths[low]!) / (lengths[high]! - lengths[low]!)
      return at(low + share).r
    },
  }
}
