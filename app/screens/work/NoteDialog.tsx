import { format } from 'date-fns'
import { useState, type ReactNode } from 'react'
import {
  LONGEST_NOTE,
  roundNamed,
  titleOf,
  type LogEvent,
  type PhotoRecord,
  type Plan,
  type Position,
} from '../../../core/index.ts'
import { useStored } from '../../store/liveQueries.ts'
import { keepPhoto, removePhoto, usePhotos } from '../../store/photos.ts'
import { eventsAfter } from '../../store/workLog.ts'
import { AddPhoto } from '../../ui/AddPhoto.tsx'
import { Modal } from '../../ui/Modal.tsx'

interface NoteDialogProps {
  readonly open: boolean
  readonly onClose: () => void
  readonly copyId: string
  readonly plan: Plan
  readonly position: Position
  readonly onNote: (text: string) => void
  /** What may be worked otherwise here. */
  readonly otherwise?: ReactNode
}

type Note = Extract<LogEvent, { type: 'note' }>

/** Notes and photos are of where the hook is: notes are kept in the log, photos beside it. */
export function NoteDialog({ open, ...form }: NoteDialogProps) {
  return (
    <Modal open={open} onClose={form.onClose} title="Note">
      {open && <NoteForm {...form} />}
    </Modal>
  )
}

function NoteForm({ copyId, plan, position, onClose, onNote, otherwise }: Omit<NoteDialogProps, 'open'>) {
  const [text, setText] = useState('')
  const notes = useStored(['notes', copyId], ['events'], async () =>
    (await eventsAfter(copyId, 0)).filter((event): event is Note => event.type === 'note'),
  )
  const photos = usePhotos(copyId)
  const [bringBack, setBringBack] = useState<() => Promise<void>>()
  const kept = [...(notes ?? []), ...photos].sort((one, other) => other.at - one.at)
  const takeOut = async (photo: PhotoRecord) => {
    const back = await removePhoto(photo)
    setBringBack(() => back)
  }
  const keep = () => {
    if (text.trim() === '') return
    onNote(text.trim())
    onClose()
  }
  return (
    <>
      <textarea
        className="field min-h-28 text-20 lying:min-h-16"
        aria-label="Note"
        placeholder="Changed to the second ball here"
        maxLength={LONGEST_NOTE}
        autoFocus
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && (event.ctrlKey || event.metaKey) && keep()}
      />
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-ink" disabled={text.trim() === ''} onClick={keep}>
          Keep it
        </button>
        <AddPhoto label="Add a photo" onPhoto={(data) => keepPhoto(copyId, position, data)} />
        <button type="button" className="button-line" onClick={onClose}>
          Close
        </button>
      </div>
      {bringBack && (
        // What is said in passing cannot be reached from a dialog.
        <p role="status" className="flex flex-wrap items-center gap-3 text-18">
          The photo is taken out.
          <button
            type="button"
            className="button-line"
            onClick={() => {
              void bringBack()
              setBringBack(undefined)
            }}
          >
            Bring it back
          </button>
        </p>
      )}
      {otherwise}
      {kept.length > 0 && (
        <ul className="grid gap-3 border-t rule pt-3 text-18" aria-label="Notes and photos">
          {kept.map((one) => (
            <li key={one.id}>
              <span className="text-ink-2">
                {whereIn(plan, one)}
                {format(one.at, 'd MMM, HH:mm')}
              </span>
              {'data' in one ? (
                <KeptPhoto
                  photo={one}
                  where={whereIn(plan, one)}
                  onTakeOut={(photo) => void takeOut(photo)}
                />
              ) : (
                <span className="block break-words whitespace-pre-wrap">{one.text}</span>
              )}
            </li>
          ))}
        </ul>
      )}
    </>
  )
}

interface KeptPhotoProps {
  readonly photo: PhotoRecord
  readonly where: string
  readonly onTakeOut: (photo: PhotoRecord) => void
}

function KeptPhoto({ photo, where, onTakeOut }: KeptPhotoProps) {
  return (
    <div className="flex flex-wrap items-end gap-3 pt-1">
      <a href={photo.data} download={`${photo.id}.jpg`} aria-label="Keep the photo as a file">
        <img src={photo.data} alt={`Photo, ${where}taken`} className="max-h-56 max-w-full border-2 rule" />
      </a>
      <button type="button" className="button-line" onClick={() => onTakeOut(photo)}>
        Take it out
      </button>
    </div>
  )
}

/** The round it is of, unless a correction has done away with it. */
function whereIn({ rounds }: Plan, { position }: Pick<PhotoRecord, 'position'>): string {
  const round = roundNamed(rounds, position.round)
  return round ? `${titleOf(round)}, ` : ''
}
