// Serves the built application on a free port for as long as a script needs it.
import { fileURLToPath } from 'node:url'
import { uzelServer } from '../dist/server/app.js'

const folder = (path) => fileURLToPath(new URL(path, import.meta.url))

export async function serveBuilt(port = 0) {
  const app = uzelServer({ app: folder('../dist/app'), demo: folder('../demo') })
  const listening = await new Promise((resolve, reject) => {
    const server = app.listen(port, '127.0.0.1', (error) => (error ? reject(error) : resolve(server)))
  })
  return {
    address: `http://localhost:${listening.address().port}`,
    stop: () =>
      new Promise((resolve) => {
        listening.close(resolve)
        listening.closeAllConnections()
      }),
  }
}
