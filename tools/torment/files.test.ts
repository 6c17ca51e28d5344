import { tormentFiles } from './files.ts'

test('mutated files are refused with a sentence, or shown on every screen and written again', () => {
  const { broken, refused, shown } = tormentFiles(300)
  expect(broken).toEqual([])
  expect(refused).toBeGreaterThan(150)
  // A harness whose files are all refused would look at no screen.
  expect(shown).toBeGreaterThan(8)
})
