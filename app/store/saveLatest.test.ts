import { saveLatest } from './saveLatest.ts'

/** A disk that takes each save when it is told to. */
function slowDisk() {
  const saved: number[] = []
  const waiting: { done: () => void; fail: (error: Error) => void }[] = []
  const save = (value: number) =>
    new Promise<void>((resolve, reject) => {
      waiting.push({ done: () => (saved.push(value), resolve()), fail: reject })
    })
  const turn = () => new Promise((done) => setTimeout(done))
  return { saved, waiting, save, turn }
}

test('a hurry of edits takes two saves: the one on its way and the newest', async () => {
  const { saved, waiting, save, turn } = slowDisk()
  const push = saveLatest(save)
  const all = Promise.all(Array.from({ length: 40 }, (_, index) => push(index)))
  expect(waiting).toHaveLength(1)
  waiting[0]!.done()
  await turn()
  expect(waiting).toHaveLength(2)
  waiting[1]!.done()
  await all
  expect(saved).toEqual([0, 39])
  void push(40)
  waiting[2]!.done()
  await turn()
  expect(saved).toEqual([0, 39, 40])
})

test('a save that fails is told to who waits for it, and the next edit is saved all the same', async () => {
  const { saved, waiting, save, turn } = slowDisk()
  const push = saveLatest(save)
  const first = push(1)
  waiting[0]!.fail(new Error('The disk is full'))
  await expect(first).rejects.toThrow('The disk is full')
  const second = push(2)
  waiting[1]!.done()
  await second
  await turn()
  expect(saved).toEqual([2])
})
