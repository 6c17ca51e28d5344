import { useEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import {
  diagnose,
  familyOf,
  hookInUse,
  heelFit,
  heelWays,
  sizesOf,
  tapeAt,
  waysOut,
  type CopyRecord,
  type PieceReading,
  type Speech,
  type WayOut,
} from '../../../core/index.ts'
import type { PlanVersion } from '../../store/planVersions.ts'
import { freshId } from '../../store/database.ts'
import type { PieceView } from '../../store/queries.ts'
import { useRemembered } from '../../store/remembered.ts'
import { pinVersion, turnTo } from '../../store/takeWay.ts'
import type { Deed } from '../../store/workSession.ts'
import { Modal } from '../../ui/Modal.tsx'
import { Opening } from '../../ui/Opening.tsx'
import { refusalIn } from '../../ui/refusal.ts'
import { say } from '../../ui/toasts.tsx'
import { isDisc } from '../../drawing/views/viewOf.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { wordsOf } from '../../words/formWords.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { CheckFields } from './CheckFields.tsx'
import { draftFits, EMPTY_CHECK, readingOf, type CheckDraft } from './checkDraft.ts'
import { finding, WAY_TITLES } from '../../words/checkWords.ts'
import { Causes } from './Causes.tsx'
import { Ways } from './Ways.tsx'
import { pieceAddress } from '../../words/pieceWords.ts'
import { roundTitle } from '../../words/roundWords.ts'

export interface CheckDeskProps {
  readonly view: PieceView
  readonly copy: CopyRecord
  readonly pinned: PlanVersion
  readonly readings: readonly PieceReading[]
  /** The last round that is whole. */
  readonly afterRound: number
  /** Whether the round after it is begun. */
  readonly begun: boolean
  readonly act: (deed: Deed) => void
}

/** The finding, the measurement and its causes above; the ways out below, the best first. */
export function CheckDesk(props: CheckDeskProps) {
  const { view, copy, pinned, readings, afterRound, begun, act } = props
  const sizes = useSizes()
  const navigate = useNavigate()
  const [draft, setDraft] = useRemembered<CheckDraft>(
    `check:${copy.id}:${afterRound}`,
    EMPTY_CHECK,
    say,
    draftFits,
  )
  const [asking, setAsking] = useState<WayOut>()
  const [busy, setBusy] = useState(false)
  /** The draft whose question the maker could not answer. */
  const [unseen, setUnseen] = useState<CheckDraft>()
  const found = useMemo(
    () => (draft ? judge(draft, props, sizes.speech) : undefined),
    // What is judged is the draft on the pinned plan; the rest only carries it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [JSON.stringify(draft), pinned, readings, afterRound],
  )
  const waits = found?.ok === true && found.diagnosis.undecided && unseen !== draft
  /** A foot was tried in, and does not get through. */
  const [tried, setTried] = useState(false)
  const heel = useMemo(
    () =>
      tried
        ? heelWays({
            spec: pinned.spec,
            hook: hookInUse(pinned.spec, view.gauge),
            plan: pinned.plan,
            afterRound,
          })
        : undefined,
    [tried, pinned, view.gauge, afterRound],
  )
  const ways = heel ?? (found?.ok && !waits ? found.ways : [])
  const take = async (way: WayOut) => {
    if (busy) return
    setBusy(true)
    try {
      const version = await pinVersion({
        pieceId: view.piece.id,
        spec: way.spec,
        plan: way.plan,
        ...(found?.ok && !heel ? { reading: { ...found.reading, id: freshId(), at: Date.now() } } : {}),
      })
      act(turnTo(pinned.plan, way.plan, way.keeps, version))
      setDraft(EMPTY_CHECK)
      say(`${WAY_TITLES[way.kind](way)}: the plan is changed. Undo at the hook brings the old one back.`)
      await navigate(`${pieceAddress(view, 'work')}?copy=${copy.number}`)
    } catch {
      say('This could not be stored. The disk may be full: export a file, then choose again.')
      setBusy(false)
    }
  }
  const choose = (way: WayOut) => {
    if (way.pulledOut > 0) setAsking(way)
    else void take(way)
  }
  useCheckKeys(asking === undefined, (key) => {
    const way = ways[Number(key) - 1]
    if (way) choose(way)
    else if (key === 'w') void navigate(`${pieceAddress(view, 'work')}?copy=${copy.number}`)
    else if (key === 'p') void navigate(pieceAddress(view, 'plan'))
  })
  if (!draft) return <Opening />
  const plannedCount = pinned.plan.rounds[afterRound - 1]!.count
  const countOff = (draft.counts[afterRound] ?? plannedCount) - plannedCount
  return (
    <main className="flex grow flex-col">
      <div className="px-7 pt-2 pb-4 max-sm:px-4">
        <h1 className="text-44 max-lg:text-36 max-sm:text-26" aria-live="polite">
          {heel
            ? 'The heel will not pass'
            : found?.ok
              ? finding(found.reading, found.diagnosis, countOff, sizes, pinned.plan)
              : `Measure after ${roundTitle(pinned.plan, afterRound)}`}
        </h1>
        {begun && (
          <p className="text-16 text-ink-2">
            {roundTitle(pinned.plan, afterRound + 1)} is begun: measure along the edge of{' '}
            {roundTitle(pinned.plan, afterRound)}.
          </p>
        )}
        <div className="grid gap-x-10 gap-y-4 pt-3 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
          <CheckFields
            draft={draft}
            setDraft={setDraft}
            plan={pinned.plan}
            spec={pinned.spec}
            afterRound={afterRound}
            fault={found && !found.ok ? found : undefined}
          />
          {found?.ok ? (
            <Causes
              diagnosis={found.diagnosis}
              spec={pinned.spec}
              unchanged={found.unchanged}
              afterRound={afterRound}
              counts={draft.counts}
              onJoin={(join) => setDraft({ ...draft, join })}
              onCount={(round, count) => setDraft({ ...draft, counts: { ...draft.counts, [round]: count } })}
            />
          ) : (
            <p className="max-w-xl text-18">{askingWordsOf(pinned.spec.form).measuring}</p>
          )}
        </div>
      </div>
      {heelFit(pinned.spec, pinned.plan.rounds) && (
        <div className="flex flex-wrap items-center gap-4 px-7 pb-4 text-18 max-sm:px-4">
          <button type="button" className="button-line" aria-pressed={tried} onClick={() => setTried(!tried)}>
            {tried ? 'It passes after all' : 'Tried on: the heel will not pass'}
          </button>
          {heel?.length === 0 && <p>Nothing lets it pass from here: begin again, wider around.</p>}
        </div>
      )}
      {waits && !heel && (
        <div className="flex flex-wrap items-center gap-4 border-t-2 rule px-7 py-4 text-18 max-sm:px-4">
          <p>The ways out depend on it.</p>
          <button type="button" className="button-line" onClick={() => setUnseen(draft)}>
            I cannot tell: show them all the same
          </button>
        </div>
      )}
      {ways.length > 0 && (
        <Ways
          ways={ways}
          afterRound={afterRound}
          hangs={wordsOf(pinned.spec.form).hangs === true}
          target={familyOf(pinned.spec.form).targets(pinned.spec.form, sizesOf(pinned.spec))}
          busy={busy}
          onChoose={choose}
        />
      )}
      {asking && (
        <Modal open onClose={() => setAsking(undefined)} title={`${WAY_TITLES[asking.kind](asking)}?`}>
          <p className="text-18">
            {asking.pulledOut} stitches are pulled out, from {roundTitle(asking.plan, asking.keeps + 1)} on.
            The log keeps what was worked.
          </p>
          <div className="flex flex-wrap gap-3">
            <button type="button" className="button-ink" onClick={() => void take(asking)}>
              Pull them out
            </button>
            <button type="button" className="button-line" onClick={() => setAsking(undefined)}>
              Leave them
            </button>
          </div>
        </Modal>
      )}
    </main>
  )
}

function judge(
  draft: CheckDraft,
  { view, copy, pinned, readings, afterRound }: CheckDeskProps,
  speech: Speech,
) {
  const { spec, plan, version } = pinned
  const taken = {
    id: 'draft',
    copyId: copy.id,
    at: Number.MAX_SAFE_INTEGER,
    planVersion: version,
    afterRound,
  }
  const reading = readingOf(
    draft,
    taken,
    tapeAt(spec.form, plan.rounds[afterRound - 1]!.section),
    isDisc(plan),
  )
  if (!reading) return undefined
  // Readings of an earlier version are in this one's gauge already.
  const before = readings.filter((one) => one.planVersion === version && one.afterRound < afterRound)
  try {
    const diagnosis = diagnose({
      spec,
      rounds: plan.rounds.slice(0, afterRound),
      readings: [...before, reading],
    })
    const { unchanged, ways } = waysOut({
      spec,
      hook: hookInUse(spec, view.gauge),
      plan,
      afterRound,
      diagnosis,
    })
    return { ok: true as const, reading, diagnosis, unchanged, ways: ways.slice(0, MOST_WAYS) }
  } catch (error) {
    return { ok: false as const, ...refusalIn(error, speech) }
  }
}

const MOST_WAYS = 4

/** 1, 2, 3 choose a way out, W and P go to the hook and the plan, unless something is being typed. */
function useCheckKeys(enabled: boolean, choose: (key: string) => void): void {
  const latest = useRef(choose)
  useEffect(() => {
    latest.current = choose
  })
  useEffect(() => {
    if (!enabled) return
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
      if ((event.target as HTMLElement).closest('input, textarea, select, [role="dialog"]')) return
      const key = event.key.toLowerCase()
      if (/^[1-4wp]$/.test(key)) latest.current(key)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [enabled])
}
