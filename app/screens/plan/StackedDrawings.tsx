import { useCallback } from 'react'
import type { PieceSpec, Plan } from '../../../core/index.ts'
import { LaidFlat } from '../../drawing/LaidFlat.tsx'
import { FlatnessStrip, SectionView } from '../../drawing/SectionAndStrip.tsx'
import { rows } from '../../drawing/views/rows.ts'
import { UNROLL_CUT, unrolled } from '../../drawing/views/unrolled.ts'
import { farthestOf, isPart, isStrip, sizeCutOpen, sizeOfPart, TAIL } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { HowItSits } from './HowItSits.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { girthHandles } from './girthHandles.ts'
import { pulledGirth, pulledSize, type PlanModel } from './planModel.ts'

export interface StackedProps {
  readonly model: PlanModel
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly width: number
  readonly lit: number | undefined
  readonly onPoint: (round: number | undefined) => void
  /** Whether its rows run out of it. */
  readonly unrolls: boolean
}

/** A disc, whole or unrolled, with its section and the count against flat under it. */
export function FlatStacked({ model, plan, spec, width, lit, onPoint, unrolls }: StackedProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const { settings } = model
  const mirrored = settings.hand === 'left'
  const guess = spec.gauge.certainty === 'guess'
  const cut = unrolls ? UNROLL_CUT : 1
  const radius = Math.max(40, unrolls ? (width - 8) / (1 + TAIL) : Math.min(width / 2 - 12, 240))
  const part = isPart(plan) && !unrolls ? sizeOfPart(plan) : undefined
  const scale = part ? (width - 24) / part.wide : radius / farthestOf(plan)
  const x = unrolls ? (mirrored ? width - radius - 4 : radius + 4) : width / 2
  const [y, below] = part ? [part.up * scale + 12, part.down * scale] : [radius + 12, radius]
  const viewAt = useCallback(
    (held?: number) => unrolled(plan, { scale: held ?? scale, x, y, cut, mirrored }),
    [plan, scale, x, y, cut, mirrored],
  )
  const pulled = pulledSize(model, spec, sizes)
  const axis = { plan, scale, centre: x, width, ...(lit === undefined ? {} : { lit }), onPoint }
  return (
    <>
      <PieceDrawing {...{ model, spec, viewAt, width, lit, onPoint }} height={y + below + 12} />
      <SectionView target={pulled.value} sizes={sizes} yarns={colours} guess={guess} {...axis} />
      <FlatnessStrip {...axis} />
    </>
  )
}

const TALLEST = 460
/** The wall cut across; beside the rest where there is room for both. */
const RING = 220

/** A wall: as it is measured, and cut open into its rows. */
export function WallStacked(props: StackedProps & { readonly laid: boolean }) {
  const { model, plan, spec, width, lit, onPoint, unrolls, laid } = props
  const sizes = useSizes()
  const colours = useYarnColours()
  const { settings } = model
  const mirrored = settings.hand === 'left'
  const guess = spec.gauge.certainty === 'guess'
  const { wide, long } = sizeCutOpen(plan)
  const phone = width < 3 * RING
  const scale = Math.min((width - 16) / wide, TALLEST / long)
  const x = mirrored ? width - 4 : 4
  const viewAt = useCallback(
    (held?: number) => rows(plan, { scale: held ?? scale, x, y: 4, mirrored }),
    [plan, scale, x, mirrored],
  )
  const girth = pulledGirth(model, spec, sizes)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
      {laid && !isStrip(plan) && (
        <div className="flex flex-wrap items-start gap-6">
          <LaidFlat
            plan={plan}
            width={phone ? width : width - RING - 24}
            height={TALLEST}
            yarns={colours}
            guess={guess}
            mirrored={mirrored}
            sizes={sizes}
            label={`Laid flat: ${sayAllPromised(plan.finished.promises, sizes, guess)}`}
            {...(lit === undefined ? {} : { lit })}
          />
          <HowItSits plan={plan} spec={spec} size={RING} guess={guess} />
        </div>
      )}
      {(unrolls || isStrip(plan)) && (
        <PieceDrawing
          {...{ model, spec, viewAt, width, lit, onPoint }}
          height={long * scale + 40}
          handles={({ scale: px }) =>
            girthHandles(girth, { x, y: 4 + (long / 2) * px, px, share: 1, mirrored })
          }
        />
      )}
    </div>
  )
}
