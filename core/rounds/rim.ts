import type { StitchName } from '../stitches/stitch.ts'
import { plain, type Op, type Step } from './steps.ts'

/** How a piece is edged once its size is there: one round that follows the one below (FIELD §12). */
export const RIMS = ['slst', 'reverse', 'curl', 'picot', 'frill', 'scallop', 'shell'] as const
export type Rim = (typeof RIMS)[number]

const op = (stitch: StitchName, more: Partial<Op> = {}): Op => ({ ...plain(stitch), ...more })
const skip = (times: number): Op => op('sc', { uses: times, makes: 0, manner: 'skip' })

/** One repeat of each, by what it uses of the round below and makes of it. */
const CELLS: Readonly<Record<Rim, readonly Op[]>> = {
  slst: [op('slst')],
  reverse: [op('sc', { manner: 'reverse' })],
  curl: [op('sc', { manner: 'curl' })],
  picot: [op('sc', { times: 2 }), op('sc', { manner: 'picot' })],
  frill: [op('dc', { makes: 3 }), op('dc')],
  scallop: [op('dc', { makes: 5 }), op('slst')],
  shell: [op('slst'), skip(2), op('dc', { makes: 5 }), skip(2)],
}

/** What the round below must divide by. */
export const repeatOfRim = (rim: Rim): number =>
  CELLS[rim].reduce((sum, { uses, times }) => sum + uses * times, 0)

/** An edging on so many stitches; what its repeat does not go into is edged plainly. */
export function rimSteps(rim: Rim, count: number): Step[] {
  const repeat = repeatOfRim(rim)
  const times = Math.floor(count / repeat)
  const over = count - times * repeat
  return [
    ...(times > 0 ? [{ times, ops: CELLS[rim] }] : []),
    ...(over > 0 ? [{ times: 1, ops: [plain('slst', over)] }] : []),
  ]
}
