import { ALL_FIBRES, FIBRES } from '../yarn/fibre.ts'
import { cautionsOf, type CautionCase } from './cautionsOf.ts'
import { fitnessOf } from './fitness.ts'
import { ALL_USES } from './use.ts'

const codes = (changes: Partial<CautionCase>) =>
  cautionsOf({ uses: [], fibres: ['cotton'], strands: 1, layers: 1, hardware: [], ...changes }).map(
    ({ code }) => code,
  )

test.each(ALL_USES.flatMap((use) => ALL_FIBRES.map((fibre) => [use, fibre] as const)))(
  '%s in %s has a definite answer, and what may never be is cautioned where it is hot',
  (use, fibre) => {
    const { verdict, reason } = fitnessOf(use, fibre)
    expect(['good', 'fair', 'poor', 'never']).toContain(verdict)
    expect(reason).toBeTruthy()
    if (use === 'hot') {
      expect(verdict === 'never').toBe(FIBRES[fibre].melts)
      expect(codes({ uses: ['hot'], fibres: [fibre] }).includes('hotMelts')).toBe(FIBRES[fibre].melts)
    }
    if (use === 'wet')
      expect(codes({ uses: ['wet'], fibres: [fibre] }).includes('wetUnfit')).toBe(verdict === 'poor')
  },
)

test.each([
  ['a hot mat in one strand', { uses: ['hot'] }, ['hotThin', 'hotDamp']],
  ['in two strands', { uses: ['hot'], strands: 2 }, ['hotDamp']],
  ['in two layers', { uses: ['hot'], layers: 2 }, ['hotDamp']],
  [
    'one melting yarn among good ones',
    { uses: ['hot'], fibres: ['wool', 'acrylic'], strands: 2 },
    ['hotMelts', 'hotDamp'],
  ],
  [
    'metal thread',
    { uses: ['hot'], fibres: ['metallic'], strands: 2 },
    ['hotMelts', 'hotMicrowave', 'hotDamp'],
  ],
  ['an unknown fibre', { uses: ['hot'], fibres: ['unknown'], strands: 2 }, ['hotFibreNotSaid', 'hotDamp']],
  [
    'a baby hat with ties and beads',
    { uses: ['baby', 'worn'], hardware: ['smallParts', 'cords'] },
    ['smallParts', 'neckCords', 'sleepAndCars', 'looseThreads', 'safetyRules'],
  ],
  ['beads on a mat for grown-ups', { uses: ['household'], hardware: ['smallParts'] }, []],
  [
    'magnets and glue',
    { hardware: ['magnets', 'hotGlue', 'stiffener'] },
    ['magnets', 'hotGlue', 'stiffener'],
  ],
  ['something a pet wears', { uses: ['pet'], hardware: ['smallParts'] }, ['smallParts', 'pet']],
  ['a case', { uses: ['device'] }, ['device']],
  ['something that hangs', { uses: ['decoration'] }, ['fire']],
  ['a wool mat under glasses', { uses: ['wet'], fibres: ['wool'] }, ['wetUnfit']],
  ['nothing said', {}, []],
] as const)('%s', (_, changes, expected) => {
  expect(codes(changes as Partial<CautionCase>)).toEqual(expected)
})

test('harm to somebody comes before harm to the piece', () => {
  const cautions = cautionsOf({
    uses: [...ALL_USES],
    fibres: [...ALL_FIBRES],
    strands: 1,
    layers: 1,
    hardware: [],
  })
  const harm = cautions.map((caution) => caution.harm)
  expect(harm).toEqual([...harm].sort((one, other) => Number(other) - Number(one)))
})
