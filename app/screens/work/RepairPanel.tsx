import { useState } from 'react'
import {
  constructionIn,
  goTo,
  repairCount,
  writeRoundBody,
  type PieceSpec,
  type Plan,
  type PlannedRound,
  type Repair,
} from '../../../core/index.ts'
import { pinVersion, turnTo } from '../../store/takeWay.ts'
import { useSettings } from '../../store/queries.ts'
import type { Deed } from '../../store/workSession.ts'
import { say } from '../../ui/toasts.tsx'
import { percent } from '../../words/wording.ts'
import { mismatchSentence } from '../../words/mismatchSentence.ts'
import { roundTitle } from '../../words/roundWords.ts'

interface RepairPanelProps {
  readonly pieceId: string
  readonly spec: PieceSpec
  readonly plan: Plan
  readonly round: PlannedRound
  readonly counted: number
  readonly act: (deed: Deed) => void
  readonly onRecount: () => void
  readonly onCarryOn: () => void
}

/** A round with another count than planned: recount, mend it in the next, go back, or carry on. */
export function RepairPanel(props: RepairPanelProps) {
  const { pieceId, spec, plan, round, counted, act, onRecount, onCarryOn } = props
  const { terms } = useSettings()
  const [busy, setBusy] = useState(false)
  const { id, number, section, count: expected } = round
  const repair = repairCount(spec, plan, number, counted)
  const note: Deed = () => ({ type: 'count', round: id, counted, expected })
  const mend = async () => {
    if (!repair.mended || busy) return
    setBusy(true)
    try {
      const version = await pinVersion({ pieceId, spec, plan: repair.mended })
      act(note)
      act(turnTo(plan, repair.mended, number, version))
    } catch {
      say('This could not be stored. The disk may be full: export a file, then try again.')
      setBusy(false)
    }
  }
  const back = (
    <button
      type="button"
      className={repair.advice === 'goBack' ? 'button-ink' : 'button-line'}
      onClick={() => {
        act(note)
        act((from) => goTo(plan.rounds, from, { round: id, unit: 0 }))
      }}
    >
      Back to the start of {roundTitle(plan, number)}
    </button>
  )
  return (
    <div className="grid gap-3 border-t-2 rule pt-4">
      <p role="alert" className="text-24 leading-tight max-sm:text-18">
        <strong>
          {counted} counted, {expected} expected.
        </strong>{' '}
        {mismatchSentence(counted - expected, constructionIn(spec, section))}
      </p>
      <div className="grid gap-1 text-20 max-sm:text-18">
        <p>{adviceSentence(repair, expected, roundTitle(plan, number + 1))}</p>
        {repair.mending && (
          <p>
            <span className="text-ink-2">{roundTitle(plan, number + 1)}, mending:</span>{' '}
            <strong className="slab">{writeRoundBody(repair.mending, terms)}</strong>, {repair.mending.count}{' '}
            sts.
          </p>
        )}
      </div>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-line" onClick={onRecount}>
          Recount
        </button>
        {repair.mended && (
          <button
            type="button"
            className={repair.advice === 'mend' ? 'button-ink' : 'button-line'}
            disabled={busy}
            onClick={() => void mend()}
          >
            Fix in next round
          </button>
        )}
        {back}
        <button
          type="button"
          className={repair.advice === 'carryOn' ? 'button-ink' : 'button-line'}
          onClick={onCarryOn}
        >
          Carry on, note it
        </button>
      </div>
    </div>
  )
}

function adviceSentence({ why, off, share, goBackStitches }: Repair, expected: number, next: string): string {
  const size = `Left alone, the round stays ${percent(Math.abs(share))} ${off > 0 ? 'long' : 'short'}.`
  switch (why) {
    case 'hides':
      return `It hides in ${expected} sts: take it up in the next round. ${size}`
    case 'texture':
      return `Counts must divide from here on, so it cannot be taken up in ${next}. Go back now: ${goBackStitches} sts, out and in again.`
    case 'edging':
      return `Slip stitches follow, and take nothing up. Leave it: ${size}`
    case 'noRoom':
      return `${next} has no room to take it up. Going back costs ${goBackStitches} sts, out and in again. ${size}`
    case 'lastRound':
      return `No round follows to take it up. ${size}`
    case 'tooSmall':
      return `In so few stitches it shows. Going back costs ${goBackStitches} sts, out and in again. ${size}`
    default:
      return `That is too much to hide. Going back costs ${goBackStitches} sts, out and in again. ${size}`
  }
}
