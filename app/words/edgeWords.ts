import type { EdgeBudget, EdgePart, UsualMotif } from '../../core/index.ts'
import { budgetOf, inWorkingOrder, usedByMotif } from '../../core/index.ts'

/** What usual motifs are called, and what they are for. */
export const MOTIF_WORDS: Readonly<Record<UsualMotif, { readonly label: string; readonly detail: string }>> =
  {
    point: { label: 'point', detail: 'a leaf of five chains' },
    leg: { label: 'leg', detail: 'a leaf on a wider foot' },
    shell: { label: 'shell', detail: 'five in one' },
    loop: { label: 'loop', detail: 'to hang it by' },
    tail: { label: 'tail', detail: 'a cord of fifteen chains' },
  }

const runsOf = (parts: readonly EdgePart[]): readonly number[] =>
  parts.flatMap(({ motif, stitches }) => (motif === undefined ? [stitches] : []))

/** "8 point × 2 + runs of 10 = 96": how an edge is shared. */
export function sayBudget(edge: EdgeBudget, count: number): string {
  const parts = budgetOf(edge, count)
  if (!parts) return ''
  const kinds = new Map<string, { uses: number; times: number }>()
  for (const motif of inWorkingOrder(edge)) {
    const kind = kinds.get(motif.name) ?? { uses: usedByMotif(motif), times: 0 }
    kinds.set(motif.name, { ...kind, times: kind.times + 1 })
  }
  const plain = runsOf(parts).reduce((sum, run) => sum + run, 0)
  const motifs = [...kinds].map(([name, { uses, times }]) => `${times} × ${name} of ${uses}`)
  return `${motifs.join(' + ')} + ${plain} plain = ${count}`
}

/** "10 plain between them", "9 to 10 plain": the runs from motif to motif, the one over the start of the round as one. */
export function sayRuns(edge: EdgeBudget, count: number): string {
  const runs = runsOf(budgetOf(edge, count) ?? [])
  const around = [...runs.slice(1, -1), (runs[0] ?? 0) + (runs.at(-1) ?? 0)]
  const [least, most] = [Math.min(...around), Math.max(...around)]
  return least === most
    ? `${least} plain from one to the next`
    : `${least} to ${most} plain from one to the next`
}
