import type { LeaderTo } from '../../drawing/PlanOverlay.tsx'

/** What the parts of the plan on a desk keep clear of one another by, px. */
export const MARGIN = 28
export const ROW = 22

/** Where the parts of the plan on a desk lie, px of the whole. */
export interface DeskLayout {
  readonly width: number
  readonly height: number
  /** The title block at the top right, and its lower edge. */
  readonly blockWidth: number
  readonly blockBottom: number
  readonly ledgerWidth: number
  readonly mirrored: boolean
}

/** What a drawing needs of the ledger beside it. */
export interface LedgerLines {
  /** Where a round's line begins, px of the whole; nothing while it is scrolled out of sight. */
  readonly leaderTo: LeaderTo
}
