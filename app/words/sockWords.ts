import { heelTurn, waitingAt, zonesOf, type Plan } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { alongZone } from './zoneWords.ts'
import { roundTitle } from './roundWords.ts'

interface SockWords {
  readonly long: string
  readonly turn: string
  readonly all: string
}

/** What a sock comes to that no tape finds at once: its foot with the heel, how its leg turns, and the round over it. */
export function sockWords(plan: Plan, sizes: Pick<Sizes, 'full' | 'bare'>, guess: boolean): SockWords {
  const bend = heelTurn(plan)
  const rows = plan.rounds.filter(({ closed }) => !closed)
  const [first, last] = [rows[0]!, rows.at(-1)!]
  const waits = waitingAt(plan.rounds, first.number - 1)?.stitches ?? 0
  const about = guess ? 'about ' : ''
  const begins = `Rows ${first.number} to ${last.number} on ${first.count} of ${first.count + waits} sts`
  if (!bend) {
    return {
      long: `${about}${sizes.full(last.at.z)}`,
      turn: `${waits} sts stay open`,
      all: `${begins}; ${waits} stay open over the instep.`,
    }
  }
  const { turn, long } = bend
  const degrees = `${Math.round((turn * 180) / Math.PI)}°`
  const over = plan.rounds.find((round) => zonesOf(round).some(({ zone }) => zone === 'front'))
  const sum = over && zonesOf(over).map((one) => `${one.count} ${alongZone(one)}`)
  return {
    long: `${about}${sizes.full(long)}`,
    turn: `turns ${about}${degrees}`,
    all: `${begins} turn the leg by ${about}${degrees}; the foot is then ${about}${sizes.full(long)} from toe to heel.${over ? ` ${roundTitle(plan, over.number)}: ${sum!.join(', ')} = ${over.count}.` : ''}`,
  }
}
