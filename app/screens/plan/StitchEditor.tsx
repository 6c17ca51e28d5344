import {
  BODY_STITCHES,
  sectionsOf,
  STITCHES,
  type KeptSectionWork,
  type SectionId,
} from '../../../core/index.ts'
import { useGauges } from '../../store/queries.ts'
import { Choices } from '../../ui/Choices.tsx'
import { SECTION_WORDS } from '../../words/formWords.ts'
import type { PlanModel } from './planModel.ts'

/** The stitch of the fabric, and the loops that it is worked into. */
export function StitchEditor({ model }: { model: PlanModel }) {
  const { piece, spec, settings, changePiece } = model
  const { construction } = piece
  const [first = '', ...sections] = spec ? sectionsOf(spec).map(({ id }) => id) : []
  return (
    <>
      <Choices
        label="Stitch"
        value={piece.stitch}
        onChange={(stitch) => changePiece({ ...piece, stitch })}
        choices={BODY_STITCHES.map((name) => ({
          value: name,
          label: `${STITCHES[name].short[settings.terms]}, ${STITCHES[name].long[settings.terms]}`,
          detail: `${settings.terms === 'US' ? 'UK' : 'US'}: ${STITCHES[name].short[settings.terms === 'US' ? 'UK' : 'US']}`,
        }))}
      />
      <Choices
        heading
        label="Worked into"
        value={construction.loops ?? 'both'}
        onChange={(loops) => {
          const { loops: _, ...others } = construction
          changePiece({ ...piece, construction: loops === 'both' ? others : { ...others, loops } })
        }}
        choices={[
          { value: 'both', label: 'Both loops', detail: 'Firm and even; the usual way.' },
          {
            value: 'back',
            label: 'Back loops only',
            detail: 'A ridge every round, and a little taller: 5 to 10% until you measure it.',
          },
          {
            value: 'front',
            label: 'Front loops only',
            detail: 'The ridge on the other side; as tall, and stretchier.',
          },
        ]}
      />
      {sections.map((id) => (
        <SectionEditor key={id} model={model} id={id} first={first} />
      ))}
    </>
  )
}

interface SectionEditorProps {
  readonly model: PlanModel
  readonly id: SectionId
  /** The section that it is worked like when nothing is said. */
  readonly first: SectionId
}

/** A section that may be worked otherwise than the first: in another stitch, other loops, another gauge. */
function SectionEditor({ model, id, first }: SectionEditorProps) {
  const { piece, settings, changePiece } = model
  const gauges = useGauges() ?? []
  const work = piece.sections?.[id] ?? {}
  const change = (next: KeptSectionWork) => {
    const said = Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined))
    const { [id]: _, ...others } = piece.sections ?? {}
    const sections = Object.keys(said).length > 0 ? { ...others, [id]: said } : others
    const { sections: _before, ...rest } = piece
    changePiece(Object.keys(sections).length > 0 ? { ...rest, sections } : rest)
  }
  const name = SECTION_WORDS[id] ?? id
  const usual = `As the ${(SECTION_WORDS[first] ?? first).toLowerCase()}`
  return (
    <fieldset className="grid gap-2 border-t rule px-3 py-3">
      <legend className="float-left pb-1 text-16">{name}</legend>
      <Choice
        label={`${name}: stitch`}
        value={work.stitch}
        usual={usual}
        choices={BODY_STITCHES.map((stitch) => [stitch, STITCHES[stitch].long[settings.terms]] as const)}
        onChange={(stitch) => change({ ...work, stitch })}
      />
      <Choice
        label={`${name}: worked into`}
        value={work.loops}
        usual={usual}
        choices={[
          ['both', 'Both loops'],
          ['back', 'Back loops only'],
          ['front', 'Front loops only'],
        ]}
        onChange={(loops) => change({ ...work, loops })}
      />
      <Choice
        label={`${name}: gauge`}
        value={work.gaugeId}
        usual={usual}
        choices={gauges.map((gauge) => [gauge.id, gauge.name] as const)}
        onChange={(gaugeId) => change({ ...work, gaugeId })}
      />
    </fieldset>
  )
}

interface ChoiceProps<T extends string> {
  readonly label: string
  readonly value: T | undefined
  readonly usual: string
  readonly choices: readonly (readonly [T, string])[]
  readonly onChange: (value: T | undefined) => void
}

function Choice<T extends string>({ label, value, usual, choices, onChange }: ChoiceProps<T>) {
  return (
    <select
      aria-label={label}
      className="field"
      value={value ?? ''}
      onChange={(event) => onChange(event.target.value === '' ? undefined : (event.target.value as T))}
    >
      <option value="">{usual}</option>
      {choices.map(([name, words]) => (
        <option key={name} value={name}>
          {words}
        </option>
      ))}
    </select>
  )
}
