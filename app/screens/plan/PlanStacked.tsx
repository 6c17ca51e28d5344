import clsx from 'clsx'
import { ToggleGroup } from 'radix-ui'
import { useDeferredValue, useState } from 'react'
import { isFlat } from '../../drawing/views/view.ts'
import { isOval, isPart, isWall } from '../../drawing/views/viewOf.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { Headline, Notices } from './Headline.tsx'
import { Ledger } from './Ledger.tsx'
import { isOnFoot, type PlanModel } from './planModel.ts'
import { AsWritten } from './AsWritten.tsx'
import { Compromises } from './Compromises.tsx'
import { RhythmScale } from './RhythmScale.tsx'
import { SockStacked } from './SockStacked.tsx'
import { OvalStacked } from './OvalStacked.tsx'
import { ClosedStacked } from './ClosedStacked.tsx'
import { FlatStacked, WallStacked } from './StackedDrawings.tsx'
import { TitleBlock } from './TitleBlock.tsx'
import { StartWork, YarnAndTime } from './YarnAndTime.tsx'

/** On a phone it is laid out when it is scrolled to; as wide as the screen, so that no outline is cut. */
const BELOW =
  'max-sm:-mx-4 max-sm:px-4 max-sm:[content-visibility:auto] max-sm:[contain-intrinsic-size:auto_600px]'

/** One below the other: values, drawing, rounds. On a phone the piece is whole, its rows behind a switch. */
export function PlanStacked({ model, layout }: { model: PlanModel; layout: 'stacked' | 'phone' }) {
  const { plan, spec, settings, yarns } = model
  const sizes = useSizes()
  const [area, { width }] = useElementSize()
  const [face, setFace] = useState<'face' | 'rows'>('face')
  const [lit, setLit] = useState<number>()
  const phone = layout === 'phone'
  const guess = spec?.gauge.certainty === 'guess'
  const wall = plan !== undefined && isWall(plan)
  const oval = plan !== undefined && isOval(plan)
  const sock = plan !== undefined && isOnFoot(model) && !oval
  const closed = plan !== undefined && !wall && !oval && !sock && !isFlat(plan)
  const unrolls = !phone || face === 'rows'
  const drawn = width > 0 && plan !== undefined && spec !== undefined
  // What lies below the drawing comes after it, the rounds first.
  const below = useDeferredValue(true, false)
  const further = useDeferredValue(below, false)
  return (
    <main className="flex grow flex-col">
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 px-7 pt-4 pb-6 max-sm:px-4">
        <Headline model={model} />
        {(further || !phone) && (
          <div className={clsx(BELOW, 'max-sm:order-1')}>
            <TitleBlock model={model} columns={phone ? 1 : 2} />
            {!model.piece.constraints.given && <RhythmScale model={model} />}
            {model.piece.constraints.given ? <AsWritten model={model} /> : <Compromises model={model} />}
          </div>
        )}
        <Notices model={model} />
        {phone && (
          <ToggleGroup.Root
            type="single"
            value={face}
            onValueChange={(next) => next && setFace(next as typeof face)}
            aria-label="What to draw"
            className="grid grid-cols-2 border-2 rule"
          >
            {(['face', 'rows'] as const).map((name) => (
              <ToggleGroup.Item
                key={name}
                value={name}
                className="slab min-h-11 text-18 data-[state=on]:bg-ink data-[state=on]:text-film"
              >
                {name === 'face'
                  ? sock
                    ? 'From the side'
                    : wall
                      ? 'Laid flat'
                      : closed
                        ? 'As it is'
                        : oval
                          ? 'Oval'
                          : plan && isPart(plan)
                            ? 'Whole'
                            : 'Disc'
                  : 'Rows'}
              </ToggleGroup.Item>
            ))}
          </ToggleGroup.Root>
        )}
        <div ref={area} className="min-w-0" style={drawn ? undefined : { minHeight: '120vw' }}>
          {width > 0 &&
            plan &&
            spec &&
            (sock ? (
              <SockStacked
                {...{ model, plan, spec, width, lit, onPoint: setLit, unrolls }}
                whole={!phone || face === 'face'}
              />
            ) : oval ? (
              <OvalStacked
                {...{ model, plan, spec, width, lit, onPoint: setLit }}
                face={!phone || face === 'face' || isFlat(plan)}
                unrolls={unrolls}
              />
            ) : wall ? (
              <WallStacked
                {...{ model, plan, spec, width, lit, onPoint: setLit }}
                laid={!phone || face === 'face'}
                unrolls={unrolls}
              />
            ) : closed ? (
              <ClosedStacked
                {...{ model, plan, spec, width, lit, onPoint: setLit }}
                worn={!phone || face === 'face'}
                unrolls={unrolls}
              />
            ) : (
              <FlatStacked {...{ model, plan, spec, width, lit, onPoint: setLit }} unrolls={unrolls} />
            ))}
        </div>
        {below && plan && spec && (
          <section aria-label="Rounds" className={clsx(BELOW, 'max-sm:order-2')}>
            <Ledger
              plan={plan}
              spec={spec}
              terms={settings.terms}
              sizes={sizes}
              yarns={yarns}
              guess={guess}
              lit={lit}
              onPoint={setLit}
              zoned={!phone}
              rowHeight={(phone ? 44 : 30) * (settings.print / 100)}
            />
          </section>
        )}
        {further && (
          <div className={clsx(BELOW, 'max-sm:order-3')}>
            <YarnAndTime model={model} />
          </div>
        )}
      </div>
      <div className="sticky bottom-0 z-20 mt-auto border-t-2 rule bg-film">
        <StartWork model={model} />
      </div>
    </main>
  )
}
