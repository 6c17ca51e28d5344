import { useState } from 'react'
import {
  HOOKS,
  onHookFrom,
  titleOf,
  withYarnFrom,
  yarnsIn,
  type Otherwise,
  type PieceSpec,
  type Plan,
  type PlannedRound,
} from '../../../core/index.ts'
import { useYarns } from '../../store/queries.ts'
import { Select } from '../../ui/Select.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { yarnNames } from '../../words/wording.ts'

/** Another hook is looked for among those half as thick to twice as thick. */
const NEAR_HOOKS = 2

interface OtherToolsProps {
  readonly spec: PieceSpec
  readonly plan: Plan
  /** The hook in use, mm. */
  readonly hook: number
  readonly from: PlannedRound
  readonly busy: boolean
  readonly onTake: (otherwise: Otherwise, said: string) => void
}

/** Another hook or yarn from a round on. */
export function OtherTools({ spec, plan, from, hook: hookNow, busy, onTake }: OtherToolsProps) {
  const yarns = useYarns() ?? []
  const sizes = useSizes()
  const [hook, setHook] = useState(hookNow)
  const [yarn, setYarn] = useState('')
  const title = titleOf(from)
  const near = HOOKS.map(({ millimetres }) => millimetres).filter(
    (size) => size <= hookNow * NEAR_HOOKS && size >= hookNow / NEAR_HOOKS,
  )
  const hooks = [...new Set([...near, hookNow])].sort((one, other) => one - other)
  const onHook = onHookFrom(spec, plan, from.number, hookNow, hook)
  const inYarn = yarn === '' ? undefined : withYarnFrom(spec, plan, from.number, yarn)
  const others = yarns.filter(({ id }) => !yarnsIn(from).includes(id))
  return (
    <div className="grid grid-cols-[1fr_auto] items-end gap-x-3 gap-y-2">
      <Select
        label={`Hook from ${title} on`}
        value={String(hook)}
        onChange={(size) => setHook(Number(size))}
        choices={hooks.map((size) => [String(size), `${size} mm${size === hookNow ? ', as now' : ''}`])}
      />
      <button
        type="button"
        className="button-line"
        disabled={busy || !onHook}
        onClick={() =>
          onHook &&
          onTake(
            onHook,
            `From ${title} on with ${hook} mm: ${onHook.plan.rounds.length} in all, ${sayAllPromised(onHook.plan.finished.promises, sizes)}.`,
          )
        }
      >
        Take this hook
      </button>
      {hook !== hookNow && !onHook && (
        <p role="alert" className="fault col-span-2 text-16">
          With this hook no rounds come out from {title} on. Take one nearer to {hookNow} mm.
        </p>
      )}
      {others.length > 0 && (
        <>
          <Select
            label={`Yarn from ${title} on`}
            value={yarn}
            onChange={setYarn}
            choices={[
              ['', `${yarnNames(yarns, from)}, as planned`],
              ...others.map(({ id, name }) => [id, name] as const),
            ]}
          />
          <button
            type="button"
            className="button-line"
            disabled={busy || !inYarn}
            onClick={() =>
              inYarn && onTake(inYarn, `${yarns.find(({ id }) => id === yarn)!.name} from ${title} on.`)
            }
          >
            Take this yarn
          </button>
        </>
      )}
    </div>
  )
}
