import { useCallback, useMemo } from 'react'
import { familyOf, zonesOf } from '../../../core/index.ts'
import { CountStory } from '../../drawing/CountStory.tsx'
import { SockSection } from '../../drawing/SockSection.tsx'
import { rows } from '../../drawing/views/rows.ts'
import { partsOfSock, sizeOfSock } from '../../drawing/views/sock.ts'
import { UNROLL_CUT, unrolled } from '../../drawing/views/unrolled.ts'
import { reachOf, sizeCutOpen, TAIL } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { closingWords } from '../../words/closingWords.ts'
import { sockWords } from '../../words/sockWords.ts'
import type { OnDeskProps } from './FlatOnDesk.tsx'
import { Legend } from './Legend.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { MARGIN } from './planLayout.ts'

const TOP = 20
/** Of the height: the toe, and the sock from the side beside it. */
const FACE_HIGH = 0.36
const TOE_HIGH = 0.62
/** Under everything: how the round over the heel comes to its count, and what there is to say of it. */
const STORY = 126
/** Under the section: its tape and what that says. */
const UNDER_SECTION = 44
/** Over it: the leg's own words. */
const GAP = 30
/** Lines to the ledger go down between the drawing and the title block, px. */
const LANES = 56

/** A sock on a desk: its toe, the sock from the side with the foot in it, and its tube cut open with the heel's rows. */
export function SockOnDesk({ model, plan, spec, layout, lit, onPoint, leaderTo }: OnDeskProps) {
  const colours = useYarnColours()
  const sizes = useSizes()
  const { piece, settings } = model
  const { width, height, mirrored, blockWidth } = layout
  const guess = spec.gauge.certainty === 'guess'
  const { toe, tube } = useMemo(() => partsOfSock(plan), [plan])
  const room = width - blockWidth - 2 * MARGIN - LANES
  const faceHigh = height * FACE_HIGH
  const from = (left: number) => (mirrored ? width - left : left)
  const radius = (faceHigh * TOE_HIGH) / 2
  const scale = radius / reachOf(toe)
  const [x, y] = [from(MARGIN + radius), faceHigh - radius - 8]
  const toeAt = useCallback(
    (held?: number) => {
      // It is the leg that is pulled.
      const { grip: _, ...view } = unrolled(toe, { scale: held ?? scale, x, y, cut: UNROLL_CUT, mirrored })
      return view
    },
    [toe, scale, x, y, mirrored],
  )
  const open = sizeCutOpen(tube)
  const rowsTop = faceHigh + 12
  const rowsScale = Math.min(room / open.wide, (height - rowsTop - STORY) / open.long)
  const rowsAt = useCallback(
    (held?: number) =>
      rows(tube, {
        scale: held ?? rowsScale,
        x: mirrored ? width - MARGIN : MARGIN,
        y: rowsTop,
        mirrored,
      }),
    [tube, rowsScale, rowsTop, width, mirrored],
  )
  const { long, high } = sizeOfSock(plan)
  const left = MARGIN + radius * (1 + TAIL) + GAP
  const sectionScale = Math.min((room + MARGIN - left) / long, (faceHigh - TOP - UNDER_SECTION) / high)
  const says = sockWords(plan, sizes, guess)
  const over = plan.rounds.find((round) => zonesOf(round).some(({ zone }) => zone === 'front'))
  return (
    <>
      <div className="absolute inset-0">
        <PieceDrawing {...{ model, spec, width, height, lit, onPoint }} viewAt={toeAt}>
          {() => (
            <g pointerEvents="none">
              <SockSection
                plan={plan}
                foot={familyOf(spec.form).onFoot?.(spec.form)}
                scale={sectionScale}
                x={from(left)}
                floor={faceHigh - UNDER_SECTION}
                {...{ mirrored, guess, says }}
                yarns={colours}
                {...(lit === undefined ? {} : { lit })}
              />
            </g>
          )}
        </PieceDrawing>
      </div>
      <div className="pointer-events-none absolute inset-0 [&_[role=slider]]:pointer-events-auto">
        <PieceDrawing {...{ model, spec, width, height, lit, onPoint, leaderTo }} viewAt={rowsAt} />
      </div>
      <div
        className="absolute bottom-3"
        style={mirrored ? { right: MARGIN, width: room } : { left: MARGIN, width: room }}
      >
        {over && <CountStory round={over} width={room} />}
        <p className="text-14 leading-tight">
          {says.all} {closingWords(spec, plan, sizes)}
        </p>
      </div>
      <Legend
        terms={settings.terms}
        stitch={piece.stitch}
        newYarn={plan.yarn.length > 1}
        decreases={plan.rounds.some(({ count, from: below, closed }) => closed && count < below)}
        radius={radius}
        centre={{ x, y }}
      />
    </>
  )
}
