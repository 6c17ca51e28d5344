import type { TrackRecord } from '../../core/index.ts'

const NUMBERS = ['', 'piece', 'two pieces', 'three pieces', 'four pieces', 'five pieces', 'six pieces']

const signedPercent = (share: number): string =>
  `${share < 0 ? '−' : '+'}${(Math.abs(share) * 100).toFixed(1)}%`

/** "Your last six pieces: +0.4% ± 1.6%." */
export function RecordSentence({ record }: { record: TrackRecord | undefined }) {
  if (!record) return null
  return (
    <>
      Your last {NUMBERS[record.pieces]} against what was foretold: {signedPercent(record.mean)}
      {record.sd !== undefined && ` ± ${(record.sd * 100).toFixed(1)}%`}.
    </>
  )
}
