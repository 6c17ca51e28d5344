import clsx from 'clsx'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { FIBRES, metresAtHand, YARN_WEIGHTS, type YarnRecord } from '../../../core/index.ts'
import { Cord } from '../../drawing/Cord.tsx'
import { freshId } from '../../store/database.ts'
import { saveYarn } from '../../store/mutations.ts'
import { useYarns } from '../../store/queries.ts'
import { Header } from '../../ui/Header.tsx'
import { InstrumentBar } from '../../ui/InstrumentBar.tsx'
import { Opening } from '../../ui/Opening.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { newYarnColour } from './newYarnColours.ts'
import { YarnDetail } from './YarnDetail.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'

const NO_YARNS: readonly YarnRecord[] = []

/** The yarn shelf: every colour as a cord whose length is what is left. */
export function YarnsScreen() {
  usePageTitle('Yarns')
  const yarns = useYarns()
  const sizes = useSizes()
  const [chosen, setChosen] = useState<string>()
  const all = yarns ?? NO_YARNS
  const longest = Math.max(1, ...all.map((yarn) => metresAtHand(yarn) ?? 0))
  const lines = [...new Set(all.map(({ line }) => line ?? ''))].sort((one, other) =>
    one === '' ? 1 : other === '' ? -1 : one.localeCompare(other),
  )
  const inOrder = lines.map((line) => [line, all.filter((yarn) => (yarn.line ?? '') === line)] as const)
  const current = all.find(({ id }) => id === chosen) ?? inOrder[0]?.[1][0]
  const add = async (like?: YarnRecord) => {
    const yarn: YarnRecord = {
      weight: 4,
      fibre: 'unknown',
      ...(like ? labelOf(like) : {}),
      id: freshId(),
      name: like ? 'Another colour' : `Yarn ${all.length + 1}`,
      colour: newYarnColour(all.length),
    }
    await saveYarn(yarn)
    setChosen(yarn.id)
  }
  return (
    <div className="flex min-h-dvh flex-col">
      <Header>
        <button
          type="button"
          className="slab ml-auto flex shrink-0 items-center gap-1 px-3 text-18 hover:bg-film-2"
          onClick={() => void add()}
        >
          <Plus aria-hidden size={20} />{' '}
          <span aria-hidden className="max-sm:large:hidden">
            New
          </span>
          <span className="visually-hidden">New yarn</span>
        </button>
      </Header>
      {!yarns ? (
        <Opening />
      ) : (
        <main className="grid grow lg:grid-cols-[minmax(0,1fr)_30rem] lg:[&>*:last-child]:border-l-2 max-lg:[&>*:last-child]:border-t-2">
          <section aria-label="All yarns" className="min-w-0 px-7 pt-3 pb-6 max-sm:px-4">
            <div className="flex flex-wrap items-baseline gap-x-7">
              <h1 className="text-44 max-sm:text-36">Yarns</h1>
              <p className="text-18">
                {all.length === 0
                  ? 'None yet. Put in what the label says; the rest can wait.'
                  : `A cord is as long as what is left; the longest is ${sizes.yarn.full(longest)}.`}
              </p>
            </div>
            {inOrder.map(([line, ofLine]) => (
              <div key={line} className="pt-4">
                <h2 className="border-b-2 rule pb-1 text-20">{line || 'Single yarns'}</h2>
                <ul>
                  {ofLine.map((yarn) => (
                    <YarnRow
                      key={yarn.id}
                      yarn={yarn}
                      longest={longest}
                      chosen={yarn.id === current?.id}
                      onChoose={() => setChosen(yarn.id)}
                    />
                  ))}
                </ul>
              </div>
            ))}
          </section>
          {current && (
            <section aria-label="One yarn" className="min-w-0 rule px-7 py-4 max-sm:px-4">
              <YarnDetail key={current.id} stored={current} yarns={all} onAnother={() => void add(current)} />
            </section>
          )}
        </main>
      )}
      <InstrumentBar />
    </div>
  )
}

/** What another colour of the same yarn shares. */
const labelOf = ({ line, weight, fibre, metresPerBall, gramsPerBall }: YarnRecord) => ({
  ...(line ? { line } : {}),
  weight,
  fibre,
  ...(metresPerBall ? { metresPerBall } : {}),
  ...(gramsPerBall ? { gramsPerBall } : {}),
})

interface YarnRowProps {
  readonly yarn: YarnRecord
  readonly longest: number
  readonly chosen: boolean
  readonly onChoose: () => void
}

function YarnRow({ yarn, longest, chosen, onChoose }: YarnRowProps) {
  const sizes = useSizes()
  const here = metresAtHand(yarn)
  return (
    <li className="border-b border-hair">
      <button
        type="button"
        aria-pressed={chosen}
        className={clsx(
          'grid w-full grid-cols-[9rem_1fr_6.5rem] items-center gap-3 border-l-[6px] py-1.5 pl-2 text-left max-sm:grid-cols-[6rem_1fr_5rem]',
          chosen ? 'border-ink bg-film-2' : 'border-transparent hover:bg-film-2',
        )}
        onClick={onChoose}
      >
        <span className="min-w-0">
          <span className="slab block truncate text-18">{yarn.name}</span>
          <span className="block truncate text-14 text-ink-2">
            {FIBRES[yarn.fibre].name === 'not said'
              ? YARN_WEIGHTS[yarn.weight]!.name
              : FIBRES[yarn.fibre].name}
            {yarn.dyeLot && `, lot ${yarn.dyeLot}`}
          </span>
        </span>
        <Cord colour={yarn.colour} share={here === undefined ? undefined : here / longest} />
        <span className="slab tabular text-right text-18 whitespace-nowrap">
          {here === undefined ? '?' : sizes.yarn.full(here)}
        </span>
      </button>
    </li>
  )
}
