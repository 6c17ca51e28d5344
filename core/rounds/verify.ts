import { countOf, gathers, loopsBelow, stitchesIn, type Round, type Run } from './round.ts'
import { stitchesConsumed } from './steps.ts'

/** What does not add up in a list of rounds, and where. */
export interface Flaw {
  /** Index of the round, from 0. */
  readonly at: number
  /** The field of the round that says so. */
  readonly field: 'id' | 'hosts' | 'steps'
  /** A sentence. */
  readonly message: string
}

/**
 * Whether rounds are a fabric that can be worked: every round stands in stitches that are there, uses each of them
 * once and makes at least one. Planned, imported and read rounds go through it. Rounds are named by number, as a
 * maker counts them.
 * @returns everything that is wrong, in working order; nothing when it all adds up
 */
export function verify(rounds: readonly Round[]): Flaw[] {
  const flaws: Flaw[] = []
  const numbers = new Map<string, number>()
  const leaves = leftOver(rounds)
  rounds.forEach((round, at) => {
    const say = (field: Flaw['field'], message: string) => flaws.push({ at, field, message })
    if (numbers.has(round.id)) {
      say('id', `Rnd ${at + 1} has the name of Rnd ${numbers.get(round.id)}.`)
    }
    const placed = sayHosts(round, at, rounds, numbers)
    if (placed !== undefined) say('hosts', placed)
    const makes = countOf(round)
    if (makes < 1) say('steps', `Rnd ${at + 1} makes no stitch.`)
    const [uses, hosts] = [stitchesConsumed(round.steps), stitchesIn(round.hosts)]
    if (placed === undefined && !gathers(round) && uses !== hosts) {
      say('steps', `Rnd ${at + 1} works off ${uses} stitches; below it there are ${hosts}.`)
    }
    const unworked = placed === undefined ? leaves.get(at) : undefined
    if (unworked) say('hosts', unworked)
    numbers.set(round.id, at + 1)
  })
  return flaws
}

/** What is wrong with what a round is worked into. */
function sayHosts(
  { hosts }: Round,
  at: number,
  rounds: readonly Round[],
  numbers: ReadonlyMap<string, number>,
): string | undefined {
  if (at > 0 && hosts.length === 0) return `Rnd ${at + 1} is worked into nothing.`
  for (const { of, from, to } of hosts) {
    if (from === to) return `Rnd ${at + 1} is worked into no stitch.`
    if (of.kind !== 'top') continue
    const below = numbers.get(of.round)
    if (below === undefined) return `Rnd ${at + 1} is worked into a round that is not below it.`
    const there = countOf(rounds[below - 1]!)
    const last = Math.max(from, to)
    if (last > there || Math.min(from, to) < 0) {
      return `Rnd ${at + 1} is worked into stitch ${last} of Rnd ${below}, which has ${there}.`
    }
  }
  return undefined
}

/**
 * What does not add up of the stitches of a round by all that is worked into them: stitches that none of them takes and
 * none states as left, or that two of them take. By the index of the last round that is worked into them.
 */
function leftOver(rounds: readonly Round[]): ReadonlyMap<number, string> {
  const found = new Map<number, string>()
  rounds.forEach((below, number) => {
    const standing = rounds.flatMap((round, at) => {
      const on = (runs: readonly Run[] = []) =>
        stitchesIn(runs.filter(({ of }) => of.kind === 'top' && of.round === below.id))
      const used = on(round.hosts)
      return used > 0 ? [{ at, used, left: on(round.left), front: loopsBelow(round) === 'front' }] : []
    })
    // A lip and what is worked behind it have a loop each.
    const behind = standing.filter(({ front }) => !front)
    const [count, used] = [countOf(below), behind.reduce((sum, one) => sum + one.used, 0)]
    const last = behind.at(-1)
    if (!last || used === count) return
    const wrong = behind.find(({ left, used: own }) => left > 0 && left + own !== count)
    const title = `Rnd ${number + 1}`
    if (used > count) found.set(last.at, `Rnd ${last.at + 1} takes stitches of ${title} a second time.`)
    else if (wrong || behind.every(({ left }) => left === 0)) {
      found.set(last.at, `Rnd ${last.at + 1} leaves ${count - used} sts of ${title} unworked.`)
    }
  })
  return found
}
