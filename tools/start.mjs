// npm start: installs what is missing, builds what has changed, serves.
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { install, root, run } from './steps.mjs'

install()

const SOURCES = ['app', 'core', 'server', 'package-lock.json', 'vite.config.ts', 'tsconfig.base.json']

function fingerprint() {
  const hash = createHash('sha256')
  const take = (path) => {
    for (const entry of readdirSync(join(root, path), { withFileTypes: true })) {
      const inner = join(path, entry.name)
      if (entry.isDirectory()) take(inner)
      else hash.update(inner).update(readFileSync(join(root, inner)))
    }
  }
  for (const source of SOURCES) {
    if (/\.\w+$/.test(source)) hash.update(readFileSync(join(root, source)))
    else take(source)
  }
  return hash.digest('hex')
}

const stamp = join(root, 'dist', '.built-from')
const now = fingerprint()
if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== now) {
  console.log('Building…')
  const { code, text } = run('npm', ['run', '--silent', 'build'], { capture: true })
  if (code !== 0) {
    console.error(text)
    process.exit(code)
  }
  writeFileSync(stamp, now)
}

await import(new URL('../dist/server/serve.js', import.meta.url))
