import { useState } from 'react'
import { withOwnStep, type OwnStep, type StepKind } from '../../../core/index.ts'
import { freshId } from '../../store/database.ts'
import { refusalOf } from '../../ui/refusal.ts'
import { Select } from '../../ui/Select.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { OWN_KINDS } from '../../words/finishWords.ts'
import { SMALL_PART_WORDS } from '../../words/smallPartWords.ts'
import type { PiecesModel } from './piecesModel.ts'
import { SmallPartFields, usualSmallPart } from './SmallPartFields.tsx'

/** A step of the maker's own. */
export function AddStep({
  model,
  onAdded,
}: {
  readonly model: PiecesModel
  readonly onAdded: (id: string) => void
}) {
  const { toFinish, finish, edges, change } = model
  const sizes = useSizes()
  const [opened, setOpened] = useState(false)
  const [kind, setKind] = useState<StepKind>('mark')
  const [piece, setPiece] = useState('')
  const [name, setName] = useState('')
  const [part, setPart] = useState(usualSmallPart())
  const [fault, setFault] = useState<string>()
  if (!opened) {
    return (
      <button type="button" className="button-line ml-auto" onClick={() => setOpened(true)}>
        Add a step
      </button>
    )
  }
  const add = () => {
    const usual = OWN_KINDS.find(([one]) => one === kind)?.[1] ?? ''
    const step: OwnStep = {
      id: freshId(),
      kind,
      name: name.trim() || (kind === 'part' ? SMALL_PART_WORDS[part.kind] : usual),
      pieces: piece ? [piece] : [],
      ...(kind === 'part' ? { part } : {}),
    }
    const refused = refusalOf(() => withOwnStep(toFinish, finish, step), sizes.speech)
    setFault(refused?.text)
    if (refused) return
    change(withOwnStep(toFinish, finish, step))
    setOpened(false)
    setName('')
    onAdded(step.id)
  }
  return (
    <form
      className="ml-auto flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        add()
      }}
    >
      <Select label="What" value={kind} onChange={(next) => setKind(next as StepKind)} choices={OWN_KINDS} />
      {kind === 'part' && <SmallPartFields part={part} onChange={setPart} />}
      <Select
        label="With"
        value={piece}
        onChange={setPiece}
        choices={[['', 'all pieces'], ...edges.map(({ id, name: called }) => [id, called] as const)]}
      />
      <label className="grid gap-1">
        <span className="text-14 text-ink-2">Called</span>
        <input
          className="field"
          maxLength={60}
          value={name}
          autoComplete="off"
          onChange={({ target }) => setName(target.value)}
        />
      </label>
      <button type="submit" className="button-ink">
        Add
      </button>
      <button type="button" className="button-line" onClick={() => setOpened(false)}>
        Leave it
      </button>
      {fault && (
        <p role="alert" className="fault basis-full text-16">
          {fault}
        </p>
      )}
    </form>
  )
}
