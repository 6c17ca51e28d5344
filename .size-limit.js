import { readFileSync } from 'node:fs'

// What the page itself asks for, before any screen is opened that is loaded when needed.
const page = readFileSync(new URL('./dist/app/index.html', import.meta.url), 'utf8')
const scripts = [...page.matchAll(/"\/(assets\/[^"]+\.js)"/g)].map(([, path]) => `dist/app/${path}`)

export default [{ name: 'JavaScript of the first screen', path: scripts, limit: '215 kB', gzip: true }]
