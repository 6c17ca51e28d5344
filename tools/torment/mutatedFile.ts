import { dice } from '../../core/testing/dice.ts'

/** What breaks readers: nothing, too much, the wrong kind, addresses, and numbers at and past every edge. */
const HOSTILE: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  '..',
  'a/b',
  '?x#y',
  '__proto__',
  'constructor',
  '<img src=x onerror=alert(1)>',
  'x'.repeat(300),
  0,
  -1,
  0.5,
  1,
  2,
  3,
  7,
  99,
  500,
  501,
  1e9,
  -1e9,
  1e308,
  [],
  {},
  [[]],
  { round: 'r400', unit: 0 },
  { round: 'r1', unit: 99_999 },
]

type Holder = Record<string | number, unknown>

/** Every place in a JSON value, as the object or list that holds it and its key. */
function* placesIn(
  value: unknown,
  path: string,
): Generator<{ holder: Holder; key: string | number; path: string }> {
  if (typeof value !== 'object' || value === null) return
  const keys = Array.isArray(value) ? value.map((_, index) => index) : Object.keys(value)
  for (const key of keys) {
    const here = `${path}${typeof key === 'number' ? `[${key}]` : `.${key}`}`
    yield { holder: value as Holder, key, path: here }
    yield* placesIn((value as Holder)[key], here)
  }
}

export interface MutatedFile {
  readonly text: string
  /** What was done to it, to be read when it breaks something. */
  readonly deeds: readonly string[]
}

/** A file with one to three things wrong in it, the same for the same seed. */
export function mutatedFile(file: object, seed: number): MutatedFile {
  const { uniform: random } = dice(seed)
  const pick = <T>(some: readonly T[]): T => some[Math.floor(random() * some.length)]!
  const copy = structuredClone(file)
  const deeds: string[] = []
  const wanted = 1 + Math.floor(random() * 3)
  while (deeds.length < wanted) {
    // A list of a hundred taps should not take all the blows: first a table, then a place in it.
    const tables = Object.entries(copy as Readonly<Record<string, unknown>>).filter(
      ([, table]) => typeof table === 'object' && table !== null,
    )
    const [name, table] = random() < 0.15 || tables.length === 0 ? ['', copy] : pick(tables)
    const places = [...placesIn(table, name)]
    if (places.length === 0) continue
    const { holder, key, path } = pick(places)
    const old = holder[key]
    switch (Math.floor(random() * 6)) {
      case 0:
        if (Array.isArray(holder)) holder.splice(Number(key), 1)
        else delete holder[key]
        deeds.push(`${path} removed`)
        break
      case 1:
        if (Array.isArray(old)) {
          old.length = Math.floor(random() * old.length)
          deeds.push(`${path} cut to ${old.length}`)
        } else if (Array.isArray(holder)) {
          holder.push(structuredClone(old))
          deeds.push(`${path} doubled`)
        }
        break
      case 2:
        if (typeof old === 'number') {
          holder[key] = pick([old + 1, old - 1, -old, old * 10, old / 3, old + 0.25])
          deeds.push(`${path} = ${String(holder[key])} for ${old}`)
        }
        break
      case 3: {
        const other = pick(places)
        holder[key] = structuredClone(other.holder[other.key])
        deeds.push(`${path} = ${other.path}`)
        break
      }
      default:
        holder[key] = structuredClone(pick(HOSTILE))
        deeds.push(`${path} = ${JSON.stringify(holder[key])?.slice(0, 60)}`)
    }
  }
  return { text: JSON.stringify(copy), deeds }
}
