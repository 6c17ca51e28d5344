import { useCallback } from 'react'
import { LaidFlat } from '../../drawing/LaidFlat.tsx'
import { rows } from '../../drawing/views/rows.ts'
import { isStrip, sizeCutOpen } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import type { OnDeskProps } from './FlatOnDesk.tsx'
import { HowItSits } from './HowItSits.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { MARGIN } from './planLayout.ts'
import { girthHandles } from './girthHandles.ts'
import { pulledGirth } from './planModel.ts'

const TOP = 12
/** Room for leaders between the longest row and the ledger. */
const LEADERS = 72
const BELOW = 40
const CAPTION = 26
/** The wall cut across. */
const RING = 196

/** A wall on a desk: cut open, its rows run into the ledger; above them it lies as it will be measured. */
export function WallOnDesk(props: OnDeskProps & { readonly rowsTop: number }) {
  const { model, plan, spec, layout, lit, onPoint, leaderTo, rowsTop } = props
  const sizes = useSizes()
  const colours = useYarnColours()
  const { width, height, mirrored, ledgerWidth, blockWidth } = layout
  const guess = spec.gauge.certainty === 'guess'
  const room = width - 2 * MARGIN - ledgerWidth - LEADERS
  const { wide, long } = sizeCutOpen(plan)
  const scale = Math.min(room / wide, (height - rowsTop - BELOW) / long)
  const x = mirrored ? width - MARGIN : MARGIN
  const viewAt = useCallback(
    (held?: number) => rows(plan, { scale: held ?? scale, x, y: rowsTop, mirrored }),
    [plan, scale, x, rowsTop, mirrored],
  )
  const girth = pulledGirth(model, spec, sizes)
  const laid = width - 2 * MARGIN - blockWidth - 24
  const said = sayAllPromised(plan.finished.promises, sizes, guess)
  return (
    <>
      <div className="absolute inset-0">
        <PieceDrawing
          {...{ model, spec, viewAt, width, height, lit, onPoint, leaderTo }}
          handles={({ scale: px }) =>
            girthHandles(girth, { x, y: rowsTop + (long / 2) * px, px, share: 1, mirrored })
          }
        />
      </div>
      {!isStrip(plan) && (
        <div
          className="absolute flex items-start justify-between gap-6"
          style={{ top: TOP, width: laid, ...(mirrored ? { right: MARGIN } : { left: MARGIN }) }}
        >
          <div className="min-w-0">
            <p className="pb-1 text-16 leading-tight">
              <strong>As it is measured,</strong> laid flat from fold to fold.
            </p>
            <LaidFlat
              plan={plan}
              width={laid - RING - 24}
              height={Math.max(60, rowsTop - TOP - CAPTION - 40)}
              yarns={colours}
              guess={guess}
              mirrored={mirrored}
              sizes={sizes}
              label={`Laid flat: ${said}`}
              {...(lit === undefined ? {} : { lit })}
            />
          </div>
          <HowItSits plan={plan} spec={spec} size={RING} guess={guess} />
        </div>
      )}
    </>
  )
}
