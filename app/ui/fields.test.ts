import { SpecError, type Evidence } from '../../core/index.ts'
import { validEvidence } from './validEvidence.ts'
import { edgeOf } from './edgeDraft.ts'
import { nameProblem } from './nameProblem.ts'
import { parseCount } from './parseCount.ts'
import { refusalFrom, refusalIn, refusalOf } from './refusal.ts'

const INCHES = {
  length: (mm: number) => `${(mm / 25.4).toFixed(1)} in`,
  stitch: (name: string) => `UK ${name}`,
}

test('a name has a letter and up to a hundred; what is too long is not repeated', () => {
  expect(nameProblem('Kettle trivet', true)).toBeUndefined()
  expect(nameProblem('  ', true)).toMatch(/needs a name/)
  expect(nameProblem('', false)).toBeUndefined()
  expect(nameProblem('x'.repeat(100), true)).toBeUndefined()
  expect(nameProblem('x'.repeat(10_000), true)).toBe('That is 10,000 letters. A name has up to 100.')
})

test('an edge is known once how far it stands up is', () => {
  expect(edgeOf({ edge: 'flat', much: 'little' })).toEqual({ kind: 'flat' })
  expect(edgeOf({ edge: 'standsUp', much: 'little' })).toBeUndefined()
  expect(edgeOf({ edge: 'standsUp', standsUp: 6, much: 'little' })).toEqual({ kind: 'standsUp', by: 6 })
  expect(edgeOf({ edge: 'waves', standsUp: 6, much: 'lot' })).toEqual({ kind: 'waves', much: 'lot' })
})

test('refusals are said in the maker’s unit and terms; anything else that was thrown goes on', () => {
  const refuse = () => {
    throw new SpecError('across', 'It is ⟦mm:254⟧ of ⟦st:sc⟧.', 'Up to ⟦mm:127⟧.')
  }
  expect(refusalOf(refuse, INCHES)).toEqual({ path: 'across', text: 'It is 10.0 in of UK sc. Up to 5.0 in.' })
  expect(refusalOf(() => undefined, INCHES)).toBeUndefined()
  expect(() => refusalIn(new TypeError('broken'), INCHES)).toThrow('broken')
  // From a worker it comes without its class.
  const plain = { path: 'across', unsaid: ['It is ⟦mm:254⟧.', 'Less.'] as const }
  expect(refusalFrom(plain, INCHES)).toEqual({ path: 'across', text: 'It is 10.0 in. Less.' })
})

test('a number that would make evidence no fabric can give is refused where it is typed', () => {
  const yarn = {
    id: 'g',
    name: 'Hut cotton',
    stitch: 'sc',
    weight: 4,
    strands: 1,
    hook: 5,
    fibre: 'cotton',
    working: 'joined',
    evidence: [],
    calibrations: [],
  } as const
  const swatch = (count: number): Evidence => ({
    id: 's',
    at: 0,
    stitch: 'sc',
    loops: 'both',
    state: 'worked',
    kind: 'swatch',
    worked: 'rounds',
    stitches: { count, over: 100 },
    rounds: { count: 14, over: 100 },
  })
  const parse = validEvidence(parseCount(0, 1000, 'a count'), yarn, swatch, INCHES)
  expect(parse('14')).toEqual({ ok: true, value: 14 })
  expect(parse('140')).toMatchObject({
    ok: false,
    message: expect.stringMatching(/finer than sewing thread.*Did you mean 14/),
  })
  expect(parse('many')).toMatchObject({ ok: false })
})
