import express from 'express'
import type { AddressInfo } from 'node:net'
import { instrumentStand } from './stand.ts'
import { readingAt, SIMULATED } from './simulatedInstrument.ts'

let now = 0
const clock = { now: () => now, random: () => 0.5 }
const server = express()
server.use('/instruments', instrumentStand({ clock, rate: 100, connectionSeconds: 10 }))
const listening = server.listen(0, '127.0.0.1')
const address = () => `http://127.0.0.1:${(listening.address() as AddressInfo).port}/instruments`

beforeAll(() => new Promise((ready) => listening.once('listening', ready)))
afterAll(() => {
  listening.closeAllConnections()
  return new Promise((done) => listening.close(done))
})

const lay = (id: string, body: string) =>
  fetch(`${address()}/${id}/load`, { method: 'PUT', headers: { 'Content-Type': 'application/json' }, body })

test('a display creeps to what is laid on it, then stands within its drift and noise', () => {
  const [scale] = SIMULATED
  const load = { from: 0, to: 100, since: 10 }
  const early = readingAt(scale!, load, 10.2, 0)
  expect(early.value).toBeLessThan(60)
  expect(early.steady).toBe(false)
  for (let second = 14; second < 80; second++) {
    const late = readingAt(scale!, load, second, Math.sin(second))
    expect(late.steady).toBe(true)
    expect(Math.abs(late.value - 100)).toBeLessThanOrEqual(1)
    expect((late.value * 2) % 1).toBe(0)
  }
})

test('the stand lists its instruments, streams readings, and breaks off by itself', async () => {
  const list = (await (await fetch(address())).json()) as { id: string; unit: string }[]
  expect(list.map(({ id, unit }) => [id, unit])).toEqual([
    ['kitchen-scale', 'g'],
    ['caliper', 'mm'],
  ])
  now = 100
  expect((await lay('kitchen-scale', '{"amount": 62}')).status).toBe(204)
  now = 106
  const stream = await fetch(`${address()}/kitchen-scale/readings`)
  expect(stream.headers.get('content-type')).toContain('text/event-stream')
  const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  while (!text.includes('data:')) text += (await reader.read()).value ?? ''
  const reading = JSON.parse(/data: (.*)/.exec(text)![1]!) as { value: number; steady: boolean }
  expect(reading.steady).toBe(true)
  expect(Math.abs(reading.value - 62)).toBeLessThanOrEqual(1)
  now = 130
  while (!(await reader.read()).done);
})

test.each([
  ['kitchen-scale', '{"amount": -1}', 400],
  ['kitchen-scale', '{"amount": "48"}', 400],
  ['kitchen-scale', '{}', 400],
  ['nothing', '{"amount": 1}', 404],
])('%s with %s is answered %i', async (id, body, status) => {
  expect((await lay(id, body)).status).toBe(status)
})

test('an instrument that is not there is not found', async () => {
  expect((await fetch(`${address()}/nothing/readings`)).status).toBe(404)
})
