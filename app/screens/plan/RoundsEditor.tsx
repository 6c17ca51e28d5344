import { familyOf, STITCHES, type RoundBegins } from '../../../core/index.ts'
import { Choices } from '../../ui/Choices.tsx'
import type { PlanModel } from './planModel.ts'

/** How one round passes into the next, and what it begins with. */
export function RoundsEditor({ model: { piece, changePiece, settings } }: { model: PlanModel }) {
  const { rounds } = piece.construction
  const now = rounds.kind === 'spiral' ? 'spiral' : rounds.turned ? 'turned' : 'joined'
  const begins = rounds.kind === 'joined' ? rounds.begins : 'chain'
  const shaping = rounds.kind === 'joined' ? rounds.shaping : 'offTheJoin'
  const short = STITCHES[piece.stitch].short[settings.terms]
  const set = (next: typeof rounds) =>
    changePiece({ ...piece, construction: { ...piece.construction, rounds: next } })
  const rows = familyOf(piece.form).inRows === true
  const tall = STITCHES[piece.stitch].countingChain
  return (
    <>
      {!rows && (
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
      )}
      {rounds.kind === 'joined' && (
        <Choices<RoundBegins>
          heading
          label={rows ? 'A row begins with' : 'A round begins with'}
          value={begins === 'countingChain' && tall === undefined ? 'chain' : begins}
          onChange={(next) => set({ ...rounds, begins: next })}
          choices={[
            {
              value: 'chain',
              label: 'A chain that does not count',
              detail: `ch ${STITCHES[piece.stitch].turningChain}: every stitch of the ${rows ? 'row' : 'round'} is a ${short}.`,
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
            ...(rows
              ? []
              : [
                  {
                    value: 'standingStitch' as const,
                    label: `A standing ${short}`,
                    detail: 'No chain and no gap: the first stitch is drawn up by itself.',
                  },
                ]),
          ]}
        />
      )}
    </>
  )
}
