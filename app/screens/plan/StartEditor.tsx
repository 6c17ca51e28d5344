import {
  familyOf,
  formOf,
  LIMITS,
  STITCHES,
  usualStart,
  type PieceRecord,
  type Start,
} from '../../../core/index.ts'
import { Choices, type Choice } from '../../ui/Choices.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { useSizes } from '../../ui/useSizes.ts'
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
        label={`Stitches in ${start.kind === 'joinedChain' ? 'the chain' : 'round 1'}${firstCount === undefined ? ', found by Uzel' : ''}`}
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
