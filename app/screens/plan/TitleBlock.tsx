import clsx from 'clsx'
import {
  BODY_STITCHES,
  hookLetter,
  isMeasured,
  LIMITS,
  STITCHES,
  yarnsIn,
  type Placement,
  type RoundBegins,
  type RepeatOrder,
  type Start,
} from '../../../core/index.ts'
import { Choices } from '../../ui/Choices.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount } from '../../ui/parseCount.ts'
import { PopoverCell } from '../../ui/PopoverCell.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { ConstraintFields } from './ConstraintFields.tsx'
import { GaugeEditor, gaugeSummary } from './GaugeEditor.tsx'
import { faultAt, type PlanModel } from './planModel.ts'
import { StartEditor } from './StartEditor.tsx'
import { YarnEditor } from './YarnEditor.tsx'

const startWords = (start: Start): string =>
  start.kind === 'magicRing'
    ? 'in ring'
    : start.kind === 'chainTwo'
      ? 'in 2nd ch'
      : `in ch-${start.chains} ring`

interface TitleBlockProps {
  readonly model: PlanModel
  /** Cells in a row: three on a desk, two on a tablet, one on a phone. */
  readonly columns: 1 | 2 | 3
}

/** The title block: every value of the piece, changed in place. */
export function TitleBlock({ model, columns }: TitleBlockProps) {
  const { piece, gauge, plan, fault, settings, yarns, changePiece, changeGauge, taking } = model
  const sizes = useSizes()
  const { construction } = piece
  const setConstruction = (change: Partial<typeof construction>) =>
    changePiece({ ...piece, construction: { ...construction, ...change } })
  const across = (value: number) => ({ ...piece, form: { ...piece.form, across: value } })
  const cell = 'border-r border-b rule'
  const nameOf = (yarn: string) => yarns.find(({ id }) => id === yarn)?.name ?? '?'
  const names = [...new Set(piece.colours.map((run) => yarnsIn(run).map(nameOf).join(' + ')))]
  return (
    <div
      className={clsx(
        'grid border-t-2 border-b-2 rule [&>*]:-mb-px [&>*:nth-child(3n)]:border-r-0',
        columns === 3 && 'grid-cols-[12.5rem_1fr_10.5rem]',
        columns === 2 && 'grid-cols-2 [&>*:nth-child(2n)]:border-r-0 [&>*:nth-child(3n)]:border-r',
        columns === 1 && 'grid-cols-1 [&>*]:border-r-0',
      )}
    >
      <NumberCell
        className={cell}
        label="Target across"
        value={piece.form.across}
        format={sizes.bare}
        parse={taking(sizes.between(...LIMITS.across), across)}
        step={sizes.step}
        unit={`± ${sizes.bare(piece.tolerance)} ${sizes.unit}`}
        fault={faultAt(fault, 'form')}
        onChange={(value) => changePiece(across(value))}
      />
      <PopoverCell
        className={cell}
        label={`Gauge in ${sizes.gaugeOver.label}${isMeasured(gauge) ? '' : ', from the label'}`}
        value={gaugeSummary(gauge, model.piece.stitch, sizes)}
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
        value={`${plan ? plan.rounds[0]!.count : '?'} ${STITCHES[piece.stitch].short[settings.terms]} ${startWords(construction.start)}`}
        fault={faultAt(fault, 'construction.start', 'constraints.firstCount')}
      >
        <StartEditor model={model} />
      </PopoverCell>
      <PopoverCell className={cell} label="Yarn" value={names.join(', ')} fault={faultAt(fault, 'colours')}>
        <YarnEditor model={model} />
      </PopoverCell>
      <PopoverCell
        className={cell}
        label="Rounds"
        value={
          construction.rounds.kind === 'spiral'
            ? 'spiral'
            : construction.rounds.turned
              ? 'joined, turned'
              : 'joined'
        }
      >
        <RoundsEditor model={model} />
      </PopoverCell>
      <PopoverCell className={cell} label="Stitch" value={STITCHES[piece.stitch].short[settings.terms]}>
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
      </PopoverCell>
      <PopoverCell
        className={cell}
        label="Increases"
        value={`${construction.placement}, ${construction.order === 'increaseLast' ? 'inc last' : 'inc first'}`}
        fault={
          faultAt(fault, 'constraints.evenRounds', 'constraints.multiples') ??
          (fault?.path === 'constraints' ? fault.text : undefined)
        }
      >
        <Choices<Placement>
          heading
          label="Where they stand"
          value={construction.placement}
          onChange={(placement) => setConstruction({ placement })}
          choices={[
            {
              value: 'staggered',
              label: 'Staggered',
              detail: 'Half a repeat over on every other round: rounder.',
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
              detail: '(2 sc, inc): the round checks itself at its end.',
            },
            { value: 'increaseFirst', label: 'Increase first', detail: '(inc, 2 sc)' },
          ]}
        />
        {construction.rounds.kind === 'joined' && (
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
        <ConstraintFields model={model} />
      </PopoverCell>
      <PopoverCell
        className={cell}
        label="Last rounds"
        value={['as the rest', '1 free', '2 free'][construction.freeLastRounds]}
      >
        <Choices
          label="Last rounds"
          value={String(construction.freeLastRounds)}
          onChange={(free) => setConstruction({ freeLastRounds: Number(free) as 0 | 1 | 2 })}
          choices={[
            {
              value: '2',
              label: 'Two may differ',
              detail: 'sl st, sc or hdc, whichever ends nearest the target.',
            },
            { value: '1', label: 'One may differ', detail: 'The last round alone trims the size.' },
            { value: '0', label: 'All the same stitch', detail: 'The size goes by whole rounds.' },
          ]}
        />
      </PopoverCell>
    </div>
  )
}

function RoundsEditor({ model: { piece, changePiece, settings } }: { model: PlanModel }) {
  const { rounds } = piece.construction
  const now = rounds.kind === 'spiral' ? 'spiral' : rounds.turned ? 'turned' : 'joined'
  const begins = rounds.kind === 'joined' ? rounds.begins : 'chain'
  const shaping = rounds.kind === 'joined' ? rounds.shaping : 'offTheJoin'
  const short = STITCHES[piece.stitch].short[settings.terms]
  const set = (next: typeof rounds) =>
    changePiece({ ...piece, construction: { ...piece.construction, rounds: next } })
  const tall = STITCHES[piece.stitch].countingChain
  return (
    <>
      <Choices
        label="Rounds"
        value={now}
        onChange={(kind) =>
          set(kind === 'spiral' ? { kind } : { kind: 'joined', turned: kind === 'turned', begins, shaping })
        }
        choices={[
          {
            value: 'joined',
            label: 'Joined with a slip stitch',
            detail: 'A chain starts each round; a seam leans a little.',
          },
          {
            value: 'spiral',
            label: 'Continuous spiral',
            detail: 'No seam; move the marker up. A small step at the end.',
          },
          {
            value: 'turned',
            label: 'Joined and turned',
            detail: 'Every other round from the back: the seam stands straight.',
          },
        ]}
      />
      {rounds.kind === 'joined' && (
        <Choices<RoundBegins>
          heading
          label="A round begins with"
          value={begins === 'countingChain' && tall === undefined ? 'chain' : begins}
          onChange={(next) => set({ ...rounds, begins: next })}
          choices={[
            {
              value: 'chain',
              label: 'A chain that does not count',
              detail: `ch ${STITCHES[piece.stitch].turningChain}: every stitch of the round is a ${short}.`,
            },
            ...(tall === undefined
              ? []
              : [
                  {
                    value: 'countingChain' as const,
                    label: `A chain that counts as a ${short}`,
                    detail: `ch ${tall}; an increase there needs one stitch fewer.`,
                  },
                ]),
            {
              value: 'standingStitch',
              label: `A standing ${short}`,
              detail: 'No chain and no gap: the first stitch is drawn up by itself.',
            },
          ]}
        />
      )}
    </>
  )
}
