import { useState } from 'react'
import {
  stitchesMade,
  unitsOf,
  writeRoundBody,
  type Plan,
  type Position,
  titleOf,
} from '../../../core/index.ts'
import { useSettings } from '../../store/queries.ts'
import { Modal } from '../../ui/Modal.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'

interface GoToDialogProps {
  readonly open: boolean
  readonly onClose: () => void
  readonly plan: Plan
  /** The round on the hook. */
  readonly now: number
  readonly onGo: (target: Position) => void
  /** Who does not know where the hook is says what is to be seen. */
  readonly onFind: () => void
  readonly onCarry: () => void
}

/** Puts the hook somewhere else: after ripping back, or to catch up. Undo brings it back. */
export function GoToDialog({ open, onClose, plan, now, onGo, onFind, onCarry }: GoToDialogProps) {
  const { terms } = useSettings()
  const [round, setRound] = useState(now)
  const [made, setMade] = useState(0)
  const target = plan.rounds[Math.min(plan.rounds.length, round) - 1]!
  const go = () => {
    const units = unitsOf(target)
    // The maker counts stitches; an increase that is half made is not made.
    let unit = 0
    while (unit < units.length && stitchesMade(units, unit + 1) <= made) unit++
    onGo({ round: target.id, unit })
    onClose()
  }
  return (
    <Modal open={open} onClose={onClose} title="Go to a round">
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          go()
        }}
      >
        <div className="grid grid-cols-2 border-2 rule">
          <NumberCell
            className="border-r rule"
            label={`Round, of ${plan.rounds.length}`}
            value={round}
            format={String}
            parse={parseWhole(1, plan.rounds.length, 'a round')}
            step={1}
            onChange={(next) => setRound(next)}
          />
          <NumberCell
            label="Stitches made in it"
            value={made}
            format={String}
            parse={parseWhole(0, target.count, 'a number of stitches')}
            step={1}
            onChange={(next) => setMade(next)}
          />
        </div>
        <p className="text-18">
          {titleOf(target)}: {writeRoundBody(target, terms)}, {target.count} sts.
        </p>
        <div className="flex flex-wrap gap-3">
          <button type="submit" className="button-ink">
            Go there
          </button>
          <button type="button" className="button-line" onClick={onClose}>
            Stay
          </button>
          <button type="button" className="button-line ml-auto" onClick={onFind}>
            Find my place
          </button>
          <button type="button" className="button-line" onClick={onCarry}>
            Another device
          </button>
        </div>
      </form>
    </Modal>
  )
}
