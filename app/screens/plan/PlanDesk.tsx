import { useState } from 'react'
import { FlatnessStrip, SectionView } from '../../drawing/SectionAndStrip.tsx'
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx'
import { UNROLL_CUT } from '../../drawing/unrolledDisc.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { Headline, Notices } from './Headline.tsx'
import { Ledger } from './Ledger.tsx'
import { Legend } from './Legend.tsx'
import { useYarnColours } from '../../store/queries.ts'
import type { PlanModel } from './planModel.ts'
import { RhythmScale } from './RhythmScale.tsx'
import { TitleBlock } from './TitleBlock.tsx'
import { StartWork, YarnAndTime } from './YarnAndTime.tsx'

const MARGIN = 28
const LEDGER_WIDTH = 452
const BLOCK_WIDTH = 604
const TOP = 20
/** Section, tape and strip under the disc. */
const BELOW = 132
const ROW = 22
const BLOCK_TOP = 2
/** A row that leaves on the tangent after three quarters ends a quarter circumference out. */
const TAIL = (1 - UNROLL_CUT) * 2 * Math.PI

/** Drawing beside the ledger: rows run from the disc straight into their lines. */
export function PlanDesk({ model }: { model: PlanModel }) {
  const { plan, spec, piece, settings, yarns, changePiece } = model
  const sizes = useSizes()
  const colours = useYarnColours()
  const [area, { width, height }] = useElementSize()
  const [ledgerArea, ledgerSize] = useElementSize()
  const [blockArea, blockSize] = useElementSize()
  const [footArea, footSize] = useElementSize()
  const [lit, setLit] = useState<number>()
  const [scrolled, setScrolled] = useState(0)
  const [rows, setRows] = useState<readonly number[]>([])
  const print = settings.print / 100
  const ledgerWidth = LEDGER_WIDTH * print
  const blockWidth = BLOCK_WIDTH * print
  const mirrored = settings.hand === 'left'
  const guess = spec?.gauge.certainty === 'guess'
  const radius = Math.max(
    80,
    Math.min(
      (width - 2 * MARGIN - ledgerWidth - 14) / (1 + TAIL),
      (height - TOP - BELOW) / 2,
      width - 2 * MARGIN - blockWidth - 16,
    ),
  )
  const centre = { x: mirrored ? width - MARGIN - radius : MARGIN + radius, y: TOP + radius }
  const drawingWidth = MARGIN + radius * (1 + TAIL) + 40
  const ledgerX = mirrored ? MARGIN : width - MARGIN - ledgerWidth
  const ledgerTop = Math.max(centre.y - 2, BLOCK_TOP + blockSize.height + 2)
  const leaderTo = (round: number) => {
    const y = (rows[round - 1] ?? -1) - scrolled
    if (y < ROW * print || y > ledgerSize.height) return undefined
    return { x: mirrored ? ledgerX + ledgerWidth + 6 : ledgerX - 2, y: ledgerTop + y }
  }
  return (
    <main ref={area} className="relative grow overflow-hidden">
      {width > 0 && plan && spec && (
        <>
          <div className="absolute inset-y-0" style={mirrored ? { right: 0 } : { left: 0 }}>
            <PlanDrawing
              plan={plan}
              width={mirrored ? width : drawingWidth}
              height={height}
              radius={radius}
              centre={centre}
              cut={UNROLL_CUT}
              mirrored={mirrored}
              turned={isTurned(piece.construction.rounds)}
              guess={guess}
              yarns={colours}
              target={piece.form.across}
              roundHeight={spec.gauge.h}
              sizeLabel={sizes.full}
              lit={lit}
              onPoint={setLit}
              leaderTo={leaderTo}
              onTarget={(across) =>
                changePiece({ ...piece, form: { ...piece.form, across: Math.round(across) } })
              }
            />
          </div>
          <div
            className="absolute"
            style={{
              top: centre.y + radius + 6,
              left: centre.x - radius - MARGIN,
              width: 2 * (radius + MARGIN),
            }}
          >
            <SectionView
              plan={plan}
              target={piece.form.across}
              sizes={sizes}
              yarns={colours}
              guess={guess}
              scale={radius / plan.rounds.at(-1)!.at.arc}
              centre={radius + MARGIN}
              width={2 * (radius + MARGIN)}
              lit={lit}
              onPoint={setLit}
            />
            <FlatnessStrip
              plan={plan}
              scale={radius / plan.rounds.at(-1)!.at.arc}
              centre={radius + MARGIN}
              width={2 * (radius + MARGIN)}
              lit={lit}
              onPoint={setLit}
            />
            <p className="absolute bottom-1 left-7 w-[11.5rem] text-14 leading-tight">
              <strong>Count against flat,</strong> in stitches. Each bar is a round.
            </p>
          </div>
          <Legend
            terms={settings.terms}
            stitch={piece.stitch}
            newYarn={plan.yarn.length > 1}
            radius={radius}
            centre={centre}
          />
          <section
            aria-label="Rounds"
            ref={ledgerArea}
            className="absolute"
            style={{ top: ledgerTop, bottom: footSize.height + 24, left: ledgerX, width: ledgerWidth }}
          >
            <Ledger
              className="h-full"
              plan={plan}
              terms={settings.terms}
              sizes={sizes}
              yarns={yarns}
              guess={guess}
              lit={lit}
              onPoint={setLit}
              rowHeight={ROW * print}
              onScroll={setScrolled}
              onRows={setRows}
            />
          </section>
        </>
      )}
      <section
        aria-label="The piece"
        ref={blockArea}
        className="absolute"
        style={{ top: BLOCK_TOP, width: blockWidth, ...(mirrored ? { left: MARGIN } : { right: MARGIN }) }}
      >
        <Headline model={model} />
        <div className="relative z-20 mt-2 bg-film">
          <TitleBlock model={model} columns={3} />
          <RhythmScale model={model} />
        </div>
      </section>
      <section
        aria-label="Yarn, time and start"
        ref={footArea}
        className="absolute grid grid-cols-[minmax(0,1fr)_17rem] items-end gap-4"
        style={{ bottom: 14, width: blockWidth, ...(mirrored ? { left: MARGIN } : { right: MARGIN }) }}
      >
        <div
          className="col-span-2"
          style={
            mirrored ? { paddingRight: blockWidth - ledgerWidth } : { paddingLeft: blockWidth - ledgerWidth }
          }
        >
          <Notices model={model} />
        </div>
        <YarnAndTime model={model} />
        <StartWork model={model} />
      </section>
    </main>
  )
}

export const isTurned = (rounds: PlanModel['piece']['construction']['rounds']): boolean =>
  rounds.kind === 'joined' && rounds.turned
