import type { Construction } from '../../core/index.ts'

/** What a wrong count most likely means. */
export function mismatchSentence(off: number, { rounds }: Construction): string {
  if (off === -1) {
    return rounds.kind === 'joined'
      ? 'One increase is missing, or the first stitch was skipped. Look at the last repeat, then at the join.'
      : 'One increase is probably missing in the last repeat.'
  }
  if (off === 1) {
    return rounds.kind === 'joined'
      ? 'One increase too many, or the join was worked as a stitch.'
      : 'One increase was probably doubled.'
  }
  return off < 0
    ? `${-off} are missing: look for repeats without their increase.`
    : `${off} too many: look for increases in the wrong place.`
}
