import { streamedInstruments, layOnStand } from './streamedInstruments.ts'
import type { InstrumentState } from './instrument.ts'
import { typedInstrument } from './typedInstrument.ts'

/** Stands in for the browser's stream of events. */
class StreamStub {
  static last: StreamStub
  static readonly CLOSED = 2
  readyState = 1
  readonly url: string
  onmessage: ((event: { data: string }) => void) | undefined
  onerror: (() => void) | undefined
  closed = false
  constructor(url: string) {
    this.url = url
    StreamStub.last = this
  }
  close() {
    this.closed = true
  }
}

const asked: [string, RequestInit | undefined][] = []
let answer: { ok: boolean; status: number; json: () => Promise<unknown> }

const { EventSource: before, fetch: fetchBefore } = globalThis as unknown as Record<string, unknown>
afterAll(() => Object.assign(globalThis, { EventSource: before, fetch: fetchBefore }))

beforeAll(() => {
  Object.assign(globalThis, {
    EventSource: StreamStub,
    fetch: (url: string, init?: RequestInit) => {
      asked.push([url, init])
      return Promise.resolve(answer)
    },
  })
})

test('stand and typed instruments are read in one way', async () => {
  answer = {
    ok: true,
    status: 200,
    json: () => Promise.resolve([{ id: 'kitchen-scale', kind: 'scale', name: 'Kitchen scale', unit: 'g' }]),
  }
  const [scale] = await streamedInstruments()
  expect(scale).toMatchObject({ id: 'kitchen-scale', measures: 'mass' })
  const seen: InstrumentState[] = []
  const stop = scale!.subscribe((state) => seen.push(state))
  expect(StreamStub.last.url).toBe('/instruments/kitchen-scale/readings')
  StreamStub.last.onmessage!({ data: '{"value":12,"steady":false}' })
  StreamStub.last.onmessage!({ data: '{"value":48.5,"steady":true}' })
  StreamStub.last.onerror!()
  stop()
  expect(StreamStub.last.closed).toBe(true)
  expect(seen).toEqual([
    { status: 'connecting' },
    { status: 'settling', value: 12 },
    { status: 'steady', value: 48.5 },
    { status: 'lost' },
  ])

  const typed = typedInstrument('length', 'Caliper')
  const read: InstrumentState[] = []
  const leave = typed.subscribe((state) => read.push(state))
  typed.type(71.3)
  leave()
  typed.type(80)
  expect(read).toEqual([{ status: 'connecting' }, { status: 'steady', value: 71.3 }])
})

test('a stand that does not answer is an error, and what is laid on goes out as a number', async () => {
  answer = { ok: false, status: 503, json: () => Promise.resolve({}) }
  await expect(streamedInstruments()).rejects.toThrow(/503/)
  await layOnStand('caliper', 71.3)
  expect(asked.at(-1)).toMatchObject([
    '/instruments/caliper/load',
    { method: 'PUT', body: '{"amount":71.3}' },
  ])
})

test('a stream the server refuses is asked for again until it comes, and no more once nobody listens', async () => {
  answer = {
    ok: true,
    status: 200,
    json: () => Promise.resolve([{ id: 'caliper', kind: 'caliper', name: 'Caliper', unit: 'mm' }]),
  }
  const [caliper] = await streamedInstruments()
  const later: (() => void)[] = []
  const clock = jest.spyOn(globalThis, 'setTimeout').mockImplementation(((run: () => void) => {
    later.push(run)
    return later.length
  }) as typeof setTimeout)
  const seen: string[] = []
  const stop = caliper!.subscribe(({ status }) => seen.push(status))
  const first = StreamStub.last
  // Broken off, the browser comes back by itself.
  first.onerror!()
  expect(later).toHaveLength(0)
  // Refused, it does not.
  first.readyState = StreamStub.CLOSED
  first.onerror!()
  expect(later).toHaveLength(1)
  later[0]!()
  expect(StreamStub.last).not.toBe(first)
  StreamStub.last.onmessage!({ data: '{"value":71.3,"steady":true}' })
  expect(seen).toEqual(['connecting', 'lost', 'lost', 'steady'])
  const cleared = jest.spyOn(globalThis, 'clearTimeout')
  stop()
  expect(cleared).toHaveBeenCalled()
  expect(StreamStub.last.closed).toBe(true)
  clock.mockRestore()
  cleared.mockRestore()
})
