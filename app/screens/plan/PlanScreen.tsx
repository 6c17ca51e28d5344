import { lazy, Suspense, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { useParams } from 'react-router'
import {
  attempt,
  beliefOf,
  planPiece,
  validateSpec,
  specIn,
  specOf,
  type GaugeRecord,
  type PieceRecord,
} from '../../../core/index.ts'
import { hasRowsBeyond, inProportion, plannedAnew } from '../../../core/pattern/plannedAnew.ts'
import {
  useGauges,
  useLearnedPace,
  usePiece,
  useSettings,
  useYarns,
  type PieceView,
} from '../../store/queries.ts'
import { startPlanner } from '../../store/planner.ts'
import { usePlan } from '../../store/usePlan.ts'
import { refusalFrom } from '../../ui/refusal.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { Header } from '../../ui/Header.tsx'
import { Opening, NotHere } from '../../ui/Opening.tsx'
import { layoutNow, useLayout } from '../../ui/useLayout.ts'
import { PlanStacked } from './PlanStacked.tsx'
import type { PlanModel } from './planModel.ts'
import { asGauge, asPiece } from '../../store/onTheWay.ts'
import { useDraft } from '../../store/useDraft.ts'
import { say } from '../../ui/toasts.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceTitle } from '../../words/pieceWords.ts'

// What is drawn on a desk is not waited for on a phone.
const loadDesk = async () => ({ default: (await import('./PlanDesk.tsx')).PlanDesk })
const loading = layoutNow() === 'desk' ? loadDesk() : undefined
const PlanDesk = lazy(() => loading ?? loadDesk())

export function PlanScreen() {
  const { pieceId } = useParams()
  const view = usePiece(pieceId)
  const yarns = useYarns()
  const learned = useLearnedPace(pieceId)
  usePageTitle('Plan', view ? pieceTitle(view) : undefined)
  useEffect(startPlanner, [])
  const believed = useBelief(view?.gauge)
  // Drawn in slices between which the page answers: on a phone all of it at once would stop it for a second. It is
  // planned once all is known that it is planned by.
  const known = yarns && learned !== undefined && believed
  const opened = useDeferredValue(known ? view : undefined, undefined)
  return (
    <div className="flex min-h-dvh flex-col">
      <Header view={view ?? undefined} />
      {view === null && <NotHere />}
      {view !== null && opened?.piece.id !== pieceId && <Opening />}
      {view && opened && opened.piece.id === pieceId && (
        <PlanOf key={pieceId} view={opened} learned={learned ?? undefined} />
      )}
    </div>
  )
}

/** Whether the belief in the gauge that a piece opens by, which is remembered, is worked out: in a turn of its own. */
function useBelief(gauge: GaugeRecord | undefined): boolean {
  const [believed, setBelieved] = useState(false)
  useEffect(() => {
    if (believed || !gauge) return
    const turn = setTimeout(() => {
      // One that cannot be says so where it is planned.
      attempt(() => beliefOf(gauge))
      setBelieved(true)
    })
    return () => clearTimeout(turn)
  }, [believed, gauge])
  return believed
}

function PlanOf({ view, learned }: { view: PieceView; learned: number | undefined }) {
  const { project, pieces, others, copies, versions } = view
  const settings = useSettings()
  const yarns = useYarns()
  // What a section is changed to go by is not among those it went by.
  const known = useGauges() ?? others
  const layout = useLayout()
  const { speech } = useSizes()
  const pace = Math.min(120, Math.max(1, learned ?? settings.pace))
  const key = ['piece', view.piece.id]
  const [piece, keepPiece] = useDraft(view.piece, key, asPiece, say)
  const [gauge, changeGauge] = useDraft(view.gauge, key, asGauge, say)
  const wanted = useMemo(() => attempt(() => specOf(piece, gauge, pace, known)), [piece, gauge, pace, known])
  const wantedSpec = wanted.ok ? wanted.value : undefined
  const washed = useMemo(
    () => attempt(() => specIn('washed', piece, gauge, pace, known)),
    [piece, gauge, pace, known],
  )
  const { plan, spec, fault: unplanned } = usePlan(wantedSpec)
  const fault = wanted.ok ? unplanned : wanted
  /** Why a change is not taken: what could be planned must not become what cannot. */
  const refusal = (changed: PieceRecord): string | undefined => {
    const next = plannedAnew(piece, changed)
    const planable = (some: PieceRecord) => attempt(() => validateSpec(specOf(some, gauge, pace, known)))
    const after = planable(next)
    return after.ok || !planable(piece).ok ? undefined : refusalFrom(after, speech).text
  }
  const changePiece = (changed: PieceRecord) => {
    const refused = refusal(changed)
    if (refused !== undefined) return say(refused)
    const next = plannedAnew(piece, changed)
    const left =
      piece.constraints.given && !next.constraints.given ? piece.constraints.given.length : undefined
    if (left === undefined) return keepPiece(next)
    const anew = attempt(() => planPiece(specOf(next, gauge, pace, known)).rounds.length)
    keepPiece(anew.ok ? inProportion(next, left, anew.value) : next)
    const without = hasRowsBeyond(piece) ? ', without the rows beyond its last round' : ''
    say(`Planned anew in its character${without}; the text is kept.`, {
      label: 'As written',
      run: () => keepPiece(piece),
    })
  }
  if (!yarns || (!plan && !fault)) return <Opening />
  const model: PlanModel = {
    project,
    pieces,
    piece,
    gauge,
    copies,
    versions,
    yarns,
    settings,
    learnedPace: learned,
    plan,
    spec,
    wantedSpec,
    washedSpec: washed.ok ? washed.value : undefined,
    fault: fault && refusalFrom(fault, speech),
    changePiece,
    changeGauge,
    taking: (parse, changed) => (text) => {
      const read = parse(text)
      const message = read.ok ? refusal(changed(read.value)) : undefined
      return message === undefined ? read : { ok: false, message }
    },
  }
  if (layout !== 'desk') return <PlanStacked model={model} layout={layout} />
  return (
    <Suspense fallback={<Opening />}>
      <PlanDesk model={model} />
    </Suspense>
  )
}
