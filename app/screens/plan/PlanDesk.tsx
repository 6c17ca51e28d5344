import clsx from 'clsx'
import { useState } from 'react'
import { fieldsOf, isOfStart } from '../../../core/index.ts'
import { isFlat } from '../../drawing/views/view.ts'
import { isOval, isPart, isStrip, isWall } from '../../drawing/views/viewOf.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { ClosedOnDesk, closedScale } from './ClosedOnDesk.tsx'
import { FlatOnDesk, flatRadius, ledgerTopBeside } from './FlatOnDesk.tsx'
import { OvalOnDesk } from './OvalOnDesk.tsx'
import { SockOnDesk } from './SockOnDesk.tsx'
import { Headline, Notices } from './Headline.tsx'
import { Ledger } from './Ledger.tsx'
import { MARGIN, ROW, type DeskLayout } from './planLayout.ts'
import { isOnFoot, type PlanModel } from './planModel.ts'
import { AsWritten } from './AsWritten.tsx'
import { Compromises } from './Compromises.tsx'
import { RhythmScale } from './RhythmScale.tsx'
import { TitleBlock } from './TitleBlock.tsx'
import { usePainting } from './usePainting.ts'
import { WallOnDesk } from './WallOnDesk.tsx'
import { StartWork, YarnAndTime } from './YarnAndTime.tsx'

const LEDGER_WIDTH = 452
const BLOCK_WIDTH = 604
const BLOCK_TOP = 2
/** A form that asks for more than so much has its cells in four columns. */
const MOST_IN_THREE = 4

/** Drawing beside the ledger: rows run from the piece straight into their lines. */
export function PlanDesk({ model }: { model: PlanModel }) {
  const { plan, spec, settings, yarns } = model
  const sizes = useSizes()
  const [area, { width, height }] = useElementSize()
  const [ledgerArea, ledgerSize] = useElementSize()
  const [blockArea, blockSize] = useElementSize()
  const [footArea, footSize] = useElementSize()
  const [lit, setLit] = useState<number>()
  const [scrolled, setScrolled] = useState(0)
  const [rows, setRows] = useState<readonly number[]>([])
  const painting = usePainting(model, lit)
  const print = settings.print / 100
  const mirrored = settings.hand === 'left'
  const guess = spec?.gauge.certainty === 'guess'
  const layout: DeskLayout = {
    width,
    height,
    blockWidth: BLOCK_WIDTH * print,
    blockBottom: BLOCK_TOP + blockSize.height,
    // Around a chain a round is told zone by zone, which takes the width of the block.
    ledgerWidth: (plan && isOval(plan) ? BLOCK_WIDTH : LEDGER_WIDTH) * print,
    mirrored,
  }
  const { ledgerWidth, blockWidth, blockBottom } = layout
  const wall = plan !== undefined && isWall(plan)
  const oval = plan !== undefined && isOval(plan)
  const sock = plan !== undefined && isOnFoot(model) && !oval
  const closed = plan !== undefined && !wall && !oval && !sock && !isFlat(plan)
  const radius = closed ? closedScale(plan, layout).radius : flatRadius(layout)
  const asksMuch =
    fieldsOf(model.piece.form.family).filter((field) => !isOfStart(field)).length >
    (plan && isPart(plan) ? MOST_IN_THREE - 1 : MOST_IN_THREE)
  const ledgerX = mirrored ? MARGIN : width - MARGIN - ledgerWidth
  const ledgerTop = Math.max(wall || oval || sock ? 0 : ledgerTopBeside(radius), blockBottom + 2)
  const leaderTo = (round: number) => {
    const y = (rows[round - 1] ?? -1) - scrolled
    if (y < ROW * print || y > ledgerSize.height) return undefined
    return {
      x: mirrored ? ledgerX + ledgerWidth + 6 : ledgerX - 2,
      y: ledgerTop + y,
      // What begins above the ledger's top goes down beside the title block, not behind it.
      downAt: mirrored ? MARGIN + blockWidth + 14 : width - MARGIN - blockWidth - 14,
    }
  }
  const drawing = plan && spec && { model, plan, spec, layout, lit, onPoint: setLit, leaderTo }
  return (
    <main
      ref={area}
      className={clsx(
        'relative grow overflow-hidden',
        painting.brush !== undefined && 'cursor-crosshair select-none',
      )}
      onPointerDown={painting.onPointerDown}
    >
      {width > 0 && drawing && (
        <>
          {sock ? (
            <SockOnDesk {...drawing} />
          ) : oval ? (
            <OvalOnDesk {...drawing} />
          ) : wall ? (
            <WallOnDesk
              {...drawing}
              rowsTop={isStrip(drawing.plan) ? ROW * print : ledgerTop + ROW * print}
            />
          ) : closed ? (
            <ClosedOnDesk {...drawing} />
          ) : (
            <FlatOnDesk {...drawing} />
          )}
          <section
            aria-label="Rounds"
            ref={ledgerArea}
            className="absolute"
            style={{ top: ledgerTop, bottom: footSize.height + 24, left: ledgerX, width: ledgerWidth }}
          >
            <Ledger
              className="h-full"
              zoned
              plan={drawing.plan}
              spec={drawing.spec}
              terms={settings.terms}
              sizes={sizes}
              yarns={yarns}
              guess={guess}
              lit={lit}
              onPoint={setLit}
              rowHeight={ROW * print}
              onScroll={setScrolled}
              onRows={setRows}
              painting={painting}
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
          <TitleBlock model={model} columns={asksMuch ? 4 : 3} />
          {!asksMuch && !model.piece.constraints.given && <RhythmScale model={model} />}
          {model.piece.constraints.given ? <AsWritten model={model} /> : <Compromises model={model} />}
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
        <YarnAndTime model={model} painting={painting} />
        <StartWork model={model} />
      </section>
    </main>
  )
}
