import { idealCount } from '../shape/disc.ts'
import type { RoundChoice } from './chooseRounds.ts'
import type { Checkpoint, Measurements, Notice, PieceSpec, Round } from './plan.ts'

/** Slack over what the last rounds can reach, in rounds: the fabric's give, and not trimming for a trifle. */
const REACH_SLACK = 0.1

export function noticesOf(
  spec: PieceSpec,
  rounds: readonly Round[],
  finished: Measurements,
  { trimmed }: RoundChoice,
  checkpoints: readonly Checkpoint[],
  reachable: number,
): Notice[] {
  const notices: Notice[] = []
  if (spec.gauge.certainty === 'guess') notices.push({ code: 'guess' })
  const missed = finished.across - spec.shape.across
  const unreached = Math.abs(missed) / 2 > reachable + REACH_SLACK * spec.gauge.h
  if (unreached || Math.abs(missed) > Math.max(spec.shape.tolerance, 1))
    notices.push({ code: 'sizeMissed', by: missed })
  if (finished.lie !== 'flat') {
    notices.push({ code: 'notFlat', lie: finished.lie, flatness: finished.flatness })
  }
  const before = checkpoints.find(({ purpose }) => purpose === 'beforeTrim')
  if (trimmed > 0 && before) {
    notices.push({ code: 'trimLate', afterRound: before.afterRound, fromRound: before.afterRound + 1 })
  }
  const sides = rounds.at(-1)!.count - (rounds.at(-2)?.count ?? 0)
  if (spec.construction.placement === 'stacked' && sides >= 3 && sides <= 10) {
    notices.push({ code: 'polygon', sides })
  }
  notices.push(...repeatCosts(spec, rounds))
  return notices
}

/** What holding counts to a multiple costs: the widest stray from the ideal, as a diameter. */
function repeatCosts({ constraints, gauge }: PieceSpec, rounds: readonly Round[]): Notice[] {
  return (constraints?.multiples ?? []).flatMap(({ fromRound, of }) => {
    const held = rounds.filter(({ number }) => number >= fromRound)
    const worst = held.reduce<Round | undefined>(
      (most, round) => (most && stray(most) >= stray(round) ? most : round),
      undefined,
    )
    if (!worst || stray(worst) < 1) return []
    const across = ((worst.count - worst.ideal) / idealCount(1, gauge.w)) * 2
    return [{ code: 'repeatCost', round: worst.number, of, across }]
  })
}

const stray = ({ count, ideal }: Round) => Math.abs(count - ideal)
