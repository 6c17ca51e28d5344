import { LIMITS, questionOf, spoken, type SwatchEvidence } from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { useRemembered } from '../../store/remembered.ts'
import { validEvidence } from '../../ui/validEvidence.ts'
import { Choices } from '../../ui/Choices.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount, type ParsedNumber } from '../../ui/parseCount.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { shortName } from '../../words/wording.ts'
import type { PlanModel } from './planModel.ts'
import { draftOfSwatch, swatchOf, type SwatchDraft } from './swatchDraft.ts'

interface SwatchFieldsProps {
  readonly model: PlanModel
  /** The one swatch the gauge goes by, or one put aside. */
  readonly swatch: SwatchEvidence | undefined
}

/** One swatch, counted in here. A choice alone measures nothing; what was counted and is not used is put aside. */
export function SwatchFields({ model: { gauge, settings, changeGauge }, swatch }: SwatchFieldsProps) {
  const sizes = useSizes()
  const usualOver = sizes.gaugeOver.millimetres
  const [kept, setKept] = useRemembered<SwatchDraft>(`swatch:${gauge.id}`, {}, say)
  if (!kept) return null
  const draft = draftOfSwatch(swatch, kept)
  const withDraft = (change: SwatchDraft) =>
    swatchOf({ ...draft, ...change }, gauge, usualOver, {
      id: swatch?.id ?? freshId(),
      at: swatch?.at ?? Date.now(),
    })
  const set = (change: SwatchDraft) => {
    const evidence = withDraft(change)
    if (evidence) changeGauge({ ...gauge, evidence: [evidence] })
    setKept({ ...draft, ...change })
  }
  const choose = (way: SwatchEvidence['worked'] | 'label') => {
    if (way !== 'label') return set({ worked: way })
    if (swatch) changeGauge({ ...gauge, evidence: [{ ...swatch, setAside: true }] })
    setKept({ ...draft, worked: undefined })
  }
  const checked = (parse: (text: string) => ParsedNumber, field: keyof SwatchDraft) => (text: string) => {
    const read = parse(text)
    const evidence = read.ok ? withDraft({ [field]: read.value }) : undefined
    return evidence ? validEvidence(parse, gauge, () => evidence, sizes.speech)(text) : read
  }
  const counted = parseCount(0.25, 1000, 'a count; a quarter counts')
  const names = {
    stitches: `${shortName(gauge.stitch, settings.terms)} sts`,
    rounds: draft.worked === 'rows' ? 'rows' : 'rounds',
  }
  const evidence = withDraft({})
  const question = evidence && questionOf(evidence, gauge)
  return (
    <>
      <Choices
        label="How the gauge is known"
        value={draft.worked ?? 'label'}
        onChange={choose}
        choices={[
          {
            value: 'rounds',
            label: 'Counted on rounds',
            detail: 'The same hook, worked in rounds, lying flat.',
          },
          {
            value: 'rows',
            label: 'Counted on a flat swatch',
            detail: 'Rows are a little shorter than rounds: more doubt.',
          },
          {
            value: 'label',
            label: 'Not measured',
            detail: 'From the yarn label and hook alone: size to 12%.',
          },
        ]}
      />
      {draft.worked && (
        <div className="grid grid-cols-3 border-t rule">
          {(['stitches', 'rounds'] as const).map((field) => (
            <NumberCell
              key={field}
              className="border-r rule"
              label={names[field]}
              value={draft[field]}
              format={String}
              parse={checked(counted, field)}
              onChange={(count) => set({ [field]: count })}
            />
          ))}
          <NumberCell
            label="over"
            value={draft.over ?? usualOver}
            format={sizes.bare}
            parse={checked(sizes.between(...LIMITS.countedOver), 'over')}
            unit={sizes.unit}
            takes="length"
            onChange={(over) => set({ over })}
          />
        </div>
      )}
      {draft.worked && !evidence && (
        <p role="status" className="border-t rule px-3 py-2 text-16">
          Nothing is measured yet: type both counts. Until then the label decides.
        </p>
      )}
      {question && (
        <p role="status" className="border-t rule px-3 py-2 text-16">
          {spoken(question, sizes.speech)}
        </p>
      )}
    </>
  )
}
