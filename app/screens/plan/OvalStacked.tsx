import { useCallback, useMemo } from 'react'
import { mainOf } from '../../drawing/views/view.ts'
import { familyOf, measured, sizesOf } from '../../../core/index.ts'
import { OvalSection, OvalSizes } from '../../drawing/OvalSection.tsx'
import { ChainBeads, FaceZones, WallZones } from '../../drawing/ZoneMarks.tsx'
import { goesTheOtherWay, ovalFace, reachOfOval, sizeOfOval } from '../../drawing/views/oval.ts'
import { rows } from '../../drawing/views/rows.ts'
import { partsOfOval, sizeCutOpen } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { closingWords } from '../../words/closingWords.ts'
import { PieceDrawing } from './PieceDrawing.tsx'
import type { StackedProps } from './StackedDrawings.tsx'

const TALLEST = 520
const SECTION = 300
const ZONES = 56
const OVER_ROWS = 34

/** An oval: its base around the chain, cut through, and its wall cut open. */
export function OvalStacked(props: StackedProps & { readonly face: boolean }) {
  const { model, plan, spec, width, lit, onPoint, unrolls, face } = props
  const mirrored = model.settings.hand === 'left'
  const guess = spec.gauge.certainty === 'guess'
  const { base, wall } = useMemo(() => partsOfOval(plan), [plan])
  const { wide, long } = sizeOfOval(base)
  const { before, after } = reachOfOval(base, unrolls)
  const scale = Math.min(TALLEST / long, (width - ZONES - 12) / (before + after))
  const from = (left: number) => (mirrored ? width - left : left)
  const otherWay = goesTheOtherWay(base)
  const [x, y] = [from((otherWay ? 4 : ZONES + 4) + before * scale), 8 + (long - wide / 2) * scale]
  const zonesAt = from(otherWay ? 4 + (before + after) * scale + ZONES : 2)
  const faceAt = useCallback(
    (held?: number) =>
      ovalFace(base, {
        scale: held ?? scale,
        x,
        y,
        mirrored,
        unrolls,
        walled: wall !== undefined,
      }),
    [base, wall, scale, x, y, mirrored, unrolls],
  )
  const open = wall && sizeCutOpen(wall)
  const rowsScale = open ? Math.min((width - 8) / open.wide, TALLEST / open.long) : 1
  const rowsAt = useCallback(
    (held?: number) =>
      rows(wall ?? base, { scale: held ?? rowsScale, x: mirrored ? width - 4 : 4, y: OVER_ROWS, mirrored }),
    [wall, base, rowsScale, width, mirrored],
  )
  const closing = closingWords(spec, plan, useSizes())
  const drawing = { model, spec, width, lit, onPoint }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-5">
      {face && (
        <PieceDrawing {...drawing} viewAt={faceAt} height={long * scale + 20}>
          {(view) => (
            <>
              <ChainBeads view={view} />
              <FaceZones
                view={view}
                round={base.rounds.at(-1)!}
                x={zonesAt}
                mirrored={mirrored !== otherWay}
              />
            </>
          )}
        </PieceDrawing>
      )}
      {wall && face && <Section {...props} mirrored={mirrored} guess={guess} />}
      {closing && <p className="text-16 leading-snug">{closing}</p>}
      {open && unrolls && (
        <PieceDrawing {...drawing} viewAt={rowsAt} height={open.long * rowsScale + OVER_ROWS + 30}>
          {(view) => <WallZones view={view} round={wall.rounds[0]!} />}
        </PieceDrawing>
      )}
    </div>
  )
}

type SectionProps = Pick<StackedProps, 'plan' | 'spec' | 'width' | 'lit'> & {
  readonly mirrored: boolean
  readonly guess: boolean
}

/** Cut along its chain, with how long and how high it is. */
function Section({ plan, spec, width, lit, mirrored, guess }: SectionProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const { base } = partsOfOval(plan)
  const { thickness } = sizesOf(spec)
  const [edge, last] = [base.rounds.at(-1)!.at, mainOf(plan).at(-1)!.at]
  const { radius, spine = 0 } = edge
  const family = familyOf(spec.form)
  const holds = family.holds?.(spec.form)
  const tall = Math.max(last.z, holds?.high ?? 0)
  const scale = Math.min((width - 90) / (2 * radius + spine), SECTION / tall)
  const height = tall * scale + 60
  const at = {
    plan,
    scale,
    x: mirrored ? width - 60 - radius * scale : 60 + radius * scale,
    table: height - 44,
    mirrored,
  }
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Cut along its chain: ${sayAllPromised(plan.finished.promises, sizes, guess)}`}
    >
      <OvalSizes
        {...at}
        foot={family.onFoot?.(spec.form)}
        holds={holds}
        says={{
          long: `${sizes.bare(measured('endToEnd', edge) + thickness)} long`,
          high: `${sizes.bare(measured('height', last, thickness))} high`,
        }}
      />
      <OvalSection {...at} yarns={colours} guess={guess} {...(lit === undefined ? {} : { lit })} />
    </svg>
  )
}
