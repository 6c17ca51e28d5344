import { readFileSync } from 'node:fs'
import { roundNamed } from '../rounds/inOrder.ts'
import { startOf, type LogEvent } from '../worklog/logEvent.ts'
import { replay } from '../worklog/replay.ts'
import { namesInLog } from './namesInLog.ts'
import { yarnCheck } from '../fit/yarnCheck.ts'
import { planPiece } from '../plan/planPiece.ts'
import { unpin } from '../plan/pinnedPlan.ts'
import { verify } from '../rounds/verify.ts'
import { writeOps } from '../pattern/writeSteps.ts'
import type { PlannedRound, Plan } from '../plan/plan.ts'
import { decrease, expandSteps, increase, plain } from '../rounds/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'
import { RECORD_TABLES, type ProjectFile } from './records.ts'
import { readProjectFile } from './readProjectFile.ts'
import { specOf } from './specOf.ts'

/** Workshop files as earlier versions wrote them: they open for ever, with the same work in them. */
const SAMPLES = [1, 3, 4] as const
const textOf = (version: number) => readFileSync(`core/testing/workshop-v${version}.uzel.json`, 'utf8')

function opened(version: number): ProjectFile {
  const read = readProjectFile(textOf(version))
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return read.file
}

/** Until version 5 steps said what they did by name, and geometry stood beside them. */
interface OldOp {
  readonly kind: 'work' | 'inc' | 'dec'
  readonly stitch: StitchName
  readonly count?: number
}
interface OldRound extends Omit<PlannedRound, 'steps'> {
  readonly steps: readonly { readonly times: number; readonly ops: readonly OldOp[] }[]
}
/** Until version 6 a diameter and its ± were all that was promised. */
interface OldPromise {
  readonly across: number
  readonly plusMinus: number
}
type OldFile = Omit<ProjectFile, 'planVersions' | 'readings'> & {
  readonly planVersions: readonly {
    readonly plan: Omit<Plan, 'rounds' | 'finished' | 'checkpoints'> & {
      readonly rounds: readonly OldRound[]
      readonly finished: OldPromise
      readonly checkpoints: readonly (OldPromise & { readonly afterRound: number })[]
    }
  }[]
}

const OLD_OPS = {
  work: ({ stitch, count }: OldOp) => plain(stitch, count),
  inc: ({ stitch }: OldOp) => increase(stitch),
  dec: ({ stitch }: OldOp) => decrease(stitch),
}

/** A round in words, with all that a maker goes by. */
const writtenOf = (round: PlannedRound): string =>
  [round.number, round.from, round.count, round.stitch, round.yarn, stepsIn(round.steps)].join(' ')
const writtenThen = (round: OldRound): string =>
  [
    round.number,
    round.from,
    round.count,
    round.stitch,
    round.yarn,
    stepsIn(round.steps.map(({ times, ops }) => ({ times, ops: ops.map((op) => OLD_OPS[op.kind](op)) }))),
  ].join(' ')
const stepsIn = (steps: PlannedRound['steps']): string =>
  steps.map(({ times, ops }) => `${times}x ${writeOps(ops, 'US')}`).join('; ')

function expectPromises(
  {
    finished,
    checkpoints,
    rounds,
  }: Pick<Plan, 'finished' | 'checkpoints'> & { readonly rounds: readonly unknown[] },
  before: OldFile['planVersions'][number]['plan'],
): void {
  const asPromised = ({ across, plusMinus }: OldPromise, at: number) => [
    { of: 'across', at, value: across, sd: plusMinus / 2 },
  ]
  expect(finished.promises).toEqual(asPromised(before.finished, rounds.length))
  expect(checkpoints).toMatchObject(
    before.checkpoints.map((one) => ({
      afterRound: one.afterRound,
      promises: asPromised(one, one.afterRound),
    })),
  )
}

/** An event as it was told until version 6, with the numbers of the rounds it names in the plan worked to then. */
const numbered = ({ events, copies, planVersions }: ProjectFile) => {
  const numberIn = (version: number, pieceId: string) => {
    const { rounds } = planVersions.find((one) => one.pieceId === pieceId && one.version === version)!.plan
    return (id: string) => rounds.findIndex((round) => round.id === id) + 1
  }
  return (event: LogEvent): unknown => {
    const { pieceId } = copies.find(({ id }) => id === event.copyId)!
    const log = events.filter(({ copyId }) => copyId === event.copyId)
    const versionAt = (seq: number) => replay(log.filter((one) => one.seq <= seq)).planVersion
    const before = numberIn(versionAt(Math.max(1, event.seq - 1)), pieceId)
    const now = numberIn(versionAt(event.seq), pieceId)
    return {
      ...event,
      ...('from' in event ? { from: { ...event.from, round: before(event.from.round) } } : {}),
      ...('to' in event ? { to: { ...event.to, round: now(event.to.round) } } : {}),
      ...('position' in event ? { position: { ...event.position, round: now(event.position.round) } } : {}),
      ...('round' in event ? { round: now(event.round) } : {}),
    }
  }
}

describe.each(SAMPLES)('a workshop of version %i', (version) => {
  const old = JSON.parse(textOf(version)) as OldFile
  const file = opened(version)

  test('opens as a file of today, nothing lost', () => {
    expect(file.version).toBe(10)
    for (const table of RECORD_TABLES) {
      expect(file[table].map(({ id }) => id)).toEqual(
        ((old[table as 'pieces'] ?? []) as readonly { id: string }[]).map(({ id }) => id),
      )
    }
  })

  test('has the same work in it: every log ends where it ended', () => {
    expect(file.events.map(numbered(file))).toEqual(old.events)
    for (const copy of file.copies) {
      const log = file.events.filter(({ copyId }) => copyId === copy.id)
      const { position, finished } = replay(log)
      expect(finished).toBe(copy.finishedAt !== undefined)
      const pinned = file.planVersions.find(
        ({ pieceId, version: worked }) => pieceId === copy.pieceId && worked === copy.planVersion,
      )!
      expect(roundNamed(pinned.plan.rounds, position.round)).toBeDefined()
    }
  })

  test('keeps every pinned round as it was pinned, as a fabric that can be worked', () => {
    for (const [index, { spec, plan }] of file.planVersions.entries()) {
      expect(verify(plan.rounds)).toEqual([])
      const before = old.planVersions[index]!.plan
      const now = unpin(spec, plan)
      expect(now.rounds.map(writtenOf)).toEqual(before.rounds.map(writtenThen))
      expectPromises(plan, before)
      expect(JSON.stringify(plan)).not.toContain('"at":{')
      // Where a round lies is worked out anew, and comes out much the same.
      now.rounds.forEach(({ at }, round) => {
        expect(Math.abs(at.radius / before.rounds[round]!.at.radius - 1)).toBeLessThan(0.03)
      })
    }
  })

  test('takes the metres of every strand, as its gauge has them', () => {
    for (const [index, { pieceId, spec, plan }] of file.planVersions.entries()) {
      const piece = file.pieces.find(({ id }) => id === pieceId)!
      const { strands } = file.gauges.find(({ id }) => id === piece.gaugeId)!
      expect(spec.gauge.strands).toBe(strands)
      const before = old.planVersions[index]!.plan.yarn
      unpin(spec, plan).yarn.forEach(({ metres }, use) => {
        const share = metres / before[use]!.metres
        expect(share).toBeCloseTo(version < 4 ? strands : 1, 1)
      })
    }
  })

  test('plans its pieces anew with increases where they stood', () => {
    for (const piece of file.pieces) {
      expect(piece.construction.rounds).toMatchObject({
        begins: 'chain',
        shaping: version < 4 ? 'atTheJoin' : 'offTheJoin',
      })
      const gauge = file.gauges.find(({ id }) => id === piece.gaugeId)!
      const plan = planPiece(specOf(piece, gauge, 16))
      // Until version 4 a round ended in its increase; since then they keep off the join.
      const third = expandSteps(plan.rounds[2]!.steps)
      if (version < 4) expect(third.at(-1)!.makes).toBe(2)
    }
  })

  test('can be weighed for at the hook', () => {
    const { spec } = file.planVersions[0]!
    const plan = unpin(spec, file.planVersions[0]!.plan)
    const { yarn, metres } = plan.yarn[0]!
    const check = yarnCheck({ spec, plan, position: startOf(plan.rounds), yarn, left: 500, leftSd: 3 })
    expect(check.piece).toBe('safe')
    expect(Math.abs(check.needed / metres - 1)).toBeLessThan(0.02)
  })
})

test('a second piece, which earlier versions never showed, is shown under a name of its own', () => {
  const old = JSON.parse(textOf(4)) as { pieces: Record<string, unknown>[] }
  const [first] = old.pieces
  const read = readProjectFile(JSON.stringify({ ...old, pieces: [first, { ...first, id: 'second' }] }))
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  expect(read.file.pieces.map(({ name, place }) => [name, place])).toEqual([
    ['Piece 1', 1],
    ['Piece 2', 2],
  ])
  expect(opened(4).pieces[0]).toMatchObject({ name: 'Mat', place: 1, fitness: { hardware: [] } })
  expect(opened(1).pieces[0]!.fitness).toEqual({ uses: [], layers: 1, hardware: [], read: [] })
})

test('a file that says a version nobody wrote is refused before it is read', () => {
  for (const version of [0, -1, 2.5, '3', null, 11]) {
    const text = JSON.stringify({ ...(JSON.parse(textOf(3)) as object), version })
    const read = readProjectFile(text)
    expect(read).toMatchObject({ ok: false, faults: [{ path: 'version' }] })
  }
})

test('what is wrong in an old file is still found, at its path', () => {
  const old = JSON.parse(textOf(3)) as { pieces: { construction: { rounds: unknown } }[] }
  old.pieces[0]!.construction.rounds = { kind: 'joined', turned: 'sometimes', chainCounts: false }
  const read = readProjectFile(JSON.stringify(old))
  expect(read.ok).toBe(false)
  if (!read.ok) expect(read.faults[0]!.path).toMatch(/^pieces\[0\]\.construction\.rounds/)
})

describe('a workshop of version 5', () => {
  const old = JSON.parse(textOf(5)) as OldFile & { readonly readings: readonly Record<string, unknown>[] }
  const file = opened(5)

  test('opens with the same rounds, work and pieces', () => {
    expect(file.planVersions.map(({ plan }) => plan.rounds)).toEqual(
      old.planVersions.map(({ plan }) => plan.rounds),
    )
    expect(file.planVersions.map(({ plan }) => plan.goesOn)).toEqual(
      old.planVersions.map(({ plan }) => plan.goesOn),
    )
    expect(file.events.map(numbered(file))).toEqual(old.events)
    expect(file.pieces).toEqual(old.pieces)
  })

  test('promises what it promised, and has seen what was seen', () => {
    for (const [index, { plan }] of file.planVersions.entries()) {
      expectPromises(plan, old.planVersions[index]!.plan)
    }
    expect(file.readings).toHaveLength(2)
    file.readings.forEach(({ seen, edge, counts, hole }, index) => {
      const { across, around, ...before } = old.readings[index]!
      expect({ edge, counts, hole }).toEqual({
        edge: before['edge'],
        counts: before['counts'],
        hole: before['hole'],
      })
      expect(seen).toEqual([
        { of: 'across', at: 6, values: across },
        ...(around === undefined ? [] : [{ of: 'around', at: 6, values: [around] }]),
      ])
    })
    expect(old.readings.some((one) => 'around' in one)).toBe(true)
  })
})

test('a cap of version 6 opens with its rounds and work, and a height for the brim it may be given', () => {
  const old = JSON.parse(textOf(6)) as ProjectFile
  const file = opened(6)
  expect(file.pieces).toEqual([{ ...old.pieces[0], form: { ...old.pieces[0]!.form, brimHeight: 45 } }])
  expect(file.planVersions[0]!.plan).toEqual(old.planVersions[0]!.plan)
  expect(file.events).toEqual(old.events)
  const { spec, plan } = file.planVersions[0]!
  expect(unpin(spec, plan).rounds.map(({ count }) => count)).toEqual(
    planPiece(specOf(file.pieces[0]!, file.gauges[0]!, 18)).rounds.map(({ count }) => count),
  )
})

test('a case, a pair and a mat under way of version 7 open as they were: nothing is said of joints yet', () => {
  const { version: _, ...old } = JSON.parse(textOf(7)) as ProjectFile
  const { version, ...file } = opened(7)
  expect(version).toBe(10)
  expect(file).toEqual({ ...old, photos: [] })
  expect(file.projects.some((project) => 'finish' in project)).toBe(false)
})

test('pieces that become one, and a mat with points along its edge, of version 8 open as they were', () => {
  const { version: _, ...old } = JSON.parse(textOf(8)) as ProjectFile
  const { version, ...file } = opened(8)
  expect(version).toBe(10)
  expect(file).toEqual({ ...old, photos: [] })
  expect(file.projects.some(({ finish }) => (finish?.joints.length ?? 0) > 0)).toBe(true)
  expect(file.pieces.some(({ constraints }) => constraints.edge)).toBe(true)
  expect(file.pieces.some((piece) => 'source' in piece || piece.constraints.given)).toBe(false)
})

test('a mat under way and a written pattern of version 9 open as they were, with no photo of them', () => {
  const { version: _, ...old } = JSON.parse(textOf(9)) as ProjectFile
  const { version, ...file } = opened(9)
  expect(version).toBe(10)
  expect(file).toEqual({ ...old, photos: [] })
  expect(file.pieces.some(({ source }) => source)).toBe(true)
  const [copy] = file.copies
  expect(replay(file.events).position).toEqual(replay(old.events).position)
  expect(file.planVersions.find(({ version: worked }) => worked === copy!.planVersion)).toBeDefined()
})

test('round numbers of an old log become the names that the plan worked to then has for them', () => {
  const names = new Map([
    [1, ['r1', 'r2', 'r3']],
    [2, ['r1', 'r2', 'r3-2', 'r4']],
  ])
  const at = (round: number) => ({ round, unit: 1 })
  const log = [
    { id: 'a', type: 'start', planVersion: 1, to: at(1) },
    { id: 'b', type: 'goTo', from: at(1), to: at(3) },
    { id: 'c', type: 'replan', planVersion: 2, fromVersion: 1, from: at(3), to: at(3) },
    { id: 'd', type: 'count', round: 3, counted: 18, expected: 18 },
    { id: 'e', type: 'undo', undoes: 'c', from: at(3), to: at(3) },
    { id: 'f', type: 'note', position: at(3), text: 'a' },
    { id: 'g', type: 'goTo', from: at(3), to: at(9) },
  ]
  const told = namesInLog(log, names).map((event) => {
    const round = (key: string) => (event[key] as { round?: unknown } | undefined)?.round
    return [round('from'), round('to'), round('position'), event['round']].filter((one) => one !== undefined)
  })
  expect(told).toEqual([['r1'], ['r1', 'r3'], ['r3', 'r3-2'], ['r3-2'], ['r3-2', 'r3'], ['r3'], ['r3', 'r9']])
})
