import { expandSteps, type Unit } from '../rounds/steps.ts'
import { numbersOfTexture, type Texture } from '../rounds/texture.ts'
import type { RoundRead } from './read/readPattern.ts'

/** Fewer rounds than this are no texture. */
const FEWEST = 3

/** The texture that rounds are worked in, if they all are; its sizes differ from those of plain fabric (FIELD §12). */
export function textureOf(rounds: readonly Pick<RoundRead, 'steps' | 'side'>[]): Texture | undefined {
  const all = rounds.map(({ steps }) => expandSteps(steps))
  const first = all.findIndex((units) => units.some(({ manner }) => manner !== undefined))
  // The round that turns the corner is plain.
  if (first < 0 || first > 2 || all.length - first < FEWEST) return undefined
  const own = all.slice(first)
  return ofPosts(own, rounds.slice(first)) ?? scattered(own) ?? ofClusters(own)
}

/** The texture of a single round among plain ones: what it is worked in anew, wherever it comes to stand. */
export function accentOf({ steps, side }: Pick<RoundRead, 'steps' | 'side'>): Texture | undefined {
  const units = expandSteps(steps)
  if (units.some(({ uses, makes }) => uses !== 1 || makes !== 1)) return undefined
  const found = ofPosts([units], [{ side }]) ?? raisedIn(units) ?? ofClusters([units]) ?? meshIn(units)
  const inRange =
    found &&
    numbersOfTexture(found.kind).every(({ number, least, most }) => {
      const value = found[number]
      return value === undefined || (value >= least && value <= most)
    })
  return inRange ? found : undefined
}

/** Popcorns or spikes, each after as many plain stitches. */
function raisedIn(units: readonly Unit[]): Texture | undefined {
  const raised = units.filter(({ manner }) => manner === 'popcorn' || manner === 'spike')
  const [first] = raised
  const others = units.some(({ manner }) => manner !== undefined && manner !== first?.manner)
  if (!first || others) return undefined
  const over = Math.round(units.length / raised.length) - 1
  return first.manner === 'spike' ? { kind: 'spike', over } : { kind: 'popcorn', of: first.of ?? 5, over }
}

/** A chain over every other stitch. */
const meshIn = (units: readonly Unit[]): Texture | undefined =>
  units.length > 1 && units.every(({ manner }, index) => manner === (index % 2 === 1 ? 'space' : undefined))
    ? { kind: 'mesh' }
    : undefined

/** As a stitch is seen from the right side. */
const seen = (unit: Unit, side: RoundRead['side']) =>
  side === 'right' || (unit.manner !== 'frontPost' && unit.manner !== 'backPost')
    ? unit.manner
    : unit.manner === 'frontPost'
      ? 'backPost'
      : 'frontPost'

function ofPosts(
  own: readonly (readonly Unit[])[],
  rounds: readonly Pick<RoundRead, 'side'>[],
): Texture | undefined {
  const isPost = ({ manner }: Unit) => manner === 'frontPost' || manner === 'backPost'
  if (!own.every((units) => units.every(isPost))) return undefined
  // What comes first as it is seen: rounds that are turned begin at the other end.
  const firsts = own.map((units, index) => {
    const { side } = rounds[index]!
    return seen(side === 'right' ? units[0]! : units.at(-1)!, side)
  })
  const [units] = own as [readonly Unit[]]
  const change = units.findIndex(({ manner }) => manner !== units[0]!.manner)
  if (change < 0) return firsts.every((one) => one === firsts[0]) ? { kind: 'posts' } : undefined
  const turn = firsts.findIndex((one) => one !== firsts[0])
  return turn < 0 ? { kind: 'rib', over: change } : { kind: 'check', over: change, rounds: turn }
}

/** Popcorns or spikes between plain stitches, in every so manieth round. */
function scattered(own: readonly (readonly Unit[])[]): Texture | undefined {
  const raised = own.flatMap((units, index) => {
    const found = units.find(({ manner }) => manner === 'popcorn' || manner === 'spike')
    return found
      ? [{ index, found, times: units.filter(({ manner }) => manner === found.manner).length }]
      : []
  })
  const [one, next] = raised
  if (!one || raised.length < 2) return undefined
  const over = Math.round(own[one.index]!.length / one.times) - 1
  const between = next!.index - one.index - 1
  if (over < 1) return undefined
  return one.found.manner === 'spike'
    ? { kind: 'spike', over, rounds: between }
    : { kind: 'popcorn', of: one.found.of ?? 5, over, rounds: Math.max(1, between) }
}

function ofClusters(own: readonly (readonly Unit[])[]): Texture | undefined {
  const clusters = own.map((units) => units.filter(({ manner }) => manner === 'cluster'))
  if (clusters.some(({ length }) => length === 0)) return undefined
  const [units] = own as [readonly Unit[]]
  return {
    kind: 'cluster',
    of: clusters[0]![0]!.of ?? 3,
    over: Math.round(units.length / clusters[0]!.length) - 1,
  }
}
