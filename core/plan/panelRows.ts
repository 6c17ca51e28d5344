import { countOf, stitchesIn, topOf, turned, type Round, type Run } from '../rounds/round.ts'
import { plain, type Op, type Step } from '../rounds/steps.ts'
import type { StitchName } from '../stitches/stitch.ts'

/** What stands beside the tall middle of a row: at its edges, and between. */
const BESIDE: Partial<Record<StitchName, readonly [StitchName, StitchName]>> = {
  hdc: ['sc', 'sc'],
  dc: ['sc', 'hdc'],
  tr: ['sc', 'dc'],
}

/** Of a row, at each edge, and between that and the middle. */
const EDGE_SHARE = 1 / 6

/** A row of a heel panel: taller in its middle than at its edges, so that what stands on it turns (FIELD §11). */
export function panelSteps(stitch: StitchName, count: number): Step[] {
  const [low, between] = BESIDE[stitch] ?? [stitch, stitch]
  const edge = Math.min(Math.max(1, Math.round(EDGE_SHARE * count)), Math.floor(count / 5))
  const runs: [StitchName, number][] = [
    [low, edge],
    [between, edge],
    [stitch, count - 4 * edge],
    [between, edge],
    [low, edge],
  ]
  const ops: Op[] = []
  for (const [name, times] of runs) {
    const last = ops.at(-1)
    if (times <= 0) continue
    if (last?.stitch === name) ops[ops.length - 1] = plain(name, last.times + times)
    else ops.push(plain(name, times))
  }
  return [{ times: 1, ops }]
}

/** What a row of a panel is worked into, and what it leaves for the round after it: of the ring, or of the row before. */
export function hostsOfPanel(
  ring: Round,
  before: Round | undefined,
  count: number,
): Pick<Round, 'hosts' | 'left' | 'side'> {
  if (before) {
    return { hosts: [turned(topOf(before))], side: before.side === 'right' ? 'wrong' : 'right' }
  }
  const { of, to } = topOf(ring)
  const left: Run = { of, from: count, to }
  return {
    hosts: [{ of, from: 0, to: count }],
    ...(stitchesIn([left]) > 0 ? { left: [left] } : {}),
    // It goes on the way that the round went.
    side: ring.side,
  }
}

/** Once around over a panel and what waited beside it: as many stitches as there are, told piece by piece. */
export function aroundPanel(
  ring: Round,
  rows: readonly Round[],
  stitch: StitchName,
): Pick<Round, 'hosts' | 'side' | 'steps'> {
  const last = rows.at(-1)!
  const over = stitchesIn(rows[0]!.hosts)
  const { of, to } = topOf(ring)
  const once = (times: number) => [plain(stitch, times)]
  return {
    hosts: [turned(topOf(last)), { of, from: over, to }],
    side: ring.side,
    steps: [
      { times: 1, ops: once(countOf(last)), zone: 'heel' },
      { times: 1, ops: once(to - over), zone: 'front' },
    ],
  }
}
