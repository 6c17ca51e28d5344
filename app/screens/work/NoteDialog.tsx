import { format } from 'date-fns'
import { useState, type ReactNode } from 'react'
import { LONGEST_NOTE, roundNamed, type LogEvent, type Plan, titleOf } from '../../../core/index.ts'
import { useStored } from '../../store/liveQueries.ts'
import { eventsAfter } from '../../store/workLog.ts'
import { Modal } from '../../ui/Modal.tsx'

interface NoteDialogProps {
  readonly open: boolean
  readonly onClose: () => void
  readonly copyId: string
  readonly plan: Plan
  readonly onNote: (text: string) => void
  /** What may be worked otherwise here. */
  readonly otherwise?: ReactNode
}

type Note = Extract<LogEvent, { type: 'note' }>

/** Notes are written where the hook is, and kept in the log. */
export function NoteDialog({ open, onClose, copyId, plan, onNote, otherwise }: NoteDialogProps) {
  return (
    <Modal open={open} onClose={onClose} title="Note">
      {open && (
        <NoteForm copyId={copyId} plan={plan} onClose={onClose} onNote={onNote} otherwise={otherwise} />
      )}
    </Modal>
  )
}

function NoteForm({ copyId, plan, onClose, onNote, otherwise }: Omit<NoteDialogProps, 'open'>) {
  const [text, setText] = useState('')
  const notes = useStored(['notes', copyId], ['events'], async () =>
    (await eventsAfter(copyId, 0)).filter((event): event is Note => event.type === 'note'),
  )
  const keep = () => {
    if (text.trim() === '') return
    onNote(text.trim())
    onClose()
  }
  return (
    <>
      <textarea
        className="field min-h-28 text-20"
        aria-label="Note"
        placeholder="Changed to the second ball here"
        maxLength={LONGEST_NOTE}
        autoFocus
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && (event.ctrlKey || event.metaKey) && keep()}
      />
      <div className="flex gap-3">
        <button type="button" className="button-ink" disabled={text.trim() === ''} onClick={keep}>
          Keep it
        </button>
        <button type="button" className="button-line" onClick={onClose}>
          Close
        </button>
      </div>
      {otherwise}
      {notes && notes.length > 0 && (
        <ul className="grid gap-2 border-t rule pt-3 text-18">
          {notes.toReversed().map((note) => (
            <li key={note.id}>
              <span className="text-ink-2">
                {whereIn(plan, note)}
                {format(note.at, 'd MMM, HH:mm')}
              </span>
              <span className="block break-words whitespace-pre-wrap">{note.text}</span>
            </li>
          ))}
        </ul>
      )}
    </>
  )
}

/** The round a note was written in, unless a correction has done away with it. */
function whereIn({ rounds }: Plan, { position }: Note): string {
  const round = roundNamed(rounds, position.round)
  return round ? `${titleOf(round)}, ` : ''
}
