import { Router, json, type Response } from 'express'
import { readingAt, SIMULATED, type InstrumentTraits, type Load } from './simulatedInstrument.ts'

export interface StandClock {
  /** Seconds. */
  readonly now: () => number
  /** From 0 to 1. */
  readonly random: () => number
}

interface StandOptions {
  readonly clock?: StandClock
  /** Readings a second. */
  readonly rate?: number
  /** A stream ends by itself after about so many seconds, as a loose cable would end it. */
  readonly connectionSeconds?: number
}

const MOST_STREAMS = 50
const LARGEST_LOAD = 5000

/**
 * The simulated stand. `GET /` lists the instruments, `GET /:id/readings` streams what one shows as
 * server-sent events, `PUT /:id/load` lays something on it. Streams break off now and then; whoever reads
 * them has to come back.
 */
export function instrumentStand({
  clock = { now: () => performance.now() / 1000, random: Math.random },
  rate = 5,
  connectionSeconds = 90,
}: StandOptions = {}): Router {
  const stand = Router()
  const loads = new Map<string, Load>(
    SIMULATED.map(({ id, resting }) => [id, { from: 0, to: resting, since: clock.now() }]),
  )
  let streams = 0

  stand.get('/', (_request, response) => {
    response
      .setHeader('Cache-Control', 'no-store')
      .json(SIMULATED.map(({ id, kind, name, unit }) => ({ id, kind, name, unit })))
  })

  stand.get('/:id/readings', (request, response) => {
    const instrument = SIMULATED.find(({ id }) => id === request.params.id)
    if (!instrument) return notThere(response)
    if (streams >= MOST_STREAMS) {
      response.status(503).type('text/plain').send('Too many are reading the stand.')
      return
    }
    streams++
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store',
      'X-Accel-Buffering': 'no',
    })
    response.write('retry: 1500\n\n')
    const end = clock.now() + connectionSeconds * (0.5 + clock.random())
    const timer = setInterval(() => {
      if (clock.now() >= end) response.end()
      else response.write(`data: ${JSON.stringify(show(instrument))}\n\n`)
    }, 1000 / rate)
    response.once('close', () => {
      clearInterval(timer)
      streams--
    })
  })

  stand.put('/:id/load', json({ limit: '1kb' }), (request, response) => {
    const instrument = SIMULATED.find(({ id }) => id === request.params.id)
    if (!instrument) return notThere(response)
    const { amount } = (request.body ?? {}) as { amount?: unknown }
    if (typeof amount !== 'number' || !(amount >= 0 && amount <= LARGEST_LOAD)) {
      response.status(400).type('text/plain').send(`amount should be a number from 0 to ${LARGEST_LOAD}.`)
      return
    }
    loads.set(instrument.id, { from: show(instrument).value, to: amount, since: clock.now() })
    response.status(204).end()
  })

  const show = (instrument: InstrumentTraits) =>
    readingAt(instrument, loads.get(instrument.id)!, clock.now(), 2 * clock.random() - 1)

  return stand
}

function notThere(response: Response): void {
  response.status(404).type('text/plain').send('Not found.')
}
