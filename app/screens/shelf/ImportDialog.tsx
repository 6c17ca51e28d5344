import { useEffect, useState } from 'react'
import type { FileFault } from '../../../core/exchange/fileFault.ts'
import {
  importFile,
  previewImport,
  readChosenFile,
  type ImportPreview,
  type OnConflict,
} from '../../store/files.ts'
import { Choices } from '../../ui/Choices.tsx'
import { Modal } from '../../ui/Modal.tsx'
import { say } from '../../ui/toasts.tsx'

type Reading =
  | { readonly state: 'reading' }
  | { readonly state: 'refused'; readonly faults: readonly FileFault[] }
  | { readonly state: 'found'; readonly preview: ImportPreview }

/** Shows what is in a file before anything is written; a bad one is refused with the path of the fault. */
export function ImportDialog({ file, onClose }: { file: File; onClose: () => void }) {
  const [reading, setReading] = useState<Reading>({ state: 'reading' })
  useEffect(() => {
    let wanted = true
    void (async () => {
      const read = await readChosenFile(file)
      const next: Reading = read.ok
        ? { state: 'found', preview: await previewImport(read.file) }
        : { state: 'refused', faults: read.faults }
      if (wanted) setReading(next)
    })()
    return () => {
      wanted = false
    }
  }, [file])
  return (
    <Modal
      open
      onClose={onClose}
      title={reading.state === 'refused' ? 'This file was not taken in' : 'Import'}
    >
      {reading.state === 'reading' && <p className="text-18">Reading {file.name}…</p>}
      {reading.state === 'refused' && <Refused faults={reading.faults} onClose={onClose} />}
      {reading.state === 'found' && <Found preview={reading.preview} onClose={onClose} />}
    </Modal>
  )
}

function Refused({ faults, onClose }: { faults: readonly FileFault[]; onClose: () => void }) {
  return (
    <>
      <p className="text-18">Nothing was changed. {faults.length > 1 ? 'What is wrong:' : ''}</p>
      <ul className="grid max-h-72 gap-2 overflow-y-auto" role="alert">
        {faults.map(({ path, message }, index) => (
          <li key={index} className="fault text-18 break-words">
            {path && <code className="block font-text font-bold">{path}</code>}
            {message}
          </li>
        ))}
      </ul>
      <button type="button" className="button-ink justify-self-start" onClick={onClose} autoFocus>
        Close
      </button>
    </>
  )
}

function Found({ preview, onClose }: { preview: ImportPreview; onClose: () => void }) {
  const { projects, file } = preview
  const conflicts = projects.filter(({ alreadyHere }) => alreadyHere)
  const [onConflict, setOnConflict] = useState<OnConflict>('keepBoth')
  const [withSettings, setWithSettings] = useState(false)
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const take = async () => {
    setBusy(true)
    try {
      await importFile(preview, onConflict, withSettings)
      say(
        projects.length === 1
          ? `${projects[0]!.name} is on the shelf.`
          : `${projects.length} pieces are on the shelf.`,
      )
      onClose()
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error))
      setBusy(false)
    }
  }
  return (
    <>
      <p className="text-18">Found, and nothing written yet:</p>
      <ul className="grid max-h-60 gap-1 overflow-y-auto border-y rule py-2 text-18">
        {projects.length === 0 && <li>No pieces.</li>}
        {projects.map(({ id, name, copies, events, alreadyHere }) => (
          <li key={id} className="flex flex-wrap gap-x-3">
            <strong className="break-all">{name}</strong>
            <span className="text-ink-2">
              {copies > 0
                ? `${copies} begun, ${events.toLocaleString('en')} log lines`
                : 'nothing worked yet'}
            </span>
            {alreadyHere && <span>already on the shelf</span>}
          </li>
        ))}
      </ul>
      {conflicts.length > 0 && (
        <Choices<OnConflict>
          label="What is already here"
          heading
          value={onConflict}
          onChange={setOnConflict}
          choices={[
            {
              value: 'keepBoth',
              label: 'Keep both',
              detail: 'What is in the file comes beside what is here.',
            },
            {
              value: 'replace',
              label: `Replace ${conflicts.length === 1 ? conflicts[0]!.name : `these ${conflicts.length}`}`,
              detail: 'What is here, work log included, goes for good.',
            },
          ]}
        />
      )}
      {file.workshop && (
        <label className="flex min-h-11 items-center gap-3 text-18">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={withSettings}
            onChange={(event) => setWithSettings(event.target.checked)}
          />
          Also take the settings of “{file.workshop.name}”
        </label>
      )}
      {problem && (
        <p role="alert" className="fault text-18">
          Nothing was written. {problem}
        </p>
      )}
      <div className="flex gap-3">
        <button
          type="button"
          className="button-ink"
          disabled={busy || projects.length === 0}
          onClick={() => void take()}
        >
          Take it in
        </button>
        <button type="button" className="button-line" onClick={onClose}>
          Leave it
        </button>
      </div>
    </>
  )
}
