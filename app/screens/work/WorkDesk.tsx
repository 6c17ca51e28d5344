import { useScreenStaysOn } from '../../ui/useScreenStaysOn.ts'
import { useEffect, useMemo, useRef, useState, type PointerEvent, type ReactNode } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import {
  atTheEnd,
  changesOfCopy,
  goTo,
  hookInUse,
  nextRound,
  samePosition,
  undo,
  workOn,
  workView,
  type CopyRecord,
  type PieceSpec,
  type Plan,
  type Position,
  type Stride,
  titleOf,
} from '../../../core/index.ts'
import type { Deed } from '../../store/workSession.ts'
import { useDevice } from '../../store/device.ts'
import { useSettings, type PieceView } from '../../store/queries.ts'
import { changeSettings } from '../../store/onTheWay.ts'
import { CarryDialog } from './CarryDialog.tsx'
import { FinishedPanel } from './FinishedPanel.tsx'
import { FindPlaceDialog } from './FindPlaceDialog.tsx'
import { GoToDialog } from './GoToDialog.tsx'
import { KeysDialog } from './KeysDialog.tsx'
import { NoteDialog } from './NoteDialog.tsx'
import { OtherwiseButtons } from './OtherwiseButtons.tsx'
import { PocketLock } from './PocketLock.tsx'
import { RoundCheck } from './RoundCheck.tsx'
import { RoundInHand } from './RoundInHand.tsx'
import { UnsavedLine } from './UnsavedLine.tsx'
import type { OpenWork } from './useWorkSession.ts'
import { useSignals } from './useSignals.ts'
import { useWorkKeys } from './useWorkKeys.ts'
import { WhereLeft } from './WhereLeft.tsx'
import { WorkBar } from './WorkBar.tsx'
import { YarnDialog } from './YarnDialog.tsx'
import { WorkHeader } from './WorkHeader.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { pieceAddress } from '../../words/pieceWords.ts'
import { say } from '../../ui/toasts.tsx'

export interface WorkDeskProps {
  readonly view: PieceView
  readonly copy: CopyRecord
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly open: OpenWork
}

/** After the last stitch of a round a hurried tap must not start the next: it has to be meant. */
const BREATH_MS = 450
/** A pull across this many px counts to the end of the repeat. */
const SWIPE_PX = 70

const PRINTS = [100, 125, 150] as const

/** The companion at the hook: shows the round, counts, and stops at its end for the check. */
export function WorkDesk({ view, copy, plan, spec, open }: WorkDeskProps) {
  const { state, late = 0, unsaved, act } = open
  const settings = useSettings()
  const [device] = useDevice(say)
  const [locked, setLocked] = useState(false)
  const navigate = useNavigate()
  // Whoever worked on paper comes back to say where they are.
  const [search] = useSearchParams()
  const [dialog, setDialog] = useState<'note' | 'goTo' | 'find' | 'carry' | 'keys' | 'yarn' | undefined>(
    search.has('paper') ? 'goTo' : undefined,
  )
  /** Where the work was when the screen was opened: until the hook moves, it may be asked for. */
  const [leftAt, setLeftAt] = useState<Position | undefined>(state.position)
  const [reminded, setReminded] = useState<number>()
  const doneSince = useRef(0)
  const { rounds } = plan
  const now = workView(plan, state.position)
  const [first] = view.versions
  const changes = useMemo(
    () => (first ? changesOfCopy(first, plan, copy.number) : []),
    [first, plan, copy.number],
  )
  usePageTitle(
    state.finished ? 'Made' : titleOf(now.round),
    view.piece.quantity > 1 ? `${view.project.name} no. ${copy.number}` : view.project.name,
  )
  const check = `${pieceAddress(view, 'check')}?copy=${copy.number}`

  useEffect(() => {
    if (now.roundDone) doneSince.current = performance.now()
  }, [now.roundDone, now.round.number])
  useScreenStaysOn()
  useSignals(now, state.position.unit, device, settings.terms)

  const count = (by: Stride) => act((from) => workOn(rounds, from, by))
  const isBack = leftAt !== undefined && samePosition(leftAt, state.position) && !state.finished
  const goOn = () => {
    if (performance.now() - doneSince.current < BREATH_MS) return
    act((from) =>
      atTheEnd(rounds, from.position) && !from.finished ? { type: 'finish' } : nextRound(rounds, from),
    )
  }
  /** At the end of a round a stitch counts nothing: the count has to be confirmed, and that is meant by Enter alone. */
  const step = (by: Stride) => (now.roundDone ? setReminded(now.round.number) : count(by))
  const changePrint = (by: 1 | -1) => {
    const print = PRINTS[PRINTS.indexOf(settings.print) + by]
    if (print) void changeSettings({ print })
  }
  useWorkKeys(
    dialog === undefined && !locked,
    {
      count: () => step('stitch'),
      repeat: () => (now.roundDone ? goOn() : count('repeat')),
      round: () => step('round'),
      undo: () => act(undo),
      recount: () => act((from) => goTo(rounds, from, { round: from.position.round, unit: 0 })),
      note: () => setDialog('note'),
      goTo: () => setDialog('goTo'),
      find: () => setDialog('find'),
      keys: () => setDialog('keys'),
      yarn: () => setDialog('yarn'),
      plan: () => void navigate(pieceAddress(view, 'plan')),
      check: () => void navigate(check),
      larger: () => changePrint(1),
      smaller: () => changePrint(-1),
      lock: () => setLocked(true),
    },
    device.keys,
  )

  return (
    <div className="flex h-dvh flex-col overflow-hidden low:h-auto low:min-h-dvh low:overflow-visible">
      <WorkHeader view={view} copy={copy} plan={plan} madeInAll={now.madeInAll} round={now.round.number} />
      {isBack && (
        <WhereLeft
          copyId={copy.id}
          plan={plan}
          position={state.position}
          made={now.made}
          onHere={() => setLeftAt(undefined)}
          onFind={() => setDialog('find')}
        />
      )}
      {unsaved && <UnsavedLine since={unsaved.since} events={unsaved.events} />}
      {state.finished ? (
        <FinishedPanel view={view} copy={copy} plan={plan} />
      ) : now.roundDone ? (
        <RoundCheck
          key={now.round.number}
          plan={plan}
          pieceId={view.piece.id}
          spec={spec}
          checkPath={check}
          now={now}
          last={atTheEnd(rounds, state.position)}
          act={act}
          onGoOn={goOn}
          reminded={reminded === now.round.number}
          onStitch={() => step('stitch')}
        />
      ) : (
        <TapArea onTap={() => count('stitch')} onSwipe={() => count('repeat')} sameTouch={device.sameTouch}>
          <RoundInHand
            plan={plan}
            spec={spec}
            constraints={view.piece.constraints}
            now={now}
            unit={state.position.unit}
            late={late}
            changes={changes}
            strands={device.strands}
          />
        </TapArea>
      )}
      <WorkBar
        row={!now.round.closed}
        canUndo={undo(state) !== undefined}
        act={act}
        onNote={() => setDialog('note')}
        onGoTo={() => setDialog('goTo')}
        onYarn={() => setDialog('yarn')}
        onKeys={() => setDialog('keys')}
        onLock={() => setLocked(true)}
        onRound={now.roundDone ? undefined : () => count('round')}
      />
      <NoteDialog
        open={dialog === 'note'}
        onClose={() => setDialog(undefined)}
        copyId={copy.id}
        plan={plan}
        position={state.position}
        onNote={(text) => act(noteAt(text))}
        otherwise={
          !state.finished && (
            <OtherwiseButtons
              pieceId={view.piece.id}
              spec={spec}
              plan={plan}
              round={now.round}
              position={state.position}
              hook={hookInUse(spec, view.gauge)}
              changes={changes}
              act={act}
              onDone={() => setDialog(undefined)}
            />
          )
        }
      />
      <GoToDialog
        key={dialog}
        open={dialog === 'goTo'}
        onClose={() => setDialog(undefined)}
        plan={plan}
        now={now.round.number}
        onGo={(target) => act((from) => goTo(rounds, from, target))}
        onFind={() => setDialog('find')}
        onCarry={() => setDialog('carry')}
      />
      {dialog === 'carry' && (
        <CarryDialog onClose={() => setDialog(undefined)} copy={copy} plan={plan} position={state.position} />
      )}
      {dialog === 'find' && (
        <FindPlaceDialog
          onClose={() => setDialog(undefined)}
          plan={plan}
          position={state.position}
          onGo={(target) => {
            setLeftAt(undefined)
            act((from) => goTo(rounds, from, target))
          }}
        />
      )}
      {dialog === 'yarn' && (
        <YarnDialog
          open
          onClose={() => setDialog(undefined)}
          spec={spec}
          plan={plan}
          position={state.position}
        />
      )}
      {locked && <PocketLock onOpen={() => setLocked(false)} />}
      <KeysDialog open={dialog === 'keys'} onClose={() => setDialog(undefined)} />
    </div>
  )
}

const noteAt =
  (text: string): Deed =>
  ({ position }) => ({ type: 'note', position, text })

/** The whole middle of the screen counts: a tap one stitch, a pull across the rest of the repeat. */
function TapArea({
  onTap,
  onSwipe,
  sameTouch,
  children,
}: {
  onTap: () => void
  onSwipe: () => void
  /** A touch that ends sooner than so many ms after another is none of its own. */
  sameTouch: number
  children: ReactNode
}) {
  const down = useRef<{ x: number; pointer: number }>(undefined)
  const last = useRef(-Infinity)
  const begin = (event: PointerEvent) => {
    if (event.button === 0) down.current = { x: event.clientX, pointer: event.pointerId }
  }
  const end = (event: PointerEvent) => {
    const from = down.current
    down.current = undefined
    if (from?.pointer !== event.pointerId) return
    const since = event.timeStamp - last.current
    last.current = event.timeStamp
    if (since < sameTouch) return
    if (Math.abs(event.clientX - from.x) > SWIPE_PX) onSwipe()
    else onTap()
  }
  return (
    <main
      className="flex min-h-0 grow touch-none flex-col select-none low:touch-pan-y"
      data-testid="tap-area"
      onPointerDown={begin}
      onPointerUp={end}
      onPointerCancel={() => (down.current = undefined)}
    >
      {children}
    </main>
  )
}
