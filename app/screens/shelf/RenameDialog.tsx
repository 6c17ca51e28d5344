import { useState } from 'react'
import { renamePiece, renameProject } from '../../store/mutations.ts'
import type { PieceView } from '../../store/queries.ts'
import { Modal } from '../../ui/Modal.tsx'
import { NameField } from '../../ui/NameField.tsx'

interface RenameDialogProps {
  readonly view: PieceView
  /** What gets another name: the whole project, or one of its pieces. */
  readonly what: 'project' | 'piece'
  readonly onClose: () => void
}

export function RenameDialog({ view: { project, piece, pieces }, what, onClose }: RenameDialogProps) {
  const [name, setName] = useState(what === 'piece' ? piece.name : project.name)
  const [refused, setRefused] = useState(false)
  const save = async () => {
    if (refused) return
    await (what === 'piece' ? renamePiece(piece, name) : renameProject(project.id, name))
    onClose()
  }
  return (
    <Modal open onClose={onClose} title="Rename">
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          void save()
        }}
      >
        <NameField
          label={what === 'project' && pieces.length > 1 ? 'Name of the project' : 'Name of the piece'}
          must
          autoFocus
          value={name}
          onChange={(next) => setName(next!)}
          onRefused={setRefused}
        />
        <div className="flex gap-3">
          <button type="submit" className="button-ink" disabled={refused}>
            Rename
          </button>
          <button type="button" className="button-line" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Modal>
  )
}
