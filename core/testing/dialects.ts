import type { Plan, PlannedRound } from '../plan/plan.ts'
import type { Op, Step } from '../rounds/steps.ts'
import { chainsAlong } from '../rounds/spine.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** How somebody writes patterns: it shares nothing with Uzel's own writer but the rounds. */
export interface Dialect {
  readonly name: string
  readonly words: Readonly<Record<StitchName, string>>
  readonly before?: string
  head(number: number): string
  run(stitch: string, count: number): string
  inc(stitch: string): string
  dec(stitch: string): string
  repeat(inside: string, times: number, whole: boolean): string
  even(stitch: string, count: number): string
  total(count: number, stitch: string): string
  ring(stitch: string, count: number): string
  join: string
  /** Chain at the beginning of a joined round, of a stitch so high. */
  chain(high: number): string
}

const US = { slst: 'sl st', sc: 'sc', hdc: 'hdc', dc: 'dc', tr: 'tr' }
const UK = { slst: 'ss', sc: 'dc', hdc: 'htr', dc: 'tr', tr: 'dtr' }

const plainly = {
  words: US,
  join: ', join with sl st in first st',
  chain: (high: number) => (high > 1 ? `ch ${high} (does not count), ` : `ch ${high}, `),
}

/** Eight hands, as different from one another as patterns are (FIELD §15). */
export const DIALECTS: readonly Dialect[] = [
  {
    ...plainly,
    name: 'terse',
    head: (n) => `R${n}: `,
    run: (st, n) => (n === 1 ? st : `${n} ${st}`),
    inc: () => 'inc',
    dec: () => 'dec',
    repeat: (inside, n) => `(${inside}) x ${n}`,
    even: (st) => `${st} around`,
    total: (n) => ` (${n})`,
    ring: (st, n) => `${n} ${st} in magic ring`,
    join: '. Join',
    chain: (high) => `ch ${high}, `,
  },
  {
    ...plainly,
    name: 'numbers after',
    head: (n) => `Round ${n} - `,
    run: (st, n) => `${st} ${n}`,
    inc: (st) => `${st} inc`,
    dec: (st) => `${st}2tog`,
    repeat: (inside, n) => `[${inside}] × ${n}`,
    even: (st) => `${st} in each st`,
    total: (n) => ` [${n}]`,
    ring: (st, n) => `MR, ${n} ${st}`,
    join: ', sl st to join',
  },
  {
    ...plainly,
    name: 'at length',
    head: (n) => `Rnd ${n}: `,
    run: (st, n) => (n === 1 ? `1 ${st} in next st` : `1 ${st} in each of next ${n} sts`),
    inc: (st) => `2 ${st} in next st`,
    dec: (st) => `${st}2tog over next 2 sts`,
    repeat: (inside, n, whole) => (whole ? `*${inside}; rep from * around` : `(${inside}) ${n} times`),
    even: (st) => `1 ${st} in each st around`,
    total: (n, st) => ` — ${n} ${st}`,
    ring: (st, n) => `Work ${n} ${st} into the ring`,
    before: 'Make a magic ring.',
    join: ', join with sl st in first st',
  },
  {
    ...plainly,
    name: 'stars',
    head: (n) => `Rnd ${n}. `,
    run: (st, n) => (n === 1 ? `${st} in next st` : `${st} in next ${n} sts`),
    inc: (st) => `2 ${st} in the next stitch`,
    dec: () => 'invdec',
    repeat: (inside, n) => `*${inside}* repeat ${n - 1} more times`,
    even: (st) => `${st} in each stitch around`,
    total: (n) => ` = ${n} sts`,
    ring: (st, n) => `Ch 2, ${n} ${st} in 2nd ch from hook`,
    join: ', sl st in first st',
  },
  {
    ...plainly,
    name: 'British',
    words: UK,
    before: 'UK terms',
    head: (n) => `Round ${n}: `,
    run: (st, n) => (n === 1 ? `1 ${st}` : `${n} ${st}`),
    inc: (st) => `2 ${st} in next st`,
    dec: (st) => `${st}2tog`,
    repeat: (inside, n) => `(${inside}) ${n} times`,
    even: (st) => `1 ${st} in each st`,
    total: (n) => `. (${n} sts)`,
    ring: (st, n) => `${n} ${st} into the ring`,
    join: ', join with ss in first st',
  },
  {
    ...plainly,
    name: 'bare numbers',
    head: (n) => `${n}. `,
    run: (st, n) => (n === 1 ? st : `${st} in next ${n}`),
    inc: () => 'increase',
    dec: () => 'decrease',
    repeat: (inside, n) => `{${inside}} ${n}x`,
    even: (st, n) => `${n} ${st}`,
    total: (n) => ` (${n} total)`,
    ring: (st, n) => `MR ${n} ${st}`,
    join: ', join',
    chain: (high) => `chain ${high}, `,
  },
  {
    ...plainly,
    name: 'long names',
    words: {
      slst: 'slip stitch',
      sc: 'single crochet',
      hdc: 'half double crochet',
      dc: 'double crochet',
      tr: 'treble crochet',
    },
    before: 'US terms.',
    head: (n) => `Round ${n}: `,
    run: (st, n) => (n === 1 ? `${st} in the next stitch` : `${st} in each of the next ${n} stitches`),
    inc: (st) => `2 ${st}s in the next stitch`,
    dec: () => 'decrease',
    repeat: (inside, n) => `[${inside}] repeat ${n} times`,
    even: (st) => `${st} in each stitch around`,
    total: (n) => `. ${n} stitches`,
    ring: (st, n) => `${n} ${st}s into a magic ring`,
    join: ', join with a slip stitch in the first stitch',
  },
  {
    ...plainly,
    name: 'shouting',
    head: (n) => `RND ${n} = `,
    run: (st, n) => (n === 1 ? `1${st.toUpperCase()}` : `${n}${st.toUpperCase()}`),
    inc: () => 'INC',
    dec: (st) => `${st.toUpperCase()}2TOG`,
    repeat: (inside, n) => `(${inside})x${n}`,
    even: (st) => `${st.toUpperCase()} AROUND`,
    total: (n) => ` (${n} STS)`,
    ring: (st, n) => `${n} ${st.toUpperCase()} IN MAGIC RING`,
    join: ', JOIN WITH SL ST IN FIRST ST',
    chain: (high) => `CH ${high}, `,
  },
]

const isPlain = ({ manner, loops, uses, makes }: Op): boolean =>
  manner === undefined && loops === undefined && uses > 0 && makes > 0 && uses + makes <= 3

/** Whether a round can be told by runs, increases and decreases alone. */
const isTold = ({ steps, closed, left, hosts }: PlannedRound): boolean =>
  closed && !left && hosts.length <= 1 && steps.every(({ ops }) => ops.every(isPlain))

/** Whether all rounds of a plan from the first on can be told so; how many of them can. */
export function toldRounds({ rounds }: Pick<Plan, 'rounds'>): readonly PlannedRound[] {
  if (chainsAlong(rounds[0]!) !== undefined) return []
  const end = rounds.findIndex((round) => !isTold(round))
  return end < 0 ? rounds : rounds.slice(0, end)
}

const HIGH: Readonly<Record<StitchName, number>> = { slst: 0, sc: 1, hdc: 2, dc: 2, tr: 3 }

/** Rounds as somebody would write them, a line each: joined, or in a spiral. */
export function writtenIn(
  dialect: Dialect,
  rounds: readonly PlannedRound[],
  joined: boolean,
): { readonly text: string; readonly lines: readonly string[] } {
  const lines = rounds.map((round, index) => {
    const st = dialect.words[round.stitch]
    const chain = joined ? dialect.chain(HIGH[round.stitch]) : ''
    const end = joined ? dialect.join : ''
    const first = index === 0
    const body = first ? dialect.ring(st, round.count) : bodyIn(dialect, round)
    // A chain into which all goes is high enough already.
    const begins = first && /ch 2/i.test(body) ? '' : chain
    return `${dialect.head(index + 1)}${begins}${body}${dialect.total(round.count, st)}${end}`
  })
  return { text: [dialect.before, ...lines].filter(Boolean).join('\n'), lines }
}

function bodyIn(dialect: Dialect, { steps, count, from }: PlannedRound): string {
  const [only] = steps
  const op = only?.ops[0]
  if (steps.length === 1 && only!.times === 1 && only!.ops.length === 1 && op!.uses === op!.makes) {
    return count === from
      ? dialect.even(dialect.words[op!.stitch], count)
      : dialect.run(dialect.words[op!.stitch], count)
  }
  return steps.map((step) => stepIn(dialect, step, steps.length === 1)).join(', ')
}

function stepIn(dialect: Dialect, { times, ops }: Step, whole: boolean): string {
  const inside = ops.map((op) => opIn(dialect, op)).join(', ')
  return times === 1 ? inside : dialect.repeat(inside, times, whole)
}

function opIn(dialect: Dialect, { stitch, uses, makes, times }: Op): string {
  const st = dialect.words[stitch]
  if (uses === makes) return dialect.run(st, times)
  const one = makes > uses ? dialect.inc(st) : dialect.dec(st)
  return Array.from({ length: times }, () => one).join(', ')
}
