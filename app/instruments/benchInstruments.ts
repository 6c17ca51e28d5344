import type { Instrument, InstrumentState } from './instrument.ts'

interface Listed {
  readonly id: string
  readonly kind: 'scale' | 'caliper'
  readonly name: string
}

const BENCH = '/instruments'

/**
 * The instruments on the server's bench.
 * @throws Error when the bench does not answer
 */
export async function benchInstruments(): Promise<Instrument[]> {
  const response = await fetch(BENCH)
  if (!response.ok) throw new Error(`The bench answered ${response.status}.`)
  const listed = (await response.json()) as Listed[]
  return listed.map(({ id, kind, name }) => ({
    id,
    name,
    measures: kind === 'scale' ? 'mass' : 'length',
    subscribe: (listener) => follow(id, listener),
  }))
}

/** A bench that is too busy, or gone, is asked again after so long. */
const ASK_AGAIN_MS = 2000

/**
 * Follows the stream of readings. The browser comes back by itself when it breaks off; when it is refused,
 * as by a bench that too many read, the browser gives up, and it is asked again here.
 */
function follow(id: string, listener: (state: InstrumentState) => void): () => void {
  let source: EventSource
  let again: ReturnType<typeof setTimeout> | undefined
  listener({ status: 'connecting' })
  const open = () => {
    source = new EventSource(`${BENCH}/${id}/readings`)
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const { value, steady } = JSON.parse(data) as { value: number; steady: boolean }
      listener({ status: steady ? 'steady' : 'settling', value })
    }
    source.onerror = () => {
      listener({ status: 'lost' })
      if (source.readyState === EventSource.CLOSED) again = setTimeout(open, ASK_AGAIN_MS)
    }
  }
  open()
  return () => {
    clearTimeout(again)
    source.close()
  }
}

/** Lays something on a simulated instrument, as a hand would. */
export async function layOnBench(id: string, amount: number): Promise<void> {
  await fetch(`${BENCH}/${id}/load`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ amount }),
  })
}
