import { useState } from 'react'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import type { Finding } from '../../../core/pattern/check/findings.ts'
import type { Mend } from '../../../core/pattern/check/mends.ts'
import type { PatternRead, RoundRead } from '../../../core/pattern/read/readPattern.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { nameOfRound, sayFinding, sayMend } from '../../words/patternWords.ts'

/** What a maker settles by saying how a round ends. */
const SAID_BY_HAND: ReadonlySet<Finding['is']['kind']> = new Set(['unread', 'open', 'uses', 'doesNotDivide'])

interface FindingBarProps {
  readonly read: PatternRead
  readonly findings: readonly Finding[]
  /** Index of the finding in hand. */
  readonly at: number
  readonly mends: readonly Mend[] | undefined
  readonly onMend: (mend: Mend) => void
  readonly onLeave: (finding: Finding) => void
  /** Says how many stitches the round of a finding ends with. */
  readonly onEndsAt: (finding: Finding, count: number) => void
  readonly onGo: (index: number) => void
}

/** One finding at a time: what is wrong, why it is thought so, and ways to mend it, the likeliest first. */
export function FindingBar({ read, findings, at, mends, onMend, onLeave, onEndsAt, onGo }: FindingBarProps) {
  const finding = findings[at]
  if (!finding) return null
  const { says, why } = sayFinding(finding, read)
  const { length } = findings
  const round = finding.round === undefined ? undefined : read.pieces[finding.piece]?.rounds[finding.round]
  return (
    <section
      aria-label="What does not add up"
      className="sticky bottom-0 z-10 grid items-center gap-x-8 gap-y-2 border-t-2 rule bg-film px-7 py-3 max-sm:static max-sm:px-4 lg:grid-cols-[minmax(0,1fr)_auto]"
    >
      <div role="status" className="min-w-0">
        <p className="slab text-24 leading-tight">{says}</p>
        <p className="text-16">{why}</p>
      </div>
      <div className="flex flex-wrap items-center gap-3">
        {mends === undefined && <span className="text-16 text-ink-2">Looking for a way…</span>}
        {mends?.length === 0 && (
          <span className="text-16 text-ink-2">No small change mends it: correct the line.</span>
        )}
        {mends?.map((mend, index) => (
          <button
            key={index}
            type="button"
            className={index === 0 ? 'button-ink' : 'button-line'}
            onClick={() => onMend(mend)}
          >
            {sayMend(mend, read.text)}
          </button>
        ))}
        {round && SAID_BY_HAND.has(finding.is.kind) && (
          <EndsAt
            key={`${finding.line} ${finding.round}`}
            round={round}
            onSay={(count) => onEndsAt(finding, count)}
          />
        )}
        <button type="button" className="button-line" onClick={() => onLeave(finding)}>
          Leave it
        </button>
        {length > 1 && (
          <span className="flex items-center">
            <button
              type="button"
              className="grid size-11 place-items-center"
              onClick={() => onGo((at + length - 1) % length)}
            >
              <ChevronLeft aria-hidden size={20} />
              <span className="visually-hidden">The finding before</span>
            </button>
            <span className="tabular text-16">
              {at + 1} of {length}
            </span>
            <button
              type="button"
              className="grid size-11 place-items-center"
              onClick={() => onGo((at + 1) % length)}
            >
              <ChevronRight aria-hidden size={20} />
              <span className="visually-hidden">The next finding</span>
            </button>
          </span>
        )}
      </div>
    </section>
  )
}

/** How many stitches a round ends with, by its maker's word: taken once it is said to the end. */
function EndsAt({ round, onSay }: { readonly round: RoundRead; readonly onSay: (count: number) => void }) {
  const [count, setCount] = useState(round.count ?? round.there ?? 0)
  return (
    <form
      className="flex"
      onSubmit={(event) => {
        event.preventDefault()
        if (count > 0) onSay(count)
      }}
    >
      <NumberCell
        className="w-40 border rule"
        label={`${nameOfRound(round)} ends at`}
        value={count}
        format={(value) => (value > 0 ? String(value) : '')}
        parse={parseWhole(1, 5000, 'stitches of a round')}
        unit="sts"
        step={1}
        onChange={setCount}
      />
      <button type="submit" className="button-line border-l-0!">
        Say so
      </button>
    </form>
  )
}
