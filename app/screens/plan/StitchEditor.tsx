import {
  BODY_STITCHES,
  sectionsOf,
  sectionsWorked,
  STITCHES,
  usualTexture,
  worksIn,
  type KeptSectionWork,
  type Outline,
  type PieceRecord,
  type SectionId,
  type StitchName,
  type TextureKind,
} from '../../../core/index.ts'
import { useGauges } from '../../store/queries.ts'
import { Choices } from '../../ui/Choices.tsx'
import { sectionName } from '../../words/formWords.ts'
import { TEXTURE_WORDS } from '../../words/textureWords.ts'
import { AccentsEditor } from './AccentsEditor.tsx'
import type { PlanModel } from './planModel.ts'
import { SplitsEditor } from './SplitsEditor.tsx'
import { Choice, TextureFields } from './TextureFields.tsx'

/** The stitch of the fabric, and the loops that it is worked into. */
export function StitchEditor({ model }: { model: PlanModel }) {
  const { piece, spec, settings, changePiece } = model
  const { construction } = piece
  const [first, ...others] = spec ? sectionsOf(spec) : []
  // What keeps one count may be textured, the first section too.
  const sections = first?.even ? [first, ...others] : others
  return (
    <>
      <Choices
        label="Stitch"
        value={piece.stitch}
        onChange={(stitch) => changePiece(withStitch(piece, stitch))}
        choices={BODY_STITCHES.map((name) => ({
          value: name,
          label: `${STITCHES[name].short[settings.terms]}, ${STITCHES[name].long[settings.terms]}`,
          detail: `${settings.terms === 'US' ? 'UK' : 'US'}: ${STITCHES[name].short[settings.terms === 'US' ? 'UK' : 'US']}`,
        }))}
      />
      {sections.map((section) => (
        <SectionEditor key={section.id} model={model} section={section} first={first?.id ?? ''} />
      ))}
      <SplitsEditor model={model} />
      <AccentsEditor model={model} />
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
    </>
  )
}

/** A piece in another stitch; a texture that cannot be worked in it keeps to one that is tall enough. */
function withStitch(piece: PieceRecord, stitch: StitchName): PieceRecord {
  const sections = Object.entries(piece.sections ?? {}).map(([id, work]) => {
    const { texture, stitch: own = stitch } = work ?? {}
    return [id, texture && !worksIn(texture, own) ? { ...work, stitch: 'dc' as const } : work] as const
  })
  return { ...piece, stitch, ...(piece.sections ? { sections: Object.fromEntries(sections) } : {}) }
}

interface SectionEditorProps {
  readonly model: PlanModel
  readonly section: Outline
  /** The section that it is worked like when nothing is said. */
  readonly first: SectionId
}

/** A section that may be worked otherwise than the first: in another stitch, texture, other loops, another gauge. */
function SectionEditor({ model, section: { id, even = false }, first }: SectionEditorProps) {
  const { piece, spec, settings, changePiece } = model
  const gauges = useGauges() ?? []
  const work = piece.sections?.[id] ?? {}
  const usualWork = spec ? sectionsWorked(spec.form, piece.stitch, undefined)[id] : undefined
  const change = (next: KeptSectionWork) => {
    const said = Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined))
    const { [id]: _, ...others } = piece.sections ?? {}
    const sections = Object.keys(said).length > 0 ? { ...others, [id]: said } : others
    const { sections: _before, ...rest } = piece
    changePiece(Object.keys(sections).length > 0 ? { ...rest, sections } : rest)
  }
  const name = sectionName(id)
  const usual = id === first ? 'As said above' : `As the ${sectionName(first).toLowerCase()}`
  const texture = work.texture ?? usualWork?.texture
  const works = (stitch: StitchName) => !texture || worksIn(texture, stitch)
  const stitches = BODY_STITCHES.filter(works).map(
    (stitch) => [stitch, STITCHES[stitch].long[settings.terms]] as const,
  )
  const changeTexture = (kind: TextureKind | undefined) => {
    const next = kind && usualTexture(kind)
    const stitch = work.stitch ?? usualWork?.stitch ?? piece.stitch
    // Around a post there must be one.
    const tall = next && !worksIn(next, stitch) ? ('dc' as const) : work.stitch
    change({ ...work, texture: next, stitch: tall })
  }
  if (id === first) {
    return (
      <fieldset className="grid gap-2 border-t rule px-3 py-3">
        <legend className="float-left pb-1 text-16">Texture</legend>
        <TextureFields
          {...{ name: 'All of it', texture, chosen: work.texture?.kind, settings }}
          usual="Plain"
          onKind={changeTexture}
          onTexture={(next) => change({ ...work, texture: next })}
        />
      </fieldset>
    )
  }
  return (
    <fieldset className="grid gap-2 border-t rule px-3 py-3">
      <legend className="float-left pb-1 text-16">{name}</legend>
      <Choice
        label={`${name}: stitch`}
        value={work.stitch}
        usual={usualWork?.stitch ? `${STITCHES[usualWork.stitch].long[settings.terms]}, as is usual` : usual}
        usualWorks={works(usualWork?.stitch ?? piece.stitch)}
        choices={stitches}
        onChange={(stitch) => change({ ...work, stitch })}
      />
      {even && (
        <TextureFields
          {...{ name, texture, chosen: work.texture?.kind, settings }}
          usual={usualWork?.texture ? TEXTURE_WORDS[usualWork.texture.kind].label : 'Plain'}
          onKind={changeTexture}
          onTexture={(next) => change({ ...work, texture: next })}
        />
      )}
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
      {usualWork?.rounds === undefined && (
        <Choice
          label={`${name}: rounds`}
          value={work.rounds}
          usual={usual}
          choices={[
            ['joined', 'Joined with a slip stitch'],
            ['spiral', 'In a spiral'],
            ['turned', 'Joined and turned'],
          ]}
          onChange={(rounds) => change({ ...work, rounds })}
        />
      )}
      <Choice
        label={`${name}: gauge`}
        value={work.gaugeId}
        usual={usual}
        choices={gauges.map((gauge) => [gauge.id, gauge.name] as const)}
        onChange={(gaugeId) =>
          change({ ...work, gaugeId, measured: gaugeId === undefined ? undefined : work.measured })
        }
      />
      {texture && work.gaugeId !== undefined && (
        <label className="flex min-h-11 items-center gap-3 text-16">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={work.measured === true}
            onChange={({ target }) => change({ ...work, measured: target.checked ? true : undefined })}
          />
          This gauge was measured in this texture
        </label>
      )}
    </fieldset>
  )
}
