// Shared by the npm scripts: installing what is missing, and running one command after another.
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('..', import.meta.url))

/** Runs a command in the project; returns its exit code and, when `capture`, what it printed. */
export function run(command, args, { capture = false, env = {} } = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: capture ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    encoding: 'utf8',
    maxBuffer: 256 * 1024 * 1024,
  })
  return { code: result.status ?? 1, text: `${result.stdout ?? ''}${result.stderr ?? ''}` }
}

/** Runs a command in the project beside others; resolves to its exit code and what it printed. */
export function runBeside(command, args) {
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] })
  let text = ''
  for (const stream of [child.stdout, child.stderr]) {
    stream.setEncoding('utf8').on('data', (part) => (text += part))
  }
  return new Promise((resolve) => {
    child.on('error', (error) => resolve({ code: 1, text: String(error) }))
    child.on('close', (code) => resolve({ code: code ?? 1, text }))
  })
}

/** Installs from the lock file when node_modules is missing or older than the lock. */
export function install() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const stamp = join(root, 'node_modules', '.uzel-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  console.log('Installing what is missing (about a minute)…')
  const { code } = run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'])
  if (code !== 0) {
    console.error('npm ci did not finish. Is the network there, and is this Node 20 or newer?')
    process.exit(code)
  }
  mkdirSync(join(root, 'node_modules'), { recursive: true })
  writeFileSync(stamp, lock)
}

/** Debian's Chromium without a window, a fifth faster; where only the whole browser is installed, that. */
const BROWSERS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']
export const CHROMIUM = BROWSERS.find((path) => existsSync(path)) ?? BROWSERS[0]

/** The browser of the browser tests; installed when run as root. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return true
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    console.error(
      'The browser tests need Chromium: on Debian, `sudo apt-get install chromium-headless-shell`.',
    )
    return false
  }
  console.log('Installing Chromium from Debian…')
  const quiet = { capture: true, env: { DEBIAN_FRONTEND: 'noninteractive' } }
  run('apt-get', ['update'], quiet)
  const shell = ['install', '-y', '--no-install-recommends', 'chromium-headless-shell']
  const { code, text } = run('apt-get', shell, quiet)
  if (code !== 0) console.error(text.slice(-2000))
  return code === 0
}

export const bin = (name) => join(root, 'node_modules', '.bin', name)
