import fc from 'fast-check'
import { planPiece } from '../plan/planPiece.ts'
import { discSpec } from '../testing/specs.ts'
import { carriedTo, carryCode, carryCodeAt, pieceMark, readCarryCode, type Carried } from './carryCode.ts'
import { unitsOf } from './moves.ts'

const carried: fc.Arbitrary<Carried> = fc.record({
  piece: fc.nat(2 ** 20 - 1),
  plan: fc.nat(2 ** 18 - 1),
  copy: fc.nat(255),
  round: fc.nat(2047),
  unit: fc.nat(8191),
})
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'

test('a place goes into a code of sixteen and comes back, however it is typed', () => {
  fc.assert(
    fc.property(carried, (place) => {
      const code = carryCode(place)!
      expect(code).toMatch(/^[0-9A-Z]{4}(-[0-9A-Z]{4}){3}$/)
      const typed = [
        code,
        code.toLowerCase(),
        code.replace(/-/g, ' '),
        code.replace(/0/g, 'o').replace(/1/g, 'l'),
      ]
      for (const text of typed) expect(readCarryCode(text)).toEqual({ ok: true, carried: place })
    }),
  )
})

test('one letter that is wrong, two that are swapped, and one too few are always found', () => {
  fc.assert(
    fc.property(carried, fc.nat(15), fc.nat(30), (place, at, by) => {
      const letters = [...carryCode(place)!.replace(/-/g, '')]
      const other = LETTERS.charAt((LETTERS.indexOf(letters[at]!) + 1 + by) % 32)
      if (other !== letters[at]) {
        expect(readCarryCode(letters.with(at, other).join(''))).toEqual({ ok: false, why: 'check' })
      }
      const next = Math.min(14, at)
      if (letters[next] !== letters[next + 1]) {
        const swapped = letters.with(next, letters[next + 1]!).with(next + 1, letters[next]!)
        expect(readCarryCode(swapped.join(''))).toEqual({ ok: false, why: 'check' })
      }
      expect(readCarryCode(letters.slice(1).join(''))).toEqual({ ok: false, why: 'length' })
    }),
  )
})

test('odd input is no code, and says what it is', () => {
  expect(readCarryCode('')).toEqual({ ok: false, why: 'letters' })
  expect(readCarryCode('Rnd 9, 12 sts!')).toEqual({ ok: false, why: 'letters' })
  expect(readCarryCode('0')).toEqual({ ok: false, why: 'length' })
  expect(readCarryCode('9'.repeat(10_000))).toEqual({ ok: false, why: 'length' })
  expect(carryCode({ piece: 0, plan: 0, copy: 256, round: 1, unit: 0 })).toBeUndefined()
})

test('a code leads to its stitch in the same plan, and to none in another', () => {
  const { rounds } = planPiece(discSpec(140))
  const other = planPiece(discSpec(150)).rounds
  for (const round of rounds) {
    const position = { round: round.id, unit: Math.floor(unitsOf(round).length / 2) }
    const read = readCarryCode(carryCodeAt('mat', 2, rounds, position)!)
    if (!read.ok) throw new Error(read.why)
    expect(read.carried).toMatchObject({ piece: pieceMark('mat'), copy: 2, round: round.number })
    expect(carriedTo(rounds, read.carried)).toEqual(position)
    expect(carriedTo(other, read.carried)).toBeUndefined()
    expect(carriedTo(rounds, { ...read.carried, unit: 8000 })).toBeUndefined()
  }
})
