import { attempt, faultIn } from './attempt.ts'
import { spoken } from './sentence.ts'
import { SpecError } from './specError.ts'

test('what is computed is given on; a refusal keeps its field and says lengths in any unit', () => {
  expect(attempt(() => 42)).toEqual({ ok: true, value: 42 })
  const refused = attempt(() => {
    throw new SpecError('form.across', '⟦mm:5⟧ is too small.', 'At least ⟦mm:40⟧.')
  })
  expect(refused).toMatchObject({ ok: false, path: 'form.across' })
  const inches = { length: (mm: number) => `${(mm / 25.4).toFixed(1)} in`, stitch: (name: string) => name }
  expect(refused.ok ? '' : refused.unsaid.map((one) => spoken(one, inches)).join(' ')).toBe(
    '0.2 in is too small. At least 1.6 in.',
  )
})

test('an error nobody foresaw belongs to no field, says what happened, and what can be done', () => {
  const broken = attempt(() => (undefined as unknown as { rounds: [] }).rounds.length)
  expect(broken.ok).toBe(false)
  if (broken.ok) return
  expect(broken.path).toBe('')
  expect(broken.unsaid[0]).toMatch(/^Uzel failed to work this piece out \(.*undefined.*\)\.$/)
  expect(broken.unsaid[1]).toMatch(/nothing is lost.*export it as a file/)
})

test('nothing that was thrown is repeated at length, whatever was thrown', () => {
  for (const thrown of [new Error('x'.repeat(9000)), 'x'.repeat(9000), undefined, null, { odd: true }]) {
    expect(faultIn(thrown).unsaid.join(' ').length).toBeLessThan(420)
  }
})
