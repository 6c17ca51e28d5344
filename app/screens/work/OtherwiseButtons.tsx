import { useState } from 'react'
import {
  titleOf,
  withEvenRound,
  withoutRound,
  type Otherwise,
  type PieceSpec,
  type Plan,
  type PlannedRound,
} from '../../../core/index.ts'
import { pinVersion, turnTo } from '../../store/takeWay.ts'
import type { Deed } from '../../store/workSession.ts'
import { say } from '../../ui/toasts.tsx'

interface OtherwiseButtonsProps {
  readonly pieceId: string
  readonly spec: PieceSpec
  readonly plan: Plan
  readonly round: PlannedRound
  readonly act: (deed: Deed) => void
  readonly onDone: () => void
}

/** What is done otherwise than planned, in one press: it becomes rounds of this copy, and of the next if that is wanted. */
export function OtherwiseButtons({ pieceId, spec, plan, round, act, onDone }: OtherwiseButtonsProps) {
  const [busy, setBusy] = useState(false)
  const next = plan.rounds[round.number]
  const more = withEvenRound(spec, plan, round.number)
  const less = next && withoutRound(spec, plan, next.number)
  if (!more && !less) return null
  const take = async (otherwise: Otherwise, said: string) => {
    if (busy) return
    setBusy(true)
    try {
      const version = await pinVersion({ pieceId, ...otherwise })
      act(turnTo(plan, otherwise.plan, round.number - 1, version))
      say(`${said} This copy is worked so from here on; Undo takes it back.`)
      onDone()
    } catch {
      say('This could not be stored. The disk may be full: export a file, then try again.')
      setBusy(false)
    }
  }
  return (
    <div className="grid gap-2 border-t rule pt-3">
      <p className="text-16 text-ink-2">Or worked otherwise than planned:</p>
      <div className="flex flex-wrap gap-3">
        {more && (
          <button
            type="button"
            className="button-line"
            disabled={busy}
            onClick={() => void take(more, `An even round comes after ${titleOf(round)}.`)}
          >
            An even round more after this
          </button>
        )}
        {less && (
          <button
            type="button"
            className="button-line"
            disabled={busy}
            onClick={() => void take(less, `${titleOf(next)} is left out.`)}
          >
            {titleOf(next)} left out
          </button>
        )}
      </div>
    </div>
  )
}
