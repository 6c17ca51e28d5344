import { useCallback } from 'react'
import type { Handle } from '../../drawing/PlanDrawing.tsx'
import type { View } from '../../drawing/views/view.ts'
import { HalfSection, HeadBehind, ShapeBehind, VesselSizes } from '../../drawing/HalfSection.tsx'
import { UNROLL_CUT, unrolled } from '../../drawing/views/unrolled.ts'
import { bendOf, lastOfCrown, TAIL, widestOf } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { wordsOf } from '../../words/formWords.ts'
import { CrownWords } from './CrownWords.tsx'
import type { OnDeskProps } from './FlatOnDesk.tsx'
import { Legend } from './Legend.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { MARGIN, type DeskLayout } from './planLayout.ts'
import { familyOf, measured, sizesOf, wallOf, type Plan } from '../../../core/index.ts'
import { headOf, pulledGirth } from './planModel.ts'
import { shapeBehind } from './shapeBehind.ts'

const TOP = 20
/** Room for words under the rows. */
const BELOW = 76
/** Px that a slim piece keeps left and right of its middle, for its sizes and the legend beside it. */
const SLIM = 180
/** Px beside a drawn shape in which it is said by how much its rounds stray. */
const STRAYS = 84

/** px per mm of a closed piece beside its ledger, and the radius of what of it is drawn as a disc. */
export function closedScale(
  plan: Plan,
  { width, height, ledgerWidth, blockWidth }: DeskLayout,
): { readonly scale: number; readonly radius: number; readonly reach: number } {
  const { arc, z } = plan.rounds.at(-1)!.at
  const disc = Math.min(bendOf(plan), arc)
  // Rows end as deep as the fabric is long; cut through, it hangs from below the disc.
  const deep = disc === arc ? disc : Math.max(arc, disc + z)
  // A wall may lean out beyond what lies flat.
  const widest = Math.max(disc, widestOf(plan))
  const scale = Math.min(
    (width - 2 * MARGIN - ledgerWidth - 14) / (widest * (1 + TAIL)),
    (height - TOP - BELOW) / (disc + deep),
    (width - 2 * MARGIN - blockWidth - 16) / disc,
  )
  return { scale, radius: disc * scale, reach: widest * scale }
}

/** A closed piece on a desk: its crown unrolls beside the ledger, its wall below it; left of the axis it is cut through. */
export function ClosedOnDesk({ model, plan, spec, layout, lit, onPoint, leaderTo }: OnDeskProps) {
  const colours = useYarnColours()
  const { piece, settings } = model
  const { width, height, mirrored, ledgerWidth, blockWidth } = layout
  const { scale, radius, reach } = closedScale(plan, layout)
  const sizes = useSizes()
  const guess = spec.gauge.certainty === 'guess'
  const shape = shapeBehind(spec, plan, sizes, guess)
  const room = Math.max(SLIM, reach + (shape?.marks.length ? STRAYS : 0))
  const [x, y] = [mirrored ? width - MARGIN - room : MARGIN + room, TOP + radius]
  const viewAt = useCallback(
    (held?: number) =>
      unrolled(plan, { scale: held ?? scale, x, y, cut: UNROLL_CUT, mirrored, bend: bendOf(plan) }),
    [plan, scale, x, y, mirrored],
  )
  const head = headOf(piece)
  const hangs = wordsOf(piece.form).hangs === true
  const [crown, last] = [lastOfCrown(plan), plan.rounds.at(-1)!]
  const { thickness } = sizesOf(spec)
  const { closes } = familyOf(spec.form)
  const wide = closes ? widestOf(plan) : (crown ?? last).at.radius
  const drawn = width - MARGIN - ledgerWidth
  const girth = pulledGirth(model, spec, sizes)
  /** On the section, halfway down its wall. */
  const girthHandles = ({ scale: px }: View): Handle[] => {
    const { id } = wallOf(spec)
    const walls = plan.rounds.filter(({ section }) => section === id)
    const middle = walls[Math.floor(walls.length / 2)]
    if (!girth || !middle) return []
    const side = mirrored ? 1 : -1
    const { radius: out, z } = middle.at
    const at = { x: x + side * out * px, y: hangs ? y + radius + 1 + z * px : y + (last.at.arc - z) * px }
    const along = (point: { readonly x: number }) => (2 * Math.PI * side * (point.x - x)) / px
    return [{ grip: { at, turned: 0, along }, pulled: girth }]
  }
  return (
    <>
      <div className="absolute inset-y-0" style={mirrored ? { right: 0 } : { left: 0 }}>
        <PieceDrawing
          {...{ model, spec, viewAt, height, lit, onPoint, leaderTo }}
          width={mirrored ? width : drawn}
          handles={(view) => girthHandles(view)}
        >
          {(view) => {
            // Worn, it hangs from under its crown; what stands has its base where its rows end.
            const top = hangs ? y + radius + 1 : y + last.at.arc * view.scale
            const at = { scale: view.scale, axis: x, mirrored }
            return (
              <g pointerEvents="none">
                {shape && <ShapeBehind {...shape} {...at} table={top} />}
                {head !== undefined && <HeadBehind around={head} {...at} top={top} />}
                {!hangs && (
                  <VesselSizes
                    {...at}
                    table={top}
                    radius={wide}
                    height={last.at.z}
                    round={closes !== undefined}
                    says={{
                      across: `${sizes.bare(2 * wide + thickness)} ${closes ? 'empty' : 'base'}`,
                      high: `${sizes.bare(measured('height', last.at, thickness))} high`,
                    }}
                  />
                )}
                <HalfSection
                  plan={plan}
                  {...at}
                  {...{ top, guess, hangs }}
                  yarns={colours}
                  {...(lit ? { lit } : {})}
                />
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
        decreases={plan.rounds.some(({ count, from }) => count < from)}
        radius={room}
        centre={{ x, y }}
      />
    </>
  )
}
