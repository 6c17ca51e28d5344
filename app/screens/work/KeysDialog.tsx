import { Modal } from '../../ui/Modal.tsx'
import { WORK_KEYS } from './useWorkKeys.ts'

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal open={open} onClose={onClose} title="Keys at the hook">
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-18">
        {WORK_KEYS.map(({ does, keys, says }) => (
          <div key={does} className="contents">
            <dt className="slab">{keys}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
      <p className="text-16 text-ink-2">
        Page-turner pedals send the arrow keys. On glass: tap, or swipe for the repeat.
      </p>
      <button type="button" className="button-ink" onClick={onClose}>
        Close
      </button>
    </Modal>
  )
}
