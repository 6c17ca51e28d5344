import { LONGEST_NOTE } from './limits.ts'

type Loose = Readonly<Record<string, unknown>>

const ID = /^[\w-]{1,64}$/
const ENTRY = ['id', 'copyId', 'seq', 'at', 'type']
const MOST_COUNT = 100_000

const isWhole = (value: unknown, least: number, most: number): boolean =>
  typeof value === 'number' && Number.isInteger(value) && value >= least && value <= most
const isId = (value: unknown): boolean => typeof value === 'string' && ID.test(value)
const isCount = (value: unknown): boolean => isWhole(value, 0, MOST_COUNT)
const isVersion = (value: unknown): boolean => isWhole(value, 1, MOST_COUNT)

function isPosition(value: unknown): boolean {
  if (typeof value !== 'object' || value === null || Object.keys(value).length !== 2) return false
  const { round, unit } = value as Loose
  return isId(round) && isCount(unit)
}

type Fields = Readonly<Record<string, (value: unknown) => boolean>>

const MOVE: Fields = { from: isPosition, to: isPosition }

/** What each kind of event has beside its place in the log. */
const KINDS: Readonly<Record<string, Fields>> = {
  start: { planVersion: isVersion, to: isPosition },
  work: { ...MOVE, by: (value) => value === 'stitch' || value === 'repeat' || value === 'round' },
  nextRound: MOVE,
  goTo: MOVE,
  undo: { ...MOVE, undoes: isId },
  replan: { ...MOVE, planVersion: isVersion, fromVersion: isVersion },
  count: { round: isId, counted: isCount, expected: isCount },
  note: {
    position: isPosition,
    text: (value) => typeof value === 'string' && value.length > 0 && value.length <= LONGEST_NOTE,
  },
  finish: {},
  reopen: {},
}

/**
 * Whether something read from a file is an event of a work log: the schema of events written out by hand,
 * for they come by the hundred thousand and the schema takes thirty times as long. What does not fit is
 * shown to the schema, which says why.
 */
export function fitsAsEvent(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false
  const event = value as Loose
  const fields =
    typeof event['type'] === 'string' && Object.hasOwn(KINDS, event['type'])
      ? KINDS[event['type']]!
      : undefined
  if (!fields) return false
  const names = Object.keys(fields)
  return (
    Object.keys(event).length === ENTRY.length + names.length &&
    isId(event['id']) &&
    isId(event['copyId']) &&
    isWhole(event['seq'], 1, 1e8) &&
    isWhole(event['at'], 0, 4e12) &&
    names.every((name) => Object.hasOwn(event, name) && fields[name]!(event[name]))
  )
}
