import clsx from 'clsx'
import { useState } from 'react'
import {
  placesThatFit,
  sightsThatTell,
  type Plan,
  type Position,
  type Seeing,
  type Sight,
  type Sights,
} from '../../../core/index.ts'
import { useSettings, useYarns } from '../../store/queries.ts'
import { Modal } from '../../ui/Modal.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { Select } from '../../ui/Select.tsx'
import {
  sayChoice,
  sayLikelihood,
  sayLook,
  sayUnderHook,
  sayWhere,
  SIGHT_WORDS,
} from '../../words/whereWords.ts'

interface FindPlaceDialogProps {
  readonly onClose: () => void
  readonly plan: Plan
  /** Where the log has the hook. */
  readonly position: Position
  readonly onGo: (target: Position) => void
}

const COUNTED = ['since', 'made', 'rounds'] as const satisfies readonly Sight[]
type Counted = (typeof COUNTED)[number]
const isCounted = (sight: Sight): sight is Counted => COUNTED.some((one) => one === sight)

/** The maker says what is to be seen; Uzel says where that can be, and the one look that decides. */
export function FindPlaceDialog({ onClose, plan, position, onGo }: FindPlaceDialogProps) {
  const { terms } = useSettings()
  const yarns = useYarns() ?? []
  const [seeing, setSeeing] = useState<Seeing>({})
  const { places, look } = placesThatFit(plan, position, seeing)
  const asked = sightsThatTell(plan)
  const said = Object.keys(seeing).length > 0
  const sure = places[0]!.likelihood >= SURE
  const nameOfYarn = (ids: string) =>
    ids
      .split(' ')
      .map((id) => yarns.find((yarn) => yarn.id === id)?.name ?? 'another yarn')
      .join(' + ')
  const see = <S extends Sight>(sight: S, value: Sights[S] | undefined) => {
    const { [sight]: _, ...others } = seeing
    setSeeing(value === undefined ? others : { ...others, [sight]: value })
  }
  const [doThis, means] = look ? sayLook(look, places, terms, nameOfYarn) : ['', '']
  return (
    <Modal open onClose={onClose} title="Find your place">
      <p className="text-18" role="status">
        {said && (sure || !look) ? (
          <strong>That is {sayWhere(places[0]!.round, places[0]!.sights.made)}.</strong>
        ) : (
          <>
            <strong>{doThis || 'Say what you see'}.</strong> {said && means}
          </>
        )}
      </p>
      <div className="grid grid-cols-2 border-2 rule max-sm:grid-cols-1 [&>*]:border-b [&>*]:border-hair">
        {[...asked].map(([sight, values]) => (
          <div
            key={sight}
            className={clsx(sight === look && !sure && 'bg-film-2 shadow-[inset_6px_0_0_var(--color-tape)]')}
          >
            {isCounted(sight) ? (
              <NumberCell
                label={SIGHT_WORDS[sight].label}
                value={seeing[sight]}
                format={String}
                parse={parseWhole(0, plan.stitches, 'a number of stitches')}
                onChange={(value) => see(sight, value)}
                onClear={() => see(sight, undefined)}
              />
            ) : (
              <div className="px-3 py-2">
                <Select
                  label={SIGHT_WORDS[sight].label}
                  value={String(seeing[sight] ?? '')}
                  onChange={(value) => see(sight, value === '' ? undefined : value)}
                  choices={[
                    ['', 'Not looked yet'],
                    ...values.map(
                      (value) => [String(value), sayChoice(sight, value, terms, nameOfYarn)] as const,
                    ),
                  ]}
                />
              </div>
            )}
          </div>
        ))}
      </div>
      <ol className="grid gap-2" aria-label="Where it may be">
        {places.map((place, index) => (
          <li key={`${place.position.round} ${place.position.unit}`}>
            <button
              type="button"
              className={clsx(
                'grid min-h-13 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-2 rule px-3 py-1 text-left hover:bg-film-2',
                index === 0 && 'bg-film-2',
              )}
              onClick={() => {
                onGo(place.position)
                onClose()
              }}
            >
              <span className="slab text-21">{sayWhere(place.round, place.sights.made)}</span>
              <span className="text-16 text-ink-2">
                {said && sayLikelihood(place.likelihood, index === 0)}
              </span>
              <span className="col-span-2 text-16 text-ink-2">{sayUnderHook(place.sights, terms)}</span>
            </button>
          </li>
        ))}
      </ol>
      <button type="button" className="button-line justify-self-start" onClick={onClose}>
        Stay
      </button>
    </Modal>
  )
}

/** From here on nothing needs to be looked at any more. */
const SURE = 0.9
