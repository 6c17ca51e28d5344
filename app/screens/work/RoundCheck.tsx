import { useState } from 'react'
import { Link } from 'react-router'
import {
  afterOf,
  writeRound,
  type PieceSpec,
  type Plan,
  type WorkView,
  titleOf,
} from '../../../core/index.ts'
import type { Deed } from '../../store/workSession.ts'
import { useSettings } from '../../store/queries.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { endingSentence } from '../../words/endingSentence.ts'
import { RepairPanel } from './RepairPanel.tsx'

interface RoundCheckProps {
  readonly plan: Plan
  readonly pieceId: string
  readonly spec: PieceSpec
  /** Where the piece is measured. */
  readonly checkPath: string
  readonly now: WorkView
  /** Whether this was the last round. */
  readonly last: boolean
  readonly act: (deed: Deed) => void
  readonly onGoOn: () => void
  /** A stitch was counted here, where none is to be made. */
  readonly reminded: boolean
  readonly onStitch: () => void
}

/** The end of a round: the count it must have and how it must end, before the next begins. */
export function RoundCheck(props: RoundCheckProps) {
  const { plan, pieceId, spec, checkPath, now, last, act, onGoOn, reminded, onStitch } = props
  const { terms } = useSettings()
  const sizes = useSizes()
  const measuring = askingWordsOf(spec.form).measureNow
  const { round } = now
  const [counted, setCounted] = useState('')
  const [bold, rest] = endingSentence(round, terms)
  const { end } = writeRound(round, { spec, terms, above: afterOf(plan.rounds, round) })
  const next = afterOf(plan.rounds, round)
  const checkpoint = plan.checkpoints.find(({ afterRound }) => afterRound === round.number)
  const other = /^\d{1,5}$/.test(counted.trim()) ? Number(counted) : undefined
  const differs = other !== undefined && other !== round.count
  const note = (): Deed => () => ({
    type: 'count',
    round: round.id,
    counted: other ?? round.count,
    expected: round.count,
  })
  const carryOn = () => {
    if (other !== undefined) act(note())
    onGoOn()
  }
  return (
    <main className="grid min-h-0 grow content-start gap-5 overflow-y-auto px-7 py-6 max-sm:gap-3 max-sm:px-4 max-sm:py-4">
      <p className="slab text-36 max-sm:text-24">{titleOf(round)} is done. Count it.</p>
      <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
        <p className="flex items-end gap-4">
          <span className="bg-tape px-5 font-slab text-[8.5rem] leading-[1.05] font-[550] tracking-[-0.04em] max-sm:text-[5rem]">
            {round.count}
          </span>
          <span className="slab pb-4 text-44 max-sm:text-26">sts</span>
        </p>
        <p className="max-w-2xl pb-3 text-26 leading-tight max-sm:text-20">
          <strong>{bold}</strong> {rest}
          <span className="block pt-2 text-ink-2">{end[0]!.toUpperCase() + end.slice(1)}.</span>
        </p>
      </div>
      {checkpoint && (
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-y-2 rule py-3">
          <p className="min-w-0 grow basis-96 text-24 max-sm:text-18">
            <strong>Measure now:</strong> {sayAllPromised(checkpoint.promises, sizes)}. {measuring}
          </p>
          <Link to={checkPath} className="button-line">
            Put in what you measure
          </Link>
        </div>
      )}
      <form
        className="flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (!differs) carryOn()
        }}
      >
        {!differs && (
          <button
            type="submit"
            className="button-ink min-h-16 px-8 text-24"
            autoFocus
            onKeyDown={(event) => {
              if (event.key !== ' ') return
              event.preventDefault()
              if (!event.repeat) onStitch()
            }}
            onKeyUp={(event) => event.key === ' ' && event.preventDefault()}
          >
            {last ? `${round.count}: finish` : `${round.count}: on to ${titleOf(next!)}`}
          </button>
        )}
        <label className="grid gap-1">
          <span className="text-16">I count another number</span>
          <input
            className="field w-44"
            inputMode="numeric"
            autoComplete="off"
            maxLength={5}
            value={counted}
            onChange={(event) => setCounted(event.target.value)}
          />
        </label>
      </form>
      {reminded && (
        <p role="status" className="text-18">
          <strong>Space counts nothing here.</strong> Count the round; Enter says that there are {round.count}
          .
        </p>
      )}
      {counted.trim() !== '' && other === undefined && (
        <p role="alert" className="fault text-18">
          “{counted}” is not a count. Type a whole number of stitches.
        </p>
      )}
      {differs && (
        <RepairPanel
          pieceId={pieceId}
          spec={spec}
          plan={plan}
          round={round}
          counted={other}
          act={act}
          onRecount={() => setCounted('')}
          onCarryOn={carryOn}
        />
      )}
    </main>
  )
}
