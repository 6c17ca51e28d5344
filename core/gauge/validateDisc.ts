import { lengthOf } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import type { EdgeLies } from '../gauge/evidence.ts'
import { meanOf } from '../lay/measures.ts'
import { diametersApart } from '../lay/flatness.ts'

/** Even a hexagon differs by 15% over corners and over flats. */
const ONE_DISC = 0.2

/**
 * Refuses diameters and an edge that no one disc has.
 * @throws SpecError at `across` or `edge`
 */
export function validateDisc(across: readonly number[], edge: EdgeLies): void {
  if (across.length === 0 || across.some((one) => !(one > 0))) {
    throw new SpecError('across', 'A piece is wider than nothing.', 'Measure it through the centre.')
  }
  if (diametersApart(across) > ONE_DISC) {
    throw new SpecError(
      'across',
      `${lengthOf(across[0]!)} one way and ${lengthOf(across[1]!)} the other cannot be one disc.`,
      'Even a hexagon differs by 15% at most. Measure both through the centre.',
    )
  }
  const wide = meanOf(across)
  if (edge.kind === 'standsUp' && !(edge.by > 0 && edge.by < wide)) {
    throw new SpecError(
      'edge',
      `An edge cannot stand up ${lengthOf(edge.by)} here.`,
      `More than 0, less than ${lengthOf(wide)}.`,
    )
  }
}
