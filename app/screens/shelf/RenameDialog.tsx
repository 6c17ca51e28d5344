import { useState } from 'react'
import type { ProjectRecord } from '../../../core/index.ts'
import { renameProject } from '../../store/mutations.ts'
import { Modal } from '../../ui/Modal.tsx'

export function RenameDialog({ project, onClose }: { project: ProjectRecord; onClose: () => void }) {
  const [name, setName] = useState(project.name)
  const save = async () => {
    if (name.trim() === '') return
    await renameProject(project.id, name.trim())
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
        <label className="grid gap-1">
          <span className="text-16">Name of the piece</span>
          <input
            className="field"
            maxLength={200}
            autoFocus
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        {name.trim() === '' && (
          <p role="alert" className="fault text-16">
            A piece needs a name, for example Kettle trivet.
          </p>
        )}
        <div className="flex gap-3">
          <button type="submit" className="button-ink" disabled={name.trim() === ''}>
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
