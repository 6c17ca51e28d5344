import { useMemo } from 'react'
import { attempt, planPiece, specOf, type PieceRecord } from '../../../core/index.ts'
import type { PieceRead } from '../../../core/pattern/read/readPattern.ts'
import { useSettings, type PieceView } from '../../store/queries.ts'

interface BesideNowProps {
  readonly view: PieceView
  readonly piece: PieceRecord
  readonly read: PieceRead | undefined
}

/** The rounds of a text beside those that are planned anew in its character. */
export function BesideNow({ view: { gauge, others }, piece, read }: BesideNowProps) {
  const { pace } = useSettings()
  const planned = useMemo(
    () => attempt(() => planPiece(specOf(piece, gauge, pace, others)).rounds),
    [piece, gauge, pace, others],
  )
  if (!planned.ok || !read) return null
  const now = planned.value
  const length = Math.max(now.length, read.rounds.length)
  return (
    <table className="tabular w-full border-collapse text-left text-16">
      <caption className="pb-1 text-left">
        It is planned anew, in another size or stitch than this text.
      </caption>
      <thead className="text-14 text-ink-2">
        <tr className="border-b rule">
          <th scope="col" className="font-normal">
            Rnd
          </th>
          <th scope="col" className="text-right font-normal">
            the text
          </th>
          <th scope="col" className="text-right font-normal">
            now
          </th>
        </tr>
      </thead>
      <tbody>
        {Array.from({ length }, (_, index) => (
          <tr key={index} className="border-b border-hair">
            <th scope="row" className="font-normal">
              {index + 1}
            </th>
            <td className="text-right">{read.rounds[index]?.makes ?? ''}</td>
            <td className="slab text-right">{now[index]?.count ?? ''}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
