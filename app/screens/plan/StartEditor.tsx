import {
  chainsAlong,
  familyOf,
  fieldsOf,
  isOfStart,
  formOf,
  LIMITS,
  STITCHES,
  usualStart,
  type AnyField,
  type PieceRecord,
  type Start,
} from '../../../core/index.ts'
import { Choices, type Choice } from '../../ui/Choices.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { faultAt, type PlanModel } from './planModel.ts'

/** How the piece begins, and with how many stitches. */
export function StartEditor({ model }: { model: PlanModel }) {
  const { piece, plan, fault, settings, changePiece, taking } = model
  const { start } = piece.construction
  const sizes = useSizes()
  const begunIn = (next: Start): PieceRecord => ({
    ...piece,
    construction: { ...piece.construction, start: next },
  })
  const setStart = (next: Start) => changePiece(begunIn(next))
  const { firstCount, ...otherConstraints } = piece.constraints
  const withFirst = (count: number): PieceRecord => ({
    ...piece,
    constraints: { ...otherConstraints, firstCount: count },
  })
  if (start.kind === 'chainAlong') return <AlongChain model={model} start={start} />
  const short = STITCHES[piece.stitch].short[settings.terms]
  const starts = familyOf(piece.form).starts(formOf(piece.form))
  const choices: readonly Choice<Start['kind']>[] = [
    { value: 'magicRing', label: 'Magic ring', detail: 'Draws closed: no hole.' },
    { value: 'chainTwo', label: 'Chain 2', detail: 'All of round 1 into the 2nd chain from the hook.' },
    {
      value: 'chainRing',
      label: 'Chain ring',
      detail:
        plan && start.kind === 'chainRing'
          ? `Leaves a hole ${sizes.full(2 * plan.hole)} wide.`
          : 'Leaves a hole.',
    },
    {
      value: 'joinedChain',
      label: 'Joined chain',
      detail: 'As many chains as stitches, joined with a slip stitch: mind that it does not twist.',
    },
    {
      value: 'chain',
      label: 'Chain',
      detail: 'As many chains as stitches, and what brings the hook up to the first row.',
    },
    {
      value: 'chainAlong',
      label: 'Chain, both sides',
      detail: 'Along one side of the chain, around its end, and back along the other.',
    },
  ]
  return (
    <>
      <Choices<Start['kind']>
        label="Start"
        value={start.kind}
        onChange={(kind) => setStart(usualStart(kind))}
        choices={choices.filter(({ value }) => starts.includes(value))}
      />
      {start.kind === 'chainRing' && (
        <NumberCell
          className="border-t rule"
          label="Chains in the ring"
          value={start.chains}
          format={String}
          parse={taking(parseWhole(...LIMITS.chains, 'a number of chains'), (chains) =>
            begunIn({ kind: 'chainRing', chains }),
          )}
          step={1}
          unit="ch"
          fault={faultAt(fault, 'construction.start')}
          onChange={(chains) => setStart({ kind: 'chainRing', chains })}
        />
      )}
      <NumberCell
        className="border-t rule"
        label={`Stitches in ${start.kind === 'joinedChain' || start.kind === 'chain' ? 'the chain' : plan?.rounds[0]!.closed === false ? 'row 1' : 'round 1'}${firstCount === undefined ? ', found by Uzel' : ''}`}
        value={firstCount ?? plan?.rounds[0]!.count ?? 0}
        format={String}
        parse={taking(parseWhole(...LIMITS.firstCount, 'a number of stitches'), withFirst)}
        step={1}
        unit={short}
        fault={faultAt(fault, 'constraints.firstCount')}
        onChange={(count) => changePiece(withFirst(count))}
      />
      {firstCount !== undefined && (
        <button
          type="button"
          className="choice border-t rule text-18 underline"
          onClick={() => changePiece({ ...piece, constraints: otherConstraints })}
        >
          Let Uzel find it
        </button>
      )}
    </>
  )
}

/** A chain that is worked along both sides: into what of it, and how long it is. */
function AlongChain({
  model,
  start,
}: {
  readonly model: PlanModel
  readonly start: Extract<Start, { kind: 'chainAlong' }>
}) {
  const { piece, plan, fault, changePiece, taking } = model
  const { chains, ...others } = piece.constraints
  const withChains = (count: number): PieceRecord => ({
    ...piece,
    constraints: { ...others, chains: count },
  })
  return (
    <>
      <Choices<typeof start.into>
        label="Into the chain"
        value={start.into}
        onChange={(into) =>
          changePiece({
            ...piece,
            construction: { ...piece.construction, start: { kind: 'chainAlong', into } },
          })
        }
        choices={[
          {
            value: 'loops',
            label: 'Its loops',
            detail: 'The upper ones first, and back into the lower. Work the tail in on the way.',
          },
          {
            value: 'bumps',
            label: 'Its back bumps',
            detail: 'A neater edge along the middle, slower to find.',
          },
        ]}
      />
      {fieldsOf(piece.form.family)
        .filter(isOfStart)
        .map((field) => (
          <StartChoice key={field.key} model={model} field={field} />
        ))}
      <NumberCell
        className="border-t rule"
        label={`Chains to work into${chains === undefined ? ', found by Uzel' : ''}`}
        value={chains ?? (plan && chainsAlong(plan.rounds[0]!)) ?? 0}
        format={String}
        parse={taking(parseWhole(...LIMITS.chainsAlong, 'a number of chains'), withChains)}
        step={1}
        unit="ch"
        fault={faultAt(fault, 'constraints.chains')}
        onChange={(count) => changePiece(withChains(count))}
      />
      {chains !== undefined && (
        <button
          type="button"
          className="choice border-t rule text-18 underline"
          onClick={() => changePiece({ ...piece, constraints: others })}
        >
          Let Uzel find it
        </button>
      )}
    </>
  )
}

/** A choice of the form that belongs to how it begins. */
function StartChoice({ model, field }: { readonly model: PlanModel; readonly field: AnyField }) {
  const { piece, changePiece } = model
  if (field.kind !== 'choice') return null
  const words = askingWordsOf(piece.form).fields[field.key]!
  const values = piece.form as unknown as Readonly<Record<string, string>>
  return (
    <Choices
      label={words.label}
      value={values[field.key]!}
      onChange={(next) => changePiece({ ...piece, form: { ...piece.form, [field.key]: next } })}
      choices={field.choices.map((name) => ({ value: name, ...words.choices![name]! }))}
    />
  )
}
