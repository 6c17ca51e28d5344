import { useCallback, useMemo } from 'react'
import { familyOf } from '../../../core/index.ts'
import { SockSection } from '../../drawing/SockSection.tsx'
import { rows } from '../../drawing/views/rows.ts'
import { partsOfSock, sizeOfSock } from '../../drawing/views/sock.ts'
import { sizeCutOpen } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { closingWords } from '../../words/closingWords.ts'
import { sockWords } from '../../words/sockWords.ts'
import { PieceDrawing } from './PieceDrawing.tsx'
import type { StackedProps } from './StackedDrawings.tsx'

const TALLEST = 560
const SECTION = 320
/** Over a section the leg's own words, under it its tape. */
const [OVER, UNDER] = [12, 44]

/** A sock: from the side with the foot in it, and its tube cut open with the rows of its heel. */
export function SockStacked(props: StackedProps & { readonly whole: boolean }) {
  const { model, plan, spec, width, lit, onPoint, unrolls, whole } = props
  const sizes = useSizes()
  const colours = useYarnColours()
  const mirrored = model.settings.hand === 'left'
  const guess = spec.gauge.certainty === 'guess'
  const { tube } = useMemo(() => partsOfSock(plan), [plan])
  const { long, high } = sizeOfSock(plan)
  const scale = Math.min((width - 24) / long, SECTION / high)
  const height = high * scale + OVER + UNDER
  const open = sizeCutOpen(tube)
  const rowsScale = Math.min((width - 8) / open.wide, TALLEST / open.long)
  const rowsAt = useCallback(
    (held?: number) => rows(tube, { scale: held ?? rowsScale, x: mirrored ? width - 4 : 4, y: 4, mirrored }),
    [tube, rowsScale, width, mirrored],
  )
  const says = sockWords(plan, sizes, guess)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-5">
      {whole && (
        <svg
          width={width}
          height={height}
          className="overflow-hidden"
          role="img"
          aria-label={`From the side: ${sayAllPromised(plan.finished.promises, sizes, guess)}`}
        >
          <SockSection
            plan={plan}
            foot={familyOf(spec.form).onFoot?.(spec.form)}
            scale={scale}
            x={mirrored ? width - 12 : 12}
            floor={height - UNDER}
            {...{ mirrored, guess, says }}
            yarns={colours}
            {...(lit === undefined ? {} : { lit })}
          />
        </svg>
      )}
      <p className="text-16 leading-snug">
        {says.all} {closingWords(spec, plan, sizes)}
      </p>
      {unrolls && (
        <PieceDrawing
          {...{ model, spec, width, lit, onPoint }}
          viewAt={rowsAt}
          height={open.long * rowsScale + 40}
        />
      )}
    </div>
  )
}
