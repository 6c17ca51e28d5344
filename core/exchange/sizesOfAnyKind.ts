import { isRecord, type OldRecord } from './oldRecord.ts'

/** Until version 6 a plan promised a diameter and its ±, twice the standard deviation. */
export function promised(pinned: OldRecord): OldRecord {
  const { plan } = pinned
  if (!isRecord(plan) || !isRecord(plan['finished'])) return pinned
  const rounds = Array.isArray(plan['rounds']) ? plan['rounds'].length : 0
  return {
    ...pinned,
    plan: {
      ...plan,
      finished: withPromise(plan['finished'], rounds),
      checkpoints: Array.isArray(plan['checkpoints'])
        ? plan['checkpoints'].map((one: unknown) =>
            isRecord(one) ? withPromise(one, one['afterRound']) : one,
          )
        : plan['checkpoints'],
      notices: Array.isArray(plan['notices']) ? plan['notices'].map(byHowMuch) : plan['notices'],
    },
  }
}

function withPromise({ across, plusMinus, ...others }: OldRecord, at: unknown): OldRecord {
  const sd = typeof plusMinus === 'number' ? plusMinus / 2 : plusMinus
  return { ...others, promises: [{ of: 'across', at, value: across, sd }] }
}

function byHowMuch(notice: unknown): unknown {
  if (!isRecord(notice) || notice['code'] !== 'repeatCost') return notice
  const { across, ...others } = notice
  return { by: across, ...others }
}

/** Until version 6 a reading had a diameter or two, and perhaps the length around. */
export function sizesSeen({ across, around, ...reading }: OldRecord): OldRecord {
  const at = reading['afterRound']
  return {
    ...reading,
    seen: [
      { of: 'across', at, values: across },
      ...(around === undefined ? [] : [{ of: 'around', at, values: [around] }]),
    ],
  }
}
