import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { printBenches, type Bench } from './benchKit.ts'

const root = fileURLToPath(new URL('..', import.meta.url))
const files = ['core', 'app'].flatMap((room) =>
  readdirSync(join(root, room), { recursive: true, encoding: 'utf8' })
    .filter((path) => path.endsWith('.bench.ts'))
    .map((path) => join(root, room, path)),
)

for (const file of files.sort()) {
  const { benches } = (await import(file)) as { benches: Bench[] }
  await printBenches(benches)
}
