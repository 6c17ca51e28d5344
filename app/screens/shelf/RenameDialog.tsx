import { useState } from 'react'
import type { ProjectRecord } from '../../../core/index.ts'
import { renameProject } from '../../store/mutations.ts'
import { Modal } from '../../ui/Modal.tsx'
import { NameField } from '../../ui/NameField.tsx'

export function RenameDialog({ project, onClose }: { project: ProjectRecord; onClose: () => void }) {
  const [name, setName] = useState(project.name)
  const [refused, setRefused] = useState(false)
  const save = async () => {
    if (refused) return
    await renameProject(project.id, name)
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
          label="Name of the piece"
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
