/**
 * The demo workshop as it came with the server, to be read by `demoIn`.
 * @throws Error when the server cannot be reached
 */
export async function fetchDemo(): Promise<ArrayBuffer> {
  const response = await fetch('/demo/skarn-hut.uzel.json')
  if (!response.ok) throw new Error(`The demo could not be fetched: ${response.status}.`)
  return response.arrayBuffer()
}

async function fetchAhead(): Promise<ArrayBuffer | undefined> {
  const kept = await indexedDB.databases()
  return kept.some(({ name }) => name === 'uzel') ? undefined : fetchDemo()
}

// Run before the application is there: a browser that keeps no workshop will show the demo.
const ahead = fetchAhead().catch(() => undefined)

/**
 * The demo for a first visit, which is on its way already or is fetched now.
 * @throws Error when the server cannot be reached
 */
export const demoForFirstVisit = async (): Promise<ArrayBuffer> => (await ahead) ?? fetchDemo()
