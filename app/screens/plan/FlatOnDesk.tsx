import { useCallback } from 'react'
import type { PieceSpec, Plan } from '../../../core/index.ts'
import { FlatnessStrip, SectionView } from '../../drawing/SectionAndStrip.tsx'
import { UNROLL_CUT, unrolled } from '../../drawing/views/unrolled.ts'
import { farthestOf, TAIL } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { Legend } from './Legend.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { MARGIN, type DeskLayout, type LedgerLines } from './planLayout.ts'
import { pulledSize, type PlanModel } from './planModel.ts'

export interface OnDeskProps extends LedgerLines {
  readonly model: PlanModel
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly layout: DeskLayout
  readonly lit: number | undefined
  readonly onPoint: (round: number | undefined) => void
}

const TOP = 20
/** Section, tape and strip under the disc. */
const BELOW = 132

/** The radius of a disc drawn beside the ledger, whose rows run into its lines, px. */
export const flatRadius = ({ width, height, ledgerWidth, blockWidth }: DeskLayout): number =>
  Math.max(
    80,
    Math.min(
      (width - 2 * MARGIN - ledgerWidth - 14) / (1 + TAIL),
      (height - TOP - BELOW) / 2,
      width - 2 * MARGIN - blockWidth - 16,
    ),
  )

/** Where its ledger begins at the highest: beside the disc's middle, where rows leave it. */
export const ledgerTopBeside = (radius: number): number => TOP + radius - 2

/** A flat piece on a desk: the disc with its rows, its section and the count against flat under it. */
export function FlatOnDesk({ model, plan, spec, layout, lit, onPoint, leaderTo }: OnDeskProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const { piece, settings } = model
  const { width, height, mirrored } = layout
  const radius = flatRadius(layout)
  const guess = spec.gauge.certainty === 'guess'
  const [x, y] = [mirrored ? width - MARGIN - radius : MARGIN + radius, TOP + radius]
  const scale = radius / farthestOf(plan)
  const viewAt = useCallback(
    (held?: number) => unrolled(plan, { scale: held ?? scale, x, y, cut: UNROLL_CUT, mirrored }),
    [plan, scale, x, y, mirrored],
  )
  const pulled = pulledSize(model, spec, sizes)
  const axis = {
    plan,
    scale,
    centre: radius + MARGIN,
    width: 2 * (radius + MARGIN),
    ...(lit === undefined ? {} : { lit }),
    onPoint,
  }
  return (
    <>
      <div className="absolute inset-y-0" style={mirrored ? { right: 0 } : { left: 0 }}>
        <PieceDrawing
          {...{ model, spec, viewAt, height, lit, onPoint, leaderTo }}
          width={mirrored ? width : MARGIN + radius * (1 + TAIL) + 40}
        />
      </div>
      <div
        className="absolute"
        style={{ top: y + radius + 6, left: x - radius - MARGIN, width: 2 * (radius + MARGIN) }}
      >
        <SectionView target={pulled.value} sizes={sizes} yarns={colours} guess={guess} {...axis} />
        <FlatnessStrip {...axis} />
        <p className="absolute bottom-1 left-7 w-[11.5rem] text-14 leading-tight">
          <strong>Count against flat,</strong> in stitches. Each bar is a{' '}
          {plan.rounds[0]!.closed ? 'round' : 'row'}.
        </p>
      </div>
      <Legend
        terms={settings.terms}
        stitch={piece.stitch}
        newYarn={plan.yarn.length > 1}
        decreases={plan.rounds.some(({ count, from }) => count < from)}
        radius={radius}
        centre={{ x, y }}
      />
    </>
  )
}
