import {
  doubtAtHand,
  LIMITS,
  metresAtHand,
  roundNamed,
  strandRuns,
  tailsIn,
  yarnCheck,
  yarnsIn,
  type PieceSpec,
  type Plan,
  type Position,
  type YarnCheck,
  type YarnRecord,
} from '../../../core/index.ts'
import { useYarns } from '../../store/queries.ts'
import { asYarn } from '../../store/onTheWay.ts'
import { useDraft } from '../../store/useDraft.ts'
import { InstrumentBar } from '../../ui/InstrumentBar.tsx'
import { Modal } from '../../ui/Modal.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes, type Sizes } from '../../ui/useSizes.ts'
import { roundTitle } from '../../words/roundWords.ts'

interface YarnDialogProps {
  readonly open: boolean
  readonly onClose: () => void
  readonly spec: PieceSpec
  readonly plan: Plan
  readonly position: Position
}

/** Weigh the ball: what is left, which round is the last safe one, and what it finishes. */
export function YarnDialog({ open, onClose, spec, plan, position }: YarnDialogProps) {
  const yarns = useYarns() ?? []
  const ids = plan.yarn.map(({ yarn }) => yarn)
  const current = yarnsIn(roundNamed(plan.rounds, position.round)!)
  const ordered = [...current, ...ids.filter((id) => !current.includes(id))]
  return (
    <Modal open={open} onClose={onClose} title="Will the yarn do?">
      {ordered.map((id) => {
        const yarn = yarns.find((one) => one.id === id)
        return yarn && <Ball key={id} stored={yarn} spec={spec} plan={plan} position={position} />
      })}
      {ids.length > 1 && (
        <p className="border-t rule pt-3 text-18">
          The yarns of this piece leave {tailsIn(strandRuns(plan.rounds, spec))} ends to hide; what rests for
          up to three rounds is carried up inside.
        </p>
      )}
      <div className="-mx-6 -mb-6 max-sm:-mx-4 max-sm:-mb-4">
        <InstrumentBar />
      </div>
    </Modal>
  )
}

type BallProps = Pick<YarnDialogProps, 'spec' | 'plan' | 'position'> & { readonly stored: YarnRecord }

/** What is left of one yarn, as the scale says, and what that is enough for. */
function Ball({ stored, spec, plan, position }: BallProps) {
  const sizes = useSizes()
  const [yarn, change] = useDraft(stored, ['yarns'], asYarn, say)
  const left = metresAtHand(yarn)
  const labelled = yarn.metresPerBall !== undefined && yarn.gramsPerBall !== undefined
  const check =
    left === undefined
      ? undefined
      : yarnCheck({
          spec,
          plan,
          position,
          yarn: yarn.id,
          left,
          leftSd: doubtAtHand(yarn, left),
          useSd: spec.gauge.yarnUse?.sd,
        })
  return (
    <section aria-label={yarn.name} className="grid gap-2 border-t rule pt-3">
      <h3 className="text-21">{yarn.name}</h3>
      <div className="grid max-w-md grid-cols-2 border-2 rule">
        <NumberCell
          label={`Begun ball of ${yarn.name}`}
          value={yarn.leftoverGrams}
          format={sizes.mass.bare}
          parse={sizes.mass.parse}
          unit={sizes.mass.unit}
          takes="mass"
          onChange={(leftoverGrams) => change({ ...yarn, leftoverGrams })}
          onClear={() => change({ ...yarn, leftoverGrams: undefined })}
        />
        <NumberCell
          className="border-l rule"
          label="Whole balls beside it"
          value={yarn.balls}
          format={String}
          parse={parseWhole(...LIMITS.balls, 'a number of balls')}
          onChange={(balls) => change({ ...yarn, balls })}
          onClear={() => change({ ...yarn, balls: undefined })}
        />
      </div>
      {!labelled && (
        <p className="text-16">
          The label is missing: put metres and grams of a ball on the yarn shelf to weigh by.
        </p>
      )}
      {check && <Answer check={check} sizes={sizes} plan={plan} />}
    </section>
  )
}

function Answer({ check, sizes, plan }: { check: YarnCheck; sizes: Sizes; plan: Plan }) {
  const { left, leftPlusMinus, needed, neededPlusMinus, lastSafeRound, runsOut, piece, morePieces } = check
  const amount = (metres: number, plusMinus: number) =>
    `${sizes.yarn.bare(metres)} ± ${sizes.yarn.full(plusMinus)}`
  return (
    <div role="status" className="text-18 leading-snug">
      <p>
        {amount(left, leftPlusMinus)} left; this piece still takes {amount(needed, neededPlusMinus)}.
      </p>
      <p>
        <strong>
          {piece === 'safe'
            ? 'It finishes this piece.'
            : piece === 'maybe'
              ? 'It may just finish this piece.'
              : 'It does not finish this piece.'}
        </strong>{' '}
        {piece !== 'safe' &&
          (lastSafeRound > 0
            ? `Safe to the end of ${roundTitle(plan, lastSafeRound)}.`
            : 'Not even the round on the hook is safe.')}{' '}
        {runsOut &&
          `It runs out in ${roundTitle(plan, runsOut.round)}, some ${runsOut.stitchesLeft} sts before its end.`}{' '}
        {piece === 'safe' &&
          (morePieces > 0
            ? `The rest is safe for ${morePieces} more like it.`
            : `After ${roundTitle(plan, plan.rounds.length)} there is not surely enough for another.`)}
      </p>
    </div>
  )
}
