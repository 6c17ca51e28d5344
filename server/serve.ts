import { fileURLToPath } from 'node:url'
import { checkBuilt, uzelServer } from './app.ts'

const root = new URL('../../', import.meta.url)
const folder = (path: string) => fileURLToPath(new URL(path, root))
const port = Number(process.env['PORT'] ?? 4180)

if (!Number.isInteger(port) || port < 1 || port > 65_535) {
  console.error(`PORT should be a number from 1 to 65535, not “${process.env['PORT']}”.`)
  process.exit(1)
}

checkBuilt(folder('dist/app'))
const listening = uzelServer({ app: folder('dist/app'), demo: folder('demo') }).listen(
  port,
  '127.0.0.1',
  (error?: Error) => {
    if (error) {
      const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE'
      console.error(
        taken
          ? `Port ${port} is taken by another program. Choose another: PORT=${port + 1} npm start`
          : `Uzel could not be served: ${error.message}`,
      )
      process.exit(1)
    }
    console.log(`Uzel with the Skarn Hut workshop is on http://localhost:${port}`)
  },
)

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    listening.close(() => process.exit(0))
    listening.closeAllConnections()
  })
}
