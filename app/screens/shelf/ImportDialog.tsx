import { useEffect, useRef, useState } from 'react'
import type { FileFault } from '../../../core/exchange/fileFault.ts'
import { openFile, type OpenedFile } from '../../store/files.ts'
import type { FoundInFile, ImportPreview, OnConflict } from '../../store/importing.ts'
import { Choices } from '../../ui/Choices.tsx'
import { Modal } from '../../ui/Modal.tsx'
import { say } from '../../ui/toasts.tsx'
import { thousands } from '../../ui/thousands.ts'

/** Shows what is in a file before anything is written; a bad one is refused with the path of the fault. */
export function ImportDialog({ file, onClose }: { file: File; onClose: () => void }) {
  const [found, setFound] = useState<FoundInFile>()
  const [share, setShare] = useState(0)
  const opened = useRef<OpenedFile>(undefined)
  useEffect(() => {
    const own = openFile(file, setShare)
    opened.current = own
    let wanted = true
    void own.found.then((next) => wanted && setFound(next))
    return () => {
      wanted = false
      own.close()
    }
  }, [file])
  return (
    <Modal open onClose={onClose} title={found?.ok === false ? 'This file was not taken in' : 'Import'}>
      {!found && (
        <>
          <p className="text-18 break-all">Reading {file.name}…</p>
          <Progress share={share} label="How much is read" />
          <button type="button" className="button-line justify-self-start" onClick={onClose}>
            Stop reading
          </button>
        </>
      )}
      {found?.ok === false && <Refused faults={found.faults} onClose={onClose} />}
      {found?.ok && (
        <Found
          preview={found.preview}
          share={share}
          onTake={(onConflict, withSettings) => opened.current!.take(onConflict, withSettings)}
          onClose={onClose}
        />
      )}
    </Modal>
  )
}

/** A tape pulled out as far as the work is done. */
function Progress({ share, label }: { share: number; label: string }) {
  return (
    <div
      role="progressbar"
      aria-label={label}
      aria-valuenow={Math.round(share * 100)}
      className="relative h-5 border-2 rule"
    >
      <div className="absolute inset-y-0 left-0 bg-tape" style={{ width: `${share * 100}%` }} />
    </div>
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

interface FoundProps {
  readonly preview: ImportPreview
  /** How much is written, once it is being taken in. */
  readonly share: number
  readonly onTake: (onConflict: OnConflict, withSettings: boolean) => Promise<void>
  readonly onClose: () => void
}

function Found({ preview, share, onTake, onClose }: FoundProps) {
  const { projects, workshop } = preview
  const conflicts = projects.filter(({ alreadyHere }) => alreadyHere)
  const [onConflict, setOnConflict] = useState<OnConflict>('keepBoth')
  const [withSettings, setWithSettings] = useState(false)
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const take = async () => {
    setBusy(true)
    try {
      await onTake(onConflict, withSettings)
      say(
        projects.length === 1
          ? `${projects[0]!.name} is on the shelf.`
          : `All ${projects.length} are on the shelf.`,
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
        {projects.map(({ id, name, copies, events, photos, alreadyHere }) => (
          <li key={id} className="flex flex-wrap gap-x-3">
            <strong className="break-all">{name}</strong>
            <span className="text-ink-2">
              {copies > 0 ? `${copies} begun, ${thousands(events)} log lines` : 'nothing worked yet'}
              {photos > 0 && `, ${photos} ${photos === 1 ? 'photo' : 'photos'}`}
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
      {workshop !== undefined && (
        <label className="flex min-h-11 items-center gap-3 text-18">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={withSettings}
            onChange={(event) => setWithSettings(event.target.checked)}
          />
          Also take the settings of “{workshop}”
        </label>
      )}
      {problem && (
        <p role="alert" className="fault text-18">
          Nothing was written. {problem}
        </p>
      )}
      {busy && <Progress share={share} label="How much is written" />}
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
          {busy ? 'Stop, and write nothing' : 'Leave it'}
        </button>
      </div>
    </>
  )
}
