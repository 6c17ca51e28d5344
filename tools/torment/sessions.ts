import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import {
  attempt,
  atTheEnd,
  diagnose,
  goTo,
  nextRound,
  planPiece,
  projectFile,
  replay,
  roundNamed,
  specOf,
  undo,
  waysOut,
  workOn,
  workView,
  writeProjectFile,
  type CopyRecord,
  type LogEvent,
  type PieceReading,
  type Plan,
  type YarnRecord,
  unpin,
} from '../../core/index.ts'
import { anyForm, anySeen } from './anyForm.ts'
import { PIECE_EDITS } from './pieceEdits.ts'
import { dice } from '../../core/testing/dice.ts'
import { beginCopy } from '../../app/store/beginCopy.ts'
import { database } from '../../app/store/database.ts'
import { importFile } from '../../app/store/importing.ts'
import { Refused } from '../../app/store/mustFit.ts'
import {
  createPiece,
  deleteProject,
  duplicateProject,
  renameProject,
  restoreProject,
  saveGauge,
  savePiece,
  saveSettings,
  saveYarn,
} from '../../app/store/mutations.ts'
import { readSettings } from '../../app/store/queries.ts'
import { recordsOf } from '../../app/store/records.ts'
import { pinVersion, turnTo } from '../../app/store/takeWay.ts'
import { eventsAfter } from '../../app/store/workLog.ts'
import { openWorkSession, readWorkState, type Deed, type WorkSession } from '../../app/store/workSession.ts'

export interface SessionsReport {
  readonly sessions: number
  readonly deeds: number
  /** Edits that were refused, and left what stood there. */
  readonly refused: number
  readonly broken: readonly string[]
}

/** A copy in the model: the open tabs on it, and every event that was counted, in whatever order. */
interface Bench {
  readonly copy: CopyRecord
  tabs: WorkSession[]
  readonly counted: Set<string>
}

const YARN_EDITS: readonly ((yarn: YarnRecord, random: () => number) => YarnRecord)[] = [
  (yarn, random) => ({ ...yarn, metresPerBall: random() * 200 }),
  (yarn) => ({ ...yarn, metresPerBall: 1e9 }),
  (yarn, random) => ({ ...yarn, balls: random() < 0.5 ? 3 : 2.5 }),
  (yarn) => ({ ...yarn, name: '' }),
  (yarn) => ({ ...yarn, name: 'Fog <b>' }),
  (yarn) => ({ ...yarn, colour: 'red' }),
]

/** Deeds of one session against a model of what must then be stored. Throws what does not hold. */
async function oneSession(
  seed: number,
  length: number,
  told: { deeds: number; refused: number; trail: string[] },
) {
  const { uniform: random } = dice(seed)
  const pick = <T>(some: readonly T[]): T => some[Math.floor(random() * some.length)]!
  await Promise.all(database.tables.map((table) => table.clear()))
  const benches: Bench[] = []
  await createPiece({ name: 'Tin-mug mat', form: { family: 'disc', across: 60 + random() * 80 } })

  const pieceAndGauge = async () => {
    const piece = pick(await database.pieces.toArray())
    return { piece, gauge: (await database.gauges.get(piece.gaugeId))! }
  }
  const planNow = async (bench: Bench): Promise<Plan> => {
    const { planVersion } = await readWorkState(bench.copy)
    const pinned = await database.planVersions
      .where('[pieceId+version]')
      .equals([bench.copy.pieceId, planVersion])
      .first()
    return unpin(pinned!.spec, pinned!.plan)
  }
  const settle = async () => {
    for (let times = 0; times < 2; times++) {
      for (const { tabs } of benches) for (const tab of tabs) tab.catchUp()
      await Promise.all(benches.flatMap(({ tabs }) => tabs.map((tab) => tab.settled())))
    }
  }
  /** An edit that is refused leaves what stood there; one that is taken is what stands there. */
  const edit = async <T>(
    save: () => Promise<void>,
    before: T,
    after: T,
    read: () => Promise<T | undefined>,
  ) => {
    try {
      await save()
      same(await read(), after, 'an edit was not stored as made')
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      told.refused++
      same(await read(), before, 'a refused edit changed what was stored')
    }
  }
  const act = (bench: Bench, tab: WorkSession, deed: Deed) => {
    const event = tab.act(deed)
    if (event) bench.counted.add(event.id)
  }

  const deeds: Readonly<Record<string, () => Promise<void>>> = {
    'another piece': async () => {
      const projects = await database.projects.filter(({ deletedAt }) => !deletedAt).toArray()
      // Every third joins a project that is there.
      const joined = projects.length > 0 && random() < 0.33 ? { projectId: pick(projects).id } : {}
      await createPiece({ name: pick(['Pot cover', 'Bench mat']), form: anyForm(random), ...joined })
    },
    'edit a piece': async () => {
      const { piece } = await pieceAndGauge()
      const after = pick(PIECE_EDITS)(piece, random)
      await edit(
        () => savePiece(after),
        piece,
        after,
        () => database.pieces.get(piece.id),
      )
    },
    'edit a yarn': async () => {
      const yarn = pick(await database.yarns.toArray())
      const after = pick(YARN_EDITS)(yarn, random)
      await edit(
        () => saveYarn(after),
        yarn,
        after,
        () => database.yarns.get(yarn.id),
      )
    },
    'edit a gauge': async () => {
      const gauge = pick(await database.gauges.toArray())
      const after = { ...gauge, hook: pick([0, 3, 5.5, 41]), strands: pick([1, 2, 7]) }
      await edit(
        () => saveGauge(after),
        gauge,
        after,
        () => database.gauges.get(gauge.id),
      )
    },
    'edit settings': async () => {
      const before = await readSettings()
      const after = { ...before, pace: pick([0, 15, 200]) }
      await edit(() => saveSettings({ pace: after.pace }), before, after, readSettings)
    },
    'begin a copy': async () => {
      const { piece, gauge } = await pieceAndGauge()
      const planned = attempt(() => {
        const spec = specOf(piece, gauge, 18)
        return { spec, plan: planPiece(spec) }
      })
      const number = 1 + (await database.copies.where('pieceId').equals(piece.id).count())
      if (!planned.ok || number > 3) return
      const copy = await beginCopy({ pieceId: piece.id, number, ...planned.value })
      const state = await readWorkState(copy)
      benches.push({
        copy,
        tabs: [openWorkSession(copy, state), openWorkSession(copy, state)],
        counted: new Set(),
      })
    },
    tap: async () => {
      if (benches.length === 0) return
      const bench = pick(benches)
      const { rounds } = await planNow(bench)
      const on: Deed = (state) =>
        atTheEnd(rounds, state.position) && !state.finished
          ? { type: 'finish' }
          : (workOn(rounds, state, pick(['stitch', 'stitch', 'repeat', 'round'])) ?? nextRound(rounds, state))
      // One tab at a time: what two tabs make of one another's taps is `hurry`.
      for (let taps = 1 + Math.floor(random() * 12); taps > 0; taps--) act(bench, bench.tabs[0]!, on)
      await settle()
    },
    hurry: async () => {
      if (benches.length === 0) return
      const bench = pick(benches)
      const { rounds } = await planNow(bench)
      const { position, finished } = await readWorkState(bench.copy)
      const left = roundNamed(rounds, position.round)!.count - position.unit
      if (finished || left < 12) return
      for (let taps = 0; taps < 3; taps++) {
        for (const tab of bench.tabs) act(bench, tab, (state) => workOn(rounds, state, 'stitch'))
        if (random() < 0.3) await new Promise((done) => setTimeout(done))
      }
      await settle()
    },
    undo: async () => {
      if (benches.length === 0) return
      const bench = pick(benches)
      act(bench, pick(bench.tabs), undo)
      await settle()
    },
    'go to': async () => {
      if (benches.length === 0) return
      const bench = pick(benches)
      const { rounds } = await planNow(bench)
      const target = { round: pick(rounds).id, unit: Math.floor(random() * 30) }
      act(bench, pick(bench.tabs), (state) => goTo(rounds, state, target))
      await settle()
    },
    note: async () => {
      if (benches.length === 0) return
      const bench = pick(benches)
      act(bench, pick(bench.tabs), ({ position }) => ({ type: 'note', position, text: 'second ball' }))
      await settle()
    },
    'measure and re-plan': async () => {
      if (benches.length === 0) return
      const bench = pick(benches)
      const state = await readWorkState(bench.copy)
      const pinned = await database.planVersions
        .where('[pieceId+version]')
        .equals([bench.copy.pieceId, state.planVersion])
        .first()
      const { spec } = pinned!
      const plan = unpin(spec, pinned!.plan)
      const now = workView(plan, state.position)
      const afterRound = now.round.number - (now.roundDone ? 0 : 1)
      if (state.finished || afterRound < 4 || afterRound >= plan.rounds.length) return
      const reading: PieceReading = {
        id: crypto.randomUUID(),
        copyId: bench.copy.id,
        at: 1,
        planVersion: state.planVersion,
        afterRound,
        ...anySeen(spec, plan, afterRound, random),
      }
      const diagnosis = diagnose({ spec, rounds: plan.rounds.slice(0, afterRound), readings: [reading] })
      const { ways } = waysOut({ spec, hook: 5, plan, afterRound, diagnosis })
      const way = ways[0]
      if (!way) return
      const version = await pinVersion({
        pieceId: bench.copy.pieceId,
        spec: way.spec,
        plan: way.plan,
        reading,
      })
      act(bench, bench.tabs[0]!, turnTo(plan, way.plan, way.keeps, version))
      await settle()
    },
    reload: async () => {
      for (const bench of benches) {
        const state = await readWorkState(bench.copy, database, 1 + Math.floor(random() * 20))
        bench.tabs = bench.tabs.map(() => openWorkSession(bench.copy, state))
      }
    },
    'a full disk': async () => {
      if (benches.length === 0) return
      const bench = pick(benches)
      const add = database.events.bulkAdd.bind(database.events)
      const table = database.events as { bulkAdd: unknown }
      table.bulkAdd = () => Promise.reject(new Error('The disk is full'))
      act(bench, bench.tabs[0]!, ({ position }) => ({ type: 'note', position, text: 'full' }))
      await bench.tabs[0]!.settled()
      if (!bench.tabs[0]!.view().unsaved) throw new Error('a full disk was not told')
      table.bulkAdd = add
      act(bench, bench.tabs[0]!, ({ position }) => ({ type: 'note', position, text: 'room again' }))
      await settle()
    },
    'duplicate, rename, delete, restore': async () => {
      const { projectId } = (await pieceAndGauge()).piece
      const twin = await duplicateProject(projectId)
      await renameProject(twin, 'Twin')
      await renameProject(twin, 'x'.repeat(300)).catch((error: unknown) => {
        if (!(error instanceof Refused)) throw error
        told.refused++
      })
      await deleteProject(twin)
      if (random() < 0.5) await restoreProject(twin)
    },
    'export and import': async () => {
      const file = await backup()
      const before = await database.events.count()
      const keepBoth = random() < 0.4 && before < 400
      await importFile(file, keepBoth ? 'keepBoth' : 'replace', true)
      if (!keepBoth) same(await database.events.count(), before, 'events after taking the own backup in')
      await settle()
    },
  }

  for (let step = 0; step < length; step++) {
    const name = pick(Object.keys(deeds))
    told.trail.push(name)
    told.deeds++
    await deeds[name]!()
    await backup()
    for (const { copy, tabs, counted } of benches) {
      const log = await eventsAfter(copy.id, 0)
      const { position } = replay(log)
      for (const tab of tabs)
        same(tab.view().state.position, position, 'a tab shows another place than is stored')
      const stored = new Set(log.map(({ id }: LogEvent) => id))
      for (const id of counted)
        if (!stored.has(id)) throw new Error('a tap that was counted is not in the log')
    }
  }
}

/** Whatever was done, what goes out can be read back. */
async function backup() {
  const text = writeProjectFile(
    projectFile(await recordsOf(), '2026-11-26T08:00:00.000Z', await readSettings()),
  )
  const read = readProjectFile(text)
  if (!read.ok)
    throw new Error(`the backup is refused at ${read.faults[0]!.path}: ${read.faults[0]!.message}`)
  return read.file
}

function same(found: unknown, wanted: unknown, words: string): void {
  const text = (value: unknown) => JSON.stringify(value, sortedKeys)
  if (text(found) !== text(wanted)) throw new Error(`${words}: ${text(found)} for ${text(wanted)}`)
}

const sortedKeys = (_: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)))
    : value

/** Random sessions of edits, taps in two tabs, undo, re-plans, reloads, full disks, exports and imports. */
export async function tormentSessions(count: number, from = 1, length = 14): Promise<SessionsReport> {
  const told = { deeds: 0, refused: 0, trail: [] as string[] }
  const broken: string[] = []
  for (let seed = from; seed < from + count; seed++) {
    told.trail = []
    try {
      await oneSession(seed, length, told)
    } catch (error) {
      broken.push(`seed ${seed}: ${told.trail.join('; ')} → ${(error as Error).message.slice(0, 240)}`)
    }
  }
  return { sessions: count, deeds: told.deeds, refused: told.refused, broken }
}
