/** One thing measured against another in the same run. */
export interface Bench {
  readonly name: string
  readonly baseline: () => unknown
  readonly run: () => unknown
  /** The ratio that would be a surprise; printed, never asserted. */
  readonly atMost?: number
  /** What the blueprint allows on this kind of machine, ms; printed, never asserted. */
  readonly budgetMs?: number
}

const LEAST_MS = 400
const LEAST_RUNS = 7

/** Median milliseconds of a call, warmed up. */
async function median(call: () => unknown): Promise<number> {
  const times: number[] = []
  await call()
  const begin = performance.now()
  while (times.length < LEAST_RUNS || (performance.now() - begin < LEAST_MS && times.length < 2000)) {
    const start = performance.now()
    await call()
    times.push(performance.now() - start)
  }
  times.sort((one, other) => one - other)
  return times[Math.floor(times.length / 2)]!
}

/** Prints each bench as a ratio to its baseline, with the median and the budget beside it. */
export async function printBenches(benches: readonly Bench[]): Promise<void> {
  for (const { name, baseline, run, atMost, budgetMs } of benches) {
    const [base, own] = [await median(baseline), await median(run)]
    const ratio = `${(own / base).toFixed(3)} × baseline${atMost === undefined ? '' : ` (expected under ${atMost})`}`
    const budget = budgetMs === undefined ? '' : `, budget ${budgetMs} ms`
    console.log(`${name}\n    ${ratio}; median ${own.toFixed(2)} ms${budget}`)
  }
}
