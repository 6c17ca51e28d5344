import { useState } from 'react'
import {
  HOOKS,
  onHookFrom,
  slipHere,
  titleOf,
  withEvenRound,
  withoutRound,
  withYarnFrom,
  yarnsIn,
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
import { Select } from '../../ui/Select.tsx'
import { say } from '../../ui/toasts.tsx'
import { sayDifference } from '../../words/differenceWords.ts'
import { yarnNames } from '../../words/wording.ts'

interface OtherwiseButtonsProps {
  readonly pieceId: string
  readonly spec: PieceSpec
  readonly plan: Plan
  readonly round: PlannedRound
  readonly position: Position
  /** The hook of the gauge that the piece goes by, mm. */
  readonly hook: number
  /** What this copy is worked otherwise already. */
  readonly changes: readonly Difference[]
  readonly act: (deed: Deed) => void
  readonly onDone: () => void
}

/** Another hook is looked for among those half as thick to twice as thick. */
const NEAR_HOOKS = 2

/** What is done otherwise than planned, in a press or two: it becomes rounds of this copy, and of the next if that is wanted. */
export function OtherwiseButtons(props: OtherwiseButtonsProps) {
  const { pieceId, spec, plan, round, position, changes, act, onDone } = props
  const { terms } = useSettings()
  const yarns = useYarns() ?? []
  const [busy, setBusy] = useState(false)
  const next = plan.rounds[round.number]
  const more = withEvenRound(spec, plan, round.number)
  const less = next && withoutRound(spec, plan, next.number)
  const take = async (otherwise: Otherwise, said: string, unit?: number) => {
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
  const slips = ([1, -1] as const).flatMap((off) => {
    const slip = slipHere(spec, plan, round.number, position.unit, off)
    return slip ? [{ off, ...slip }] : []
  })
  // A round that is begun ends as it began.
  const from = position.unit === 0 ? round : next
  return (
    <section aria-label="Worked otherwise" className="grid gap-3 border-t rule pt-3">
      <p className="text-16 text-ink-2">Or worked otherwise than planned:</p>
      <div className="flex flex-wrap gap-3">
        {slips.map(({ off, unit, plan: slipped }) => (
          <button
            key={off}
            type="button"
            className="button-line"
            disabled={busy}
            onClick={() =>
              void take(
                { spec, plan: slipped },
                `${titleOf(round)} has ${round.count + off} sts; ${titleOf(next!)} takes it up.`,
                unit,
              )
            }
          >
            A stitch {off > 0 ? 'more' : 'fewer'} just here
          </button>
        ))}
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
          key={spec.gauge.hook}
          {...props}
          from={from}
          busy={busy}
          onTake={(other, said) => void take(other, said)}
        />
      )}
    </section>
  )
}

interface OtherToolsProps extends OtherwiseButtonsProps {
  readonly from: PlannedRound
  readonly busy: boolean
  readonly onTake: (otherwise: Otherwise, said: string) => void
}

/** Another hook or yarn from a round on. */
function OtherTools({ spec, plan, from, hook: planned, busy, onTake }: OtherToolsProps) {
  const yarns = useYarns() ?? []
  const hookNow = spec.gauge.hook ?? planned
  const [hook, setHook] = useState(hookNow)
  const [yarn, setYarn] = useState('')
  const title = titleOf(from)
  const near = HOOKS.map(({ millimetres }) => millimetres).filter(
    (size) => size <= hookNow * NEAR_HOOKS && size >= hookNow / NEAR_HOOKS,
  )
  const hooks = [...new Set([...near, hookNow])].sort((one, other) => one - other)
  const onHook = onHookFrom(spec, plan, from.number, hookNow, hook)
  const inYarn = yarn === '' ? undefined : withYarnFrom(spec, plan, from.number, yarn)
  const others = yarns.filter(({ id }) => !yarnsIn(from).includes(id))
  return (
    <div className="grid grid-cols-[1fr_auto] items-end gap-x-3 gap-y-2">
      <Select
        label={`Hook from ${title} on`}
        value={String(hook)}
        onChange={(size) => setHook(Number(size))}
        choices={hooks.map((size) => [String(size), `${size} mm${size === hookNow ? ', as now' : ''}`])}
      />
      <button
        type="button"
        className="button-line"
        disabled={busy || !onHook}
        onClick={() =>
          onHook &&
          onTake(
            onHook,
            `From ${title} on with ${hook} mm: ${onHook.plan.rounds.length} rounds in all, to the same size.`,
          )
        }
      >
        Take this hook
      </button>
      {hook !== hookNow && !onHook && (
        <p role="alert" className="fault col-span-2 text-16">
          With this hook no rounds come out from {title} on. Take one nearer to {hookNow} mm.
        </p>
      )}
      {others.length > 0 && (
        <>
          <Select
            label={`Yarn from ${title} on`}
            value={yarn}
            onChange={setYarn}
            choices={[
              ['', `${yarnNames(yarns, from)}, as planned`],
              ...others.map(({ id, name }) => [id, name] as const),
            ]}
          />
          <button
            type="button"
            className="button-line"
            disabled={busy || !inYarn}
            onClick={() =>
              inYarn && onTake(inYarn, `${yarns.find(({ id }) => id === yarn)!.name} from ${title} on.`)
            }
          >
            Take this yarn
          </button>
        </>
      )}
    </div>
  )
}
