import { useId, useState } from 'react'
import { inShort, LIMITS, wallOf, type PieceRecord } from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { faultAt, type PlanModel } from './planModel.ts'

/** Rounds that must stay even, counts that must divide, and a count that is settled on: for accents and textured rounds. */
export function ConstraintFields({
  model: { piece, wantedSpec, fault, changePiece, taking },
  even,
}: {
  model: PlanModel
  /** No round has increases: only what counts divide by is left to say. */
  even: boolean
}) {
  const { constraints } = piece
  const rule = constraints.multiples?.[0]
  const ruled = (of: number, fromRound: number): PieceRecord => ({
    ...piece,
    constraints: { ...constraints, multiples: of > 1 ? [{ fromRound, of }] : [] },
  })
  const dividing = (of: number) => ruled(of, rule?.fromRound ?? (even ? 1 : 2))
  const from = (fromRound: number) => ruled(rule?.of ?? 1, fromRound)
  const { wallCount, ...free } = constraints
  const settled = (count: number): PieceRecord => ({ ...piece, constraints: { ...free, wallCount: count } })
  const { lastCount, ...unended } = constraints
  const ending = (count: number): PieceRecord => ({
    ...piece,
    constraints: { ...unended, lastCount: count },
  })
  const wall = wantedSpec && wallOf(wantedSpec)
  return (
    <div className="border-t rule">
      {!even && (
        <EvenRoundsField
          rounds={constraints.evenRounds ?? []}
          onChange={(evenRounds) => changePiece({ ...piece, constraints: { ...constraints, evenRounds } })}
        />
      )}
      <div className={even ? 'grid' : 'grid grid-cols-2 border-t rule'}>
        <NumberCell
          className="border-r rule"
          label="Counts divide by"
          value={rule?.of ?? 1}
          format={String}
          parse={taking(parseWhole(1, LIMITS.multiple[1], 'a repeat'), dividing)}
          step={1}
          onChange={(of) => changePiece(dividing(of))}
        />
        {!even && (
          <NumberCell
            label="from Rnd"
            value={rule?.fromRound ?? 2}
            format={String}
            parse={taking(parseWhole(...LIMITS.round, 'a round'), from)}
            step={1}
            onChange={(fromRound) => changePiece(from(fromRound))}
          />
        )}
      </div>
      {wall?.even && !even && (
        <NumberCell
          className="border-t rule"
          label="Stitches around the wall"
          value={wallCount}
          format={String}
          parse={taking(parseWhole(...LIMITS.wallCount, 'a number of stitches'), settled)}
          unit={wallCount === undefined && 'by its girth'}
          fault={faultAt(fault, 'constraints.wallCount')}
          onChange={(count) => changePiece(settled(count))}
          onClear={() => changePiece({ ...piece, constraints: free })}
        />
      )}
      {!even && (
        <NumberCell
          className="border-t rule"
          label="Stitches of the last round"
          value={lastCount}
          format={String}
          parse={taking(parseWhole(...LIMITS.wallCount, 'a number of stitches'), ending)}
          unit={lastCount === undefined && 'by its size'}
          onChange={(count) => changePiece(ending(count))}
          onClear={() => changePiece({ ...piece, constraints: unended })}
        />
      )}
    </div>
  )
}

function EvenRoundsField({
  rounds,
  onChange,
}: {
  rounds: readonly number[]
  onChange: (rounds: number[]) => void
}) {
  const id = useId()
  const [draft, setDraft] = useState<string>()
  const [problem, setProblem] = useState<string>()
  const take = (text: string) => {
    setDraft(text)
    const parts = text.split(/[\s,;]+/).filter(Boolean)
    const numbers = parts.map(Number)
    const wrong = parts.find(
      (_, index) => !Number.isInteger(numbers[index]) || numbers[index]! < 2 || numbers[index]! > 500,
    )
    setProblem(wrong && `“${inShort(wrong)}” is not a round. Write rounds from 2 on, like 9, 10.`)
    if (!wrong) onChange([...new Set(numbers)].sort((one, other) => one - other))
  }
  return (
    <div className="px-3 py-2">
      <label htmlFor={id} className="block pb-1 text-16">
        Rounds without increases
      </label>
      <input
        id={id}
        className="field"
        placeholder="none"
        inputMode="numeric"
        autoComplete="off"
        value={draft ?? rounds.join(', ')}
        aria-invalid={problem !== undefined}
        onChange={(event) => take(event.target.value)}
        onBlur={() => problem === undefined && setDraft(undefined)}
      />
      {problem && (
        <p role="alert" className="fault mt-1 text-16">
          {problem}
        </p>
      )}
    </div>
  )
}
