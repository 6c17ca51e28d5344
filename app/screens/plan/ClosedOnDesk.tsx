import { useCallback } from 'react'
import { HalfSection, HeadBehind } from '../../drawing/HalfSection.tsx'
import { UNROLL_CUT, unrolled } from '../../drawing/views/unrolled.ts'
import { bendOf, TAIL } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { CrownWords } from './CrownWords.tsx'
import type { OnDeskProps } from './FlatOnDesk.tsx'
import { Legend } from './Legend.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { MARGIN, type DeskLayout } from './planLayout.ts'
import type { Plan } from '../../../core/index.ts'
import { headOf } from './planModel.ts'

const TOP = 20
/** Room for words under the rows. */
const BELOW = 76

/** px per mm of a closed piece beside its ledger, and the radius of what of it is drawn as a disc. */
export function closedScale(
  plan: Plan,
  { width, height, ledgerWidth, blockWidth }: DeskLayout,
): { readonly scale: number; readonly radius: number } {
  const { arc } = plan.rounds.at(-1)!.at
  const disc = Math.min(bendOf(plan), arc)
  const deep = disc === arc ? disc : arc
  const scale = Math.min(
    (width - 2 * MARGIN - ledgerWidth - 14) / (disc * (1 + TAIL)),
    (height - TOP - BELOW) / (disc + deep),
    (width - 2 * MARGIN - blockWidth - 16) / disc,
  )
  return { scale, radius: disc * scale }
}

/** A closed piece on a desk: its crown unrolls beside the ledger, its wall below it; left of the axis it is cut through. */
export function ClosedOnDesk({ model, plan, spec, layout, lit, onPoint, leaderTo }: OnDeskProps) {
  const colours = useYarnColours()
  const { piece, settings } = model
  const { width, height, mirrored, ledgerWidth, blockWidth } = layout
  const { scale, radius } = closedScale(plan, layout)
  const guess = spec.gauge.certainty === 'guess'
  const [x, y] = [mirrored ? width - MARGIN - radius : MARGIN + radius, TOP + radius]
  const viewAt = useCallback(
    (held?: number) =>
      unrolled(plan, { scale: held ?? scale, x, y, cut: UNROLL_CUT, mirrored, bend: bendOf(plan) }),
    [plan, scale, x, y, mirrored],
  )
  const head = headOf(piece)
  const drawn = width - MARGIN - ledgerWidth
  return (
    <>
      <div className="absolute inset-y-0" style={mirrored ? { right: 0 } : { left: 0 }}>
        <PieceDrawing
          {...{ model, spec, viewAt, height, lit, onPoint, leaderTo }}
          width={mirrored ? width : drawn}
        >
          {(view) => {
            const at = { scale: view.scale, axis: x, top: y + radius + 1, mirrored }
            return (
              <g pointerEvents="none">
                {head !== undefined && <HeadBehind around={head} {...at} />}
                <HalfSection plan={plan} {...at} yarns={colours} guess={guess} {...(lit ? { lit } : {})} />
              </g>
            )
          }}
        </PieceDrawing>
      </div>
      <div
        className="absolute bottom-3 bg-film/85"
        style={{
          width: width - blockWidth - 2 * MARGIN - 16,
          ...(mirrored ? { right: MARGIN } : { left: MARGIN }),
        }}
      >
        <CrownWords plan={plan} spec={spec} guess={guess} />
      </div>
      <Legend
        terms={settings.terms}
        stitch={piece.stitch}
        newYarn={plan.yarn.length > 1}
        radius={radius}
        centre={{ x, y }}
      />
    </>
  )
}
