import type { MeasureKind } from '../lay/measures.ts'
import type { PieceSpec, Plan, PlannedRound } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { dice } from '../testing/dice.ts'
import { capSpec, vesselSpec } from '../testing/specs.ts'
import { mm } from '../units/millimetres.ts'
import { diagnose } from './diagnose.ts'
import type { PieceReading } from './pieceReading.ts'
import { waysOut } from './waysOut.ts'

/**
 * Makers of caps and baskets by pencil alone: what lies flat is as wide as its rounds are high, a wall as far around as
 * its stitches are wide, as deep as its rounds. Hands stray by what their gauge leaves open and by 2.5% a day, a tape by
 * 2 mm, fabric by 0.6% of any size; nothing of `lay` is in it.
 */
interface World {
  readonly w: number
  readonly h: number
  readonly found: (size: number) => number
}

const HIGH: Partial<Record<string, number>> = { hdc: 1.33, slst: 0.37 }
const THICK = 4.5

const sumOf = (rounds: readonly PlannedRound[], h: number) =>
  rounds.reduce((sum, { stitch }) => sum + h * (HIGH[stitch] ?? 1), 0)

function worldOf(spec: PieceSpec, seed: number): World {
  const { normal } = dice(seed)
  const { gauge } = spec
  const day = 0.025 * normal()
  return {
    w: gauge.w * Math.exp(Math.sqrt(gauge.varLnW) * normal() + day),
    h: gauge.h * Math.exp(Math.sqrt(gauge.varLnH) * normal() + day),
    found: (size) => size * (1 + 0.006 * normal()) + 2 * normal(),
  }
}

interface Form {
  readonly spec: PieceSpec
  /** What is measured of its wall, and what a tape would find of rounds in this world. */
  readonly wall: readonly [MeasureKind, (rounds: readonly PlannedRound[], world: World) => number][]
}

const wallRounds = (rounds: readonly PlannedRound[]) => rounds.filter(({ section }) => section === 'wall')

const FORMS: Readonly<Record<string, Form>> = {
  cap: {
    spec: capSpec({ crown: 'flat', ease: 0.04 }, { tolerance: mm(4) }),
    wall: [
      ['width', (rounds, { w }) => (rounds.at(-1)!.count * w) / 2],
      ['depth', (rounds, { h }) => sumOf(rounds, h)],
    ],
  },
  vessel: {
    spec: vesselSpec({ height: 180 }, { tolerance: mm(4) }),
    wall: [
      ['around', (rounds, { w }) => rounds.at(-1)!.count * w + Math.PI * THICK],
      ['height', (rounds, { h }) => sumOf(wallRounds(rounds), h) + THICK / 2],
    ],
  },
}

const around = (rounds: readonly PlannedRound[], { w }: World) => rounds.at(-1)!.count * w

/** Goes on by the first way that changes rounds or nothing, as a maker does who keeps to one hook. */
function carriedOn(
  spec: PieceSpec,
  plan: Plan,
  afterRound: number,
  seen: PieceReading['seen'],
): [PieceSpec, Plan] {
  const rounds = plan.rounds.slice(0, afterRound)
  const reading = { id: 'r', copyId: 'c', at: 1, planVersion: 1, afterRound, seen }
  const diagnosis = diagnose({ spec, rounds, readings: [reading] })
  const { ways } = waysOut({ spec, hook: 5, plan, afterRound, diagnosis })
  const way = ways.find(({ kind }) => kind === 'replan' || kind === 'accept')!
  return way.kind === 'replan' ? [way.spec, way.plan] : [spec, plan]
}

const WALL_ROUNDS_FIRST = 5
const MAKERS = 16
const rms = (all: readonly number[]) => Math.sqrt(all.reduce((sum, one) => sum + one * one, 0) / all.length)

test.each(Object.entries(FORMS))(
  'a %s measured flat and on its wall misses its girth by a third at most of what it would have, and comes nearer in depth',
  (_, { spec, wall }) => {
    const plan = planPiece(spec)
    const flat = wallRounds(plan.rounds)[0]!.number - 3
    const planned: World = { w: spec.gauge.w, h: spec.gauge.h, found: (size) => size }
    const [girth, deep] = [around(plan.rounds, planned), wall[1]![1](plan.rounds, planned)]
    const made = Array.from({ length: MAKERS }, (_, seed) => {
      const world = worldOf(spec, 7919 * seed + 11)
      const across = 2 * sumOf(plan.rounds.slice(0, flat), world.h)
      const values = [world.found(across), world.found(across)]
      const [early, first] = carriedOn(spec, plan, flat, [{ of: 'across', at: flat, values }])
      const later = wallRounds(first.rounds)[0]!.number - 1 + WALL_ROUNDS_FIRST
      const there = first.rounds.slice(0, later)
      const seen = wall.map(([of, size]) => ({ of, at: later, values: [world.found(size(there, world))] }))
      const [, last] = carriedOn(early, first, later, seen)
      return {
        before: around(plan.rounds, world) - girth,
        after: around(last.rounds, world) - girth,
        deepBefore: wall[1]![1](plan.rounds, world) - deep,
        deepAfter: wall[1]![1](last.rounds, world) - deep,
      }
    })
    expect(rms(made.map(({ before }) => before))).toBeGreaterThan(10)
    expect(rms(made.map(({ after }) => after))).toBeLessThan(rms(made.map(({ before }) => before)) / 3)
    // Five rounds of a wall tell less of their height than of their width: it comes nearer, by whole rounds.
    expect(rms(made.map(({ deepAfter }) => deepAfter))).toBeLessThan(
      rms(made.map(({ deepBefore }) => deepBefore)),
    )
  },
)
