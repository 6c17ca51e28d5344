import { tormentSessions } from './sessions.ts'

test('random sessions against a model: every tap is kept, every tab agrees, every backup can be read', async () => {
  const { broken, deeds, refused } = await tormentSessions(12)
  expect(broken).toEqual([])
  expect(deeds).toBe(12 * 14)
  // A harness that no edit is refused in would not try the gate.
  expect(refused).toBeGreaterThan(10)
})
