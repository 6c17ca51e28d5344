import type { CopyRecord } from '../../../core/index.ts'
import type { PieceView } from '../../store/queries.ts'

/** The copy an address asks for; or else the one on the hook, or the last that was made. */
export function askedCopy({ copies }: PieceView, search: URLSearchParams): CopyRecord | undefined {
  const asked = Number(search.get('copy'))
  return (
    copies.find(({ number }) => number === asked) ??
    copies.find(({ finishedAt }) => finishedAt === undefined) ??
    copies.at(-1)
  )
}
