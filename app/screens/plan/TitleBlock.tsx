import clsx from 'clsx'
import {
  chainsAlong,
  hookLetter,
  isMeasured,
  familyOf,
  LIMITS,
  RIMS,
  STITCHES,
  textureIn,
  yarnsIn,
  type PieceRecord,
  type PieceSpec,
  type Plan,
  type Placement,
  type RepeatOrder,
  type Rim,
  type Start,
} from '../../../core/index.ts'
import { Choices } from '../../ui/Choices.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount } from '../../ui/parseCount.ts'
import { PopoverCell } from '../../ui/PopoverCell.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { ConstraintFields } from './ConstraintFields.tsx'
import { FormCells } from './FormCells.tsx'
import { GaugeEditor, gaugeSummary } from './GaugeEditor.tsx'
import { faultAt, isEven, type PlanModel } from './planModel.ts'
import { OpeningsEditor } from './OpeningsEditor.tsx'
import { RhythmScale } from './RhythmScale.tsx'
import { EdgeEditor, usualEdge } from './EdgeEditor.tsx'
import { PlacesEditor } from './PlacesEditor.tsx'
import { RoundsEditor } from './RoundsEditor.tsx'
import { StartEditor } from './StartEditor.tsx'
import { sectionName } from '../../words/formWords.ts'
import { RIM_WORDS } from '../../words/rimWords.ts'
import { TEXTURE_WORDS } from '../../words/textureWords.ts'
import { StitchEditor } from './StitchEditor.tsx'
import { YarnEditor } from './YarnEditor.tsx'
import { ZonesEditor } from './ZonesEditor.tsx'

const LOOP_WORDS = { both: '', back: ', back loops', front: ', front loops' } as const

const startWords = (start: Start): string =>
  start.kind === 'magicRing'
    ? 'in ring'
    : start.kind === 'chainTwo'
      ? 'in 2nd ch'
      : start.kind === 'chainRing'
        ? `in ch-${start.chains} ring`
        : ''

/** "6 sc in ring", "36 ch, joined" */
function startOf(plan: Plan | undefined, short: string, start: Start): string {
  const count = plan ? plan.rounds[0]!.count : '?'
  if (start.kind === 'chainAlong') {
    const chains = plan && chainsAlong(plan.rounds[0]!)
    return `${chains ?? '?'} ch, both sides`
  }
  if (start.kind === 'chain') return `${count} ch`
  return start.kind === 'joinedChain' ? `${count} ch, joined` : `${count} ${short} ${startWords(start)}`
}

/** ", rib brim", ", wall otherwise": the sections that are not worked as the first is. */
function otherwise({ sections }: PieceRecord, spec: PieceSpec | undefined): string {
  const textured = Object.keys(spec?.sections ?? {}).filter((id) => spec && textureIn(spec, id))
  const ids = new Set([...textured, ...Object.keys(sections ?? {})])
  const names = [...ids].map((id) => {
    const name = sectionName(id).toLowerCase()
    const texture = spec && textureIn(spec, id)
    return texture ? `${TEXTURE_WORDS[texture.kind].label.toLowerCase()} ${name}` : `${name} otherwise`
  })
  return names.map((name) => `, ${name}`).join('')
}

/** ", 2 accents" */
function accentWords({ constraints: { accents = [] } }: PieceRecord): string {
  if (accents.length === 0) return ''
  return accents.length === 1 ? ', 1 accent' : `, ${accents.length} accents`
}

interface TitleBlockProps {
  readonly model: PlanModel
  /** Cells in a row: three or four on a desk, two on a tablet, one on a phone. */
  readonly columns: 1 | 2 | 3 | 4
}

/** The title block: every value of the piece, changed in place. */
export function TitleBlock({ model, columns }: TitleBlockProps) {
  const { piece, spec, gauge, plan, fault, settings, yarns, changePiece, changeGauge } = model
  const sizes = useSizes()
  const { construction } = piece
  const setConstruction = (change: Partial<typeof construction>) =>
    changePiece({ ...piece, construction: { ...construction, ...change } })
  const cell = 'border-r border-b rule'
  const rows = familyOf(piece.form).inRows === true
  const even = plan !== undefined && isEven(plan)
  const last = plan?.rounds.at(-1)
  const endsTextured = spec !== undefined && last !== undefined && textureIn(spec, last.section) !== undefined
  const nameOf = (yarn: string) => yarns.find(({ id }) => id === yarn)?.name ?? '?'
  const names = [...new Set(piece.colours.map((run) => yarnsIn(run).map(nameOf).join(' + ')))]
  return (
    <div
      className={clsx(
        'grid border-t-2 border-b-2 rule [&>*]:-mb-px',
        columns === 4 && 'grid-cols-[10rem_11rem_7.5rem_1fr] [&>*:nth-child(4n)]:border-r-0',
        columns === 3 && 'grid-cols-[12.5rem_1fr_10.5rem] [&>*:nth-child(3n)]:border-r-0',
        columns === 2 && 'grid-cols-2 [&>*:nth-child(2n)]:border-r-0',
        columns === 1 && 'grid-cols-1 [&>*]:border-r-0',
      )}
    >
      <FormCells model={model} cell={cell} />
      <PopoverCell
        className={cell}
        label={`Gauge in ${sizes.gaugeOver.label}${isMeasured(gauge) ? '' : ', from the label'}${piece.washed ? '; sizes washed' : ''}`}
        value={gaugeSummary(gauge, piece, sizes)}
        fault={faultAt(fault, 'gauge')}
      >
        <GaugeEditor model={model} />
      </PopoverCell>
      <NumberCell
        className={cell}
        label="Hook"
        value={gauge.hook}
        format={(value) => String(value)}
        parse={parseCount(...LIMITS.hook, 'a hook size in mm')}
        step={0.5}
        unit={`mm${hookLetter(gauge.hook) ? `, ${hookLetter(gauge.hook)}` : ''}`}
        onChange={(hook) => changeGauge({ ...gauge, hook })}
      />
      <PopoverCell
        className={cell}
        label="Start"
        value={startOf(plan, STITCHES[piece.stitch].short[settings.terms], construction.start)}
        fault={faultAt(fault, 'construction.start', 'constraints.firstCount')}
      >
        <StartEditor model={model} />
      </PopoverCell>
      <PopoverCell className={cell} label="Yarn" value={names.join(', ')} fault={faultAt(fault, 'colours')}>
        <YarnEditor model={model} />
      </PopoverCell>
      <PopoverCell
        className={cell}
        label={rows ? 'Rows' : 'Rounds, openings'}
        value={rows ? 'turned' : roundWords(piece)}
        fault={faultAt(
          fault,
          'constraints.openings',
          'constraints.zones',
          'constraints.places',
          'constraints.edge',
          'construction.rim',
        )}
      >
        <RoundsEditor model={model} />
        {!endsTextured && (
          <Choices
            heading
            label={rows ? 'Last rows' : 'Last rounds'}
            value={String(construction.freeLastRounds)}
            onChange={(free) => setConstruction({ freeLastRounds: Number(free) as 0 | 1 | 2 })}
            choices={[
              {
                value: '2',
                label: 'Two may differ',
                detail: 'sl st, sc or hdc, whichever ends nearest the target.',
              },
              {
                value: '1',
                label: 'One may differ',
                detail: `The last ${rows ? 'row' : 'round'} alone trims the size.`,
              },
              {
                value: '0',
                label: 'All the same stitch',
                detail: `The size goes by whole ${rows ? 'rows' : 'rounds'}.`,
              },
            ]}
          />
        )}
        {!rows && !(spec && familyOf(spec.form).closes) && <RimChoice model={model} />}
        {!rows && <OpeningsEditor model={model} />}
        {!rows && <ZonesEditor model={model} />}
        {!rows && <PlacesEditor model={model} />}
      </PopoverCell>
      <PopoverCell
        className={cell}
        label="Stitch"
        value={`${STITCHES[piece.stitch].short[settings.terms]}${LOOP_WORDS[construction.loops ?? 'both']}${otherwise(piece, spec)}${accentWords(piece)}`}
        fault={faultAt(fault, 'sections', 'constraints.accents', 'constraints.splits')}
      >
        <StitchEditor model={model} />
      </PopoverCell>
      <PopoverCell
        className={cell}
        label={even ? 'Counts' : 'Increases'}
        value={even ? countWords(piece) : increaseWords(piece)}
        fault={
          faultAt(fault, 'constraints.evenRounds', 'constraints.multiples') ??
          (fault?.path === 'constraints' ? fault.text : undefined)
        }
      >
        {!even && (
          <>
            <Choices<Placement>
              heading
              label="Where they stand"
              value={construction.placement}
              onChange={(placement) => setConstruction({ placement })}
              choices={[
                {
                  value: 'staggered',
                  label: 'Staggered',
                  detail: `Half a repeat over on every other ${rows ? 'row' : 'round'}: rounder.`,
                },
                {
                  value: 'stacked',
                  label: 'Stacked',
                  detail: 'Above one another: easy to see, makes a polygon.',
                },
                {
                  value: 'scattered',
                  label: 'Scattered',
                  detail: 'Never above one another: roundest, harder to read.',
                },
              ]}
            />
            <Choices<RepeatOrder>
              heading
              label="In the repeat"
              value={construction.order}
              onChange={(order) => setConstruction({ order })}
              choices={[
                {
                  value: 'increaseLast',
                  label: 'Increase last',
                  detail: `(2 sc, inc): the ${rows ? 'row' : 'round'} checks itself at its end.`,
                },
                { value: 'increaseFirst', label: 'Increase first', detail: '(inc, 2 sc)' },
              ]}
            />
          </>
        )}
        {!even && !rows && construction.rounds.kind === 'joined' && (
          <Choices
            heading
            label="At the join"
            value={construction.rounds.shaping}
            onChange={(shaping) =>
              construction.rounds.kind === 'joined' &&
              setConstruction({ rounds: { ...construction.rounds, shaping } })
            }
            choices={[
              {
                value: 'offTheJoin',
                label: 'Off the join',
                detail:
                  'First and last stitch stay plain: an increase in the seam is easily missed, and pulls it open.',
              },
              {
                value: 'atTheJoin',
                label: 'At the join',
                detail: 'The repeat begins and ends with the round, so the last stitch checks it.',
              },
            ]}
          />
        )}
        <ConstraintFields model={model} even={even} />
      </PopoverCell>
      {/* Where the increases are left alone in a row, their rhythm fills it. */}
      {columns === 4 && (
        <RhythmScale
          model={model}
          className="col-span-4 nth-[4n+2]:col-span-3 nth-[4n+2]:flex-wrap nth-[4n+2]:[&>p]:-mt-1 nth-[4n+2]:[&>p]:basis-full nth-[4n+2]:[&>p]:pt-0"
        />
      )}
    </div>
  )
}

const increaseWords = ({ construction }: PieceRecord): string =>
  `${construction.placement}, ${construction.order === 'increaseLast' ? 'inc last' : 'inc first'}`

function countWords({ constraints }: PieceRecord): string {
  const of = constraints.multiples?.[0]?.of
  return of === undefined ? 'the nearest' : `divide by ${of}`
}

/** How the piece is edged, once its size is there. */
function RimChoice({ model }: { model: PlanModel }) {
  const { piece, changePiece } = model
  const { rim, ...construction } = piece.construction
  const { edge, ...constraints } = piece.constraints
  const choose = (next: Rim | 'none' | 'motifs') => {
    const plain = { ...piece, construction, constraints }
    if (next === 'none') changePiece(plain)
    else if (next === 'motifs') changePiece({ ...plain, constraints: { ...constraints, edge: usualEdge() } })
    else changePiece({ ...plain, construction: { ...construction, rim: next } })
  }
  return (
    <>
      <Choices<Rim | 'none' | 'motifs'>
        heading
        label="Edging"
        value={edge ? 'motifs' : (rim ?? 'none')}
        onChange={choose}
        choices={(['none', ...RIMS, 'motifs'] as const).map((name) => ({ value: name, ...RIM_WORDS[name] }))}
      />
      {edge && <EdgeEditor model={model} edge={edge} />}
    </>
  )
}

function roundWords({
  construction: { rounds, rim },
  constraints: { openings = [], edge },
}: PieceRecord): string {
  const worked = rounds.kind === 'spiral' ? 'spiral' : rounds.turned ? 'joined, turned' : 'joined'
  const left =
    openings.length === 0 ? '' : openings.length === 1 ? ', 1 opening' : `, ${openings.length} openings`
  return `${worked}${left}${rim ? `, ${RIM_WORDS[rim].label.toLowerCase()}` : ''}${edge ? ', motifs' : ''}`
}
