import { chainsAlong } from '../rounds/spine.ts'
import type { Op, Step } from '../rounds/steps.ts'
import type { PlannedRound, Start } from '../plan/plan.ts'
import type { StartingChain } from '../plan/startingChain.ts'
import { STITCHES, type Terms } from '../stitches/stitch.ts'
import { writeOps, writeSteps } from './writeSteps.ts'

/** Round 1 along both sides of a chain: "12 sc, 4 sc in last ch, on the other side 11 sc, 3 sc in first ch". */
export function writeAlong(steps: readonly Step[], terms: Terms): string {
  return steps
    .map((_, index) => {
      const turns = index > 0 && endChainOf(steps, index - 1) === 'last'
      return `${turns ? 'on the other side ' : ''}${writeStep(steps, index, terms)}`
    })
    .join(', ')
}

/** The end chain that all of a step of round 1 goes into, if it does. */
function endChainOf(steps: readonly Step[], index: number): 'first' | 'last' | undefined {
  const gathers = ({ ops }: Step) => ops.some(({ makes, uses }) => makes > uses)
  if (!gathers(steps[index]!)) return undefined
  // The first chain has its own at the end, or at the start where it goes the other way round.
  const startsInFirst = gathers(steps[0]!)
  const isFirstEnd = steps.findIndex(gathers) === index
  return isFirstEnd === startsInFirst ? 'first' : 'last'
}

function writeStep(steps: readonly Step[], index: number, terms: Terms): string {
  const step = steps[index]!
  const end = endChainOf(steps, index)
  if (!end) return writeSteps([step], terms)
  const [{ stitch, makes }] = step.ops as [Op]
  return `${makes} ${STITCHES[stitch].short[terms]} in ${end} ch`
}

/** One run of a round's repeat: "5 sc, inc"; of round 1 along a chain with the chain that it goes into. */
export const writeRun = (round: Pick<PlannedRound, 'steps' | 'hosts'>, step: number, terms: Terms): string =>
  chainsAlong(round) === undefined
    ? writeOps(round.steps[step]!.ops, terms)
    : writeStep(round.steps, step, terms)

/** "ch 14, begin in 2nd ch from hook": where its first chain is passed over, one farther on. */
export function writeChainAlong(
  { into }: Extract<Start, { kind: 'chainAlong' }>,
  round: PlannedRound,
  chain: StartingChain | undefined,
): string {
  const turning = Math.max(1, chain?.chains ?? 1)
  const passed = round.hosts[0]!.from
  const bumps = into === 'bumps' ? ', into the back bumps' : ''
  const keep = passed > 0 ? ', the end ch stays free till the round comes back to it' : ''
  const counts = chain?.counts ? `, the ${turning} skipped ch count as 1` : ''
  // Chains that count stand on one of those that are worked into.
  const chains = chainsAlong(round)! + turning - (chain?.counts ? 1 : 0)
  return `ch ${chains}, begin in ${ORDINALS[1 + turning + passed]} ch from hook${bumps}${keep}${counts}`
}

export const ORDINALS = ['', '1st', '2nd', '3rd', '4th', '5th', '6th', '7th']
