import { useState } from 'react'
import {
  slipHere,
  titleOf,
  withEvenRound,
  withoutRound,
  type Difference,
  type Otherwise,
  type PieceSpec,
  type Plan,
  type PlannedRound,
  type Position,
} from '../../../core/index.ts'
import { useSettings, useYarns } from '../../store/queries.ts'
import { pinVersion, turnTo, turnWithin } from '../../store/takeWay.ts'
import type { Deed } from '../../store/workSession.ts'
import { say } from '../../ui/toasts.tsx'
import { sayDifference } from '../../words/differenceWords.ts'
import { OtherTools } from './OtherTools.tsx'

interface OtherwiseButtonsProps {
  readonly pieceId: string
  readonly spec: PieceSpec
  readonly plan: Plan
  readonly round: PlannedRound
  readonly position: Position
  /** The hook in use, mm. */
  readonly hook: number
  /** What this copy is worked otherwise already. */
  readonly changes: readonly Difference[]
  readonly act: (deed: Deed) => void
  readonly onDone: () => void
}

/** What one press does otherwise than planned. */
interface Press {
  readonly label: string
  readonly otherwise: Otherwise
  /** What is said once it is done. */
  readonly said: string
  /** Units of this round that are made then, where it goes on within it. */
  readonly unit?: number
}

/** What is done otherwise than planned, in a press or two: it becomes rounds of this copy, and of the next if that is wanted. */
export function OtherwiseButtons({
  pieceId,
  spec,
  plan,
  round,
  position,
  hook,
  changes,
  act,
  onDone,
}: OtherwiseButtonsProps) {
  const { terms } = useSettings()
  const yarns = useYarns() ?? []
  const [busy, setBusy] = useState(false)
  const next = plan.rounds[round.number]
  const more = withEvenRound(spec, plan, round.number)
  const less = next && withoutRound(spec, plan, next.number)
  const take = async ({ otherwise, said, unit }: Omit<Press, 'label'>) => {
    if (busy) return
    setBusy(true)
    try {
      const version = await pinVersion({ pieceId, ...otherwise })
      act(
        unit === undefined
          ? turnTo(plan, otherwise.plan, round.number - 1, version)
          : turnWithin(version, unit),
      )
      say(`${said} This copy is worked so from here on; Undo takes it back.`)
      onDone()
    } catch {
      say('This could not be stored. The disk may be full: export a file, then try again.')
      setBusy(false)
    }
  }
  const slips = ([1, -1] as const).flatMap((off): Press[] => {
    const slip = slipHere(spec, plan, round.number, position.unit, off)
    if (!slip) return []
    return [
      {
        label: `A stitch ${off > 0 ? 'more' : 'fewer'} just here`,
        otherwise: { spec, plan: slip.plan },
        said: `${titleOf(round)} has ${round.count + off} sts; ${titleOf(next!)} takes it up.`,
        unit: slip.unit,
      },
    ]
  })
  const presses: readonly Press[] = [
    ...slips,
    ...(more
      ? [
          {
            label: 'An even round more after this',
            otherwise: more,
            said: `An even round comes after ${titleOf(round)}.`,
          },
        ]
      : []),
    ...(less
      ? [
          {
            label: `${titleOf(next)} left out`,
            otherwise: less,
            said: `${titleOf(next)} is left out.`,
          },
        ]
      : []),
  ]
  // A round that is begun ends as it began.
  const from = position.unit === 0 ? round : next
  return (
    <section aria-label="Worked otherwise" className="grid gap-3 border-t rule pt-3">
      <p className="text-16 text-ink-2">Or worked otherwise than planned:</p>
      <div className="flex flex-wrap gap-3">
        {presses.map((press) => (
          <button
            key={press.label}
            type="button"
            className="button-line"
            disabled={busy}
            onClick={() => void take(press)}
          >
            {press.label}
          </button>
        ))}
      </div>
      {changes.length > 0 && (
        <div className="text-18">
          <p className="text-ink-2">This copy is worked otherwise than first planned:</p>
          <ul>
            {changes.map((one) => (
              <li key={`${one.kind} ${one.round.id}`}>{sayDifference(one, terms, yarns)}</li>
            ))}
          </ul>
        </div>
      )}
      {from && (
        <OtherTools
          key={hook}
          spec={spec}
          plan={plan}
          hook={hook}
          from={from}
          busy={busy}
          onTake={(otherwise, said) => void take({ otherwise, said })}
        />
      )}
    </section>
  )
}
