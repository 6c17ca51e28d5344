import { ToggleGroup } from 'radix-ui'
import { useState } from 'react'
import { FlatnessStrip, SectionView } from '../../drawing/SectionAndStrip.tsx'
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx'
import { UNROLL_CUT } from '../../drawing/unrolledDisc.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { Headline, Notices } from './Headline.tsx'
import { Ledger } from './Ledger.tsx'
import { isTurned } from './PlanDesk.tsx'
import { useYarnColours } from '../../store/queries.ts'
import type { PlanModel } from './planModel.ts'
import { RhythmScale } from './RhythmScale.tsx'
import { TitleBlock } from './TitleBlock.tsx'
import { StartWork, YarnAndTime } from './YarnAndTime.tsx'

const TAIL = (1 - UNROLL_CUT) * 2 * Math.PI

/** One below the other: values, drawing, rounds. On a phone the disc is whole, its rows behind a switch. */
export function PlanStacked({ model, layout }: { model: PlanModel; layout: 'stacked' | 'phone' }) {
  const { plan, spec, piece, settings, yarns, changePiece } = model
  const sizes = useSizes()
  const colours = useYarnColours()
  const [area, { width }] = useElementSize()
  const [face, setFace] = useState<'face' | 'rows'>('face')
  const [lit, setLit] = useState<number>()
  const phone = layout === 'phone'
  const cut = phone && face === 'face' ? 1 : UNROLL_CUT
  const mirrored = settings.hand === 'left'
  const guess = spec?.gauge.certainty === 'guess'
  const radius = Math.max(40, cut === 1 ? Math.min(width / 2 - 12, 240) : (width - 8) / (1 + TAIL))
  const centre = {
    x: cut === 1 ? width / 2 : mirrored ? width - radius - 4 : radius + 4,
    y: radius + 12,
  }
  const axis = {
    scale: plan ? radius / plan.rounds.at(-1)!.at.arc : 1,
    centre: centre.x,
    width,
    lit,
    onPoint: setLit,
  }
  return (
    <main className="flex grow flex-col">
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 px-7 pt-4 pb-6 max-sm:px-4">
        <Headline model={model} />
        <div className="max-sm:order-1">
          <TitleBlock model={model} columns={phone ? 1 : 2} />
          <RhythmScale model={model} />
        </div>
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
                {name === 'face' ? 'Disc' : 'Rows'}
              </ToggleGroup.Item>
            ))}
          </ToggleGroup.Root>
        )}
        <div ref={area} className="min-w-0">
          {width > 0 && plan && spec && (
            <>
              <PlanDrawing
                plan={plan}
                width={width}
                height={2 * radius + 24}
                radius={radius}
                centre={centre}
                cut={cut}
                mirrored={mirrored}
                turned={isTurned(piece.construction.rounds)}
                guess={guess}
                yarns={colours}
                target={piece.form.across}
                roundHeight={spec.gauge.h}
                sizeLabel={sizes.full}
                lit={lit}
                onPoint={setLit}
                onTarget={(across) =>
                  changePiece({ ...piece, form: { ...piece.form, across: Math.round(across) } })
                }
              />
              <SectionView
                plan={plan}
                target={piece.form.across}
                sizes={sizes}
                yarns={colours}
                guess={guess}
                {...axis}
              />
              <FlatnessStrip plan={plan} {...axis} />
            </>
          )}
        </div>
        {plan && (
          <section aria-label="Rounds" className="max-sm:order-2">
            <Ledger
              plan={plan}
              terms={settings.terms}
              sizes={sizes}
              yarns={yarns}
              guess={guess}
              lit={lit}
              onPoint={setLit}
              rowHeight={(phone ? 44 : 30) * (settings.print / 100)}
            />
          </section>
        )}
        <div className="max-sm:order-3">
          <YarnAndTime model={model} />
        </div>
      </div>
      <div className="sticky bottom-0 z-20 mt-auto border-t-2 rule bg-film">
        <StartWork model={model} />
      </div>
    </main>
  )
}
