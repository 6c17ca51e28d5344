import type { PieceSpec } from '../plan.ts'
import { planPiece } from '../planPiece.ts'
import { bendFight } from './bendFight.ts'
import { countFight } from './countFight.ts'
import type { Compromises } from './fight.ts'
import { roundsFight } from './roundsFight.ts'

/**
 * Where the wishes of a spec cannot all be had: which of them fight, and the two or three best ways out. What shapes the
 * whole piece is told first; the next fight when that is settled. Nothing where all can be had.
 * @throws SpecError when the spec cannot be planned
 */
export function compromises(spec: PieceSpec): Compromises | undefined {
  const planned = { spec, plan: planPiece(spec) }
  for (const fightOf of [countFight, bendFight, roundsFight]) {
    const found = fightOf(planned)
    if (found && found.ways.length > 1) return found
  }
  return undefined
}
