import { readFileSync } from 'node:fs'
import { replay } from '../worklog/replay.ts'
import { yarnCheck } from '../fit/yarnCheck.ts'
import { planPiece } from '../plan/planPiece.ts'
import { RECORD_TABLES, type PlanVersionRecord, type ProjectFile } from './records.ts'
import { readProjectFile } from './readProjectFile.ts'
import { specOf } from './specOf.ts'

/** Workshop files as earlier versions wrote them: they open for ever, with the same work in them. */
const SAMPLES = [1, 3] as const
const textOf = (version: number) => readFileSync(`core/testing/workshop-v${version}.uzel.json`, 'utf8')

function opened(version: number): ProjectFile {
  const read = readProjectFile(textOf(version))
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  return read.file
}

describe.each(SAMPLES)('a workshop of version %i', (version) => {
  const old = JSON.parse(textOf(version)) as ProjectFile
  const file = opened(version)

  test('opens as a file of today, nothing lost', () => {
    expect(file.version).toBe(4)
    for (const table of RECORD_TABLES) {
      expect(file[table].map(({ id }) => id)).toEqual((old[table] ?? []).map(({ id }) => id))
    }
  })

  test('has the same work in it: every log ends where it ended', () => {
    expect(file.events).toEqual(old.events)
    for (const copy of file.copies) {
      const log = file.events.filter(({ copyId }) => copyId === copy.id)
      const { position, finished } = replay(log)
      expect(finished).toBe(copy.finishedAt !== undefined)
      const pinned = file.planVersions.find(({ pieceId }) => pieceId === copy.pieceId)!
      expect(pinned.plan.rounds[position.round - 1]).toBeDefined()
    }
  })

  test('keeps every pinned round as it was pinned', () => {
    const rounds = (versions: readonly PlanVersionRecord[]) => versions.map(({ plan }) => plan.rounds)
    expect(rounds(file.planVersions)).toEqual(rounds(old.planVersions))
  })

  test('takes the metres of every strand, as its gauge has them', () => {
    for (const [index, { pieceId, spec, plan }] of file.planVersions.entries()) {
      const piece = file.pieces.find(({ id }) => id === pieceId)!
      const { strands } = file.gauges.find(({ id }) => id === piece.gaugeId)!
      expect(spec.gauge.strands).toBe(strands)
      const before = old.planVersions[index]!.plan.yarn
      plan.yarn.forEach(({ metres }, use) => expect(metres).toBeCloseTo(strands * before[use]!.metres, 9))
    }
  })

  test('plans its pieces anew with increases where they stood', () => {
    for (const piece of file.pieces) {
      expect(piece.construction.rounds).toMatchObject({ begins: 'chain', shaping: 'atTheJoin' })
      const gauge = file.gauges.find(({ id }) => id === piece.gaugeId)!
      const plan = planPiece(specOf(piece, gauge, 16))
      const third = plan.rounds[2]!.steps
      expect(third.at(-1)!.ops.at(-1)!.kind).toBe('inc')
    }
  })

  test('can be weighed for at the hook', () => {
    const { spec, plan } = file.planVersions[0]!
    const { yarn, metres } = plan.yarn[0]!
    const check = yarnCheck({ spec, plan, position: { round: 1, unit: 0 }, yarn, left: 500, leftSd: 3 })
    expect(check.piece).toBe('safe')
    expect(Math.abs(check.needed / metres - 1)).toBeLessThan(0.02)
  })
})

test('a file that says a version nobody wrote is refused before it is read', () => {
  for (const version of [0, -1, 2.5, '3', null, 5]) {
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
