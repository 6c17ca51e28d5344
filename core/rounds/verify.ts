import { countOf, gathers, stitchesIn, type Round, type Run } from './round.ts'
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
    numbers.set(round.id, at + 1)
  })
  return flaws
}

/** What is wrong with what a round is worked into. */
function sayHosts(
  { hosts, left = [], closed }: Round,
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
  return closed && left.length === 0 ? sayUnworked(hosts, at, rounds, numbers) : undefined
}

/** Stitches of the one round below that a closed round passes over without a word. */
function sayUnworked(
  hosts: readonly Run[],
  at: number,
  rounds: readonly Round[],
  numbers: ReadonlyMap<string, number>,
): string | undefined {
  const [only, ...others] = hosts
  if (only?.of.kind !== 'top' || others.length > 0) return undefined
  const below = numbers.get(only.of.round)!
  const unworked = countOf(rounds[below - 1]!) - stitchesIn(hosts)
  return unworked > 0 ? `Rnd ${at + 1} leaves ${unworked} sts of Rnd ${below} unworked.` : undefined
}
