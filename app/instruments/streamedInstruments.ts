import type { Instrument, InstrumentState } from './instrument.ts'

interface Listed {
  readonly id: string
  readonly kind: 'scale' | 'caliper'
  readonly name: string
}

const STAND = '/instruments'

/**
 * The instruments on the server's stand.
 * @throws Error when the stand does not answer
 */
export async function streamedInstruments(): Promise<Instrument[]> {
  const response = await fetch(STAND)
  if (!response.ok) throw new Error(`The stand answered ${response.status}.`)
  const listed = (await response.json()) as Listed[]
  return listed.map(({ id, kind, name }) => ({
    id,
    name,
    measures: kind === 'scale' ? 'mass' : 'length',
    subscribe: (listener) => follow(id, listener),
  }))
}

/** A stand that is too busy, or gone, is asked again after so long. */
const ASK_AGAIN_MS = 2000

/**
 * Follows the stream of readings. The browser comes back by itself when it breaks off; when it is refused,
 * as by a stand that too many read, the browser gives up, and it is asked again here.
 */
function follow(id: string, listener: (state: InstrumentState) => void): () => void {
  let source: EventSource
  let again: ReturnType<typeof setTimeout> | undefined
  listener({ status: 'connecting' })
  const open = () => {
    source = new EventSource(`${STAND}/${id}/readings`)
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
export async function layOnStand(id: string, amount: number): Promise<void> {
  await fetch(`${STAND}/${id}/load`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ amount }),
  })
}
