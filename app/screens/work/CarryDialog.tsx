import { Link } from 'react-router'
import { carryCodeAt, type CopyRecord, type Plan, type Position } from '../../../core/index.ts'
import { QrCode } from '../../drawing/QrCode.tsx'
import { Modal } from '../../ui/Modal.tsx'

interface CarryDialogProps {
  readonly onClose: () => void
  readonly copy: CopyRecord
  readonly plan: Plan
  readonly position: Position
}

/** Where the hook is, for another device that has the piece: a code for its camera, or to type. */
export function CarryDialog({ onClose, copy, plan, position }: CarryDialogProps) {
  const code = carryCodeAt(copy.pieceId, copy.number, plan.rounds, position)
  return (
    <Modal open onClose={onClose} title="Go on with another device">
      {code ? (
        <>
          <div className="flex flex-wrap items-center gap-6">
            <QrCode text={`${location.origin}/carry?code=${code}`} label={`The code ${code}`} size={216} />
            <p className="slab text-26 tracking-wide">{code}</p>
          </div>
          <p className="text-18">
            The other device needs this piece: bring its file there once, by Export and Import. Then scan this
            with its camera, or{' '}
            <Link to="/carry" className="underline underline-offset-4">
              type the code there
            </Link>
            . Nothing is moved before you say so.
          </p>
        </>
      ) : (
        <p className="text-18">This place has no code: it is beyond what a code can tell.</p>
      )}
      <button type="button" className="button-ink justify-self-start" onClick={onClose}>
        Close
      </button>
    </Modal>
  )
}
