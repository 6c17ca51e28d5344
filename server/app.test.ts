import { mkdtempSync, mkdirSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync } from 'node:zlib'
import { checkBuilt, uzelServer } from './app.ts'

const folder = mkdtempSync(join(tmpdir(), 'uzel-server-'))
mkdirSync(join(folder, 'app', 'assets'), { recursive: true })
mkdirSync(join(folder, 'demo'))
const PAGE = `<!doctype html><head><title>Uzel</title>
<script type="module" src="/assets/main-Ab3dE6gh.js"></script></head>`
const SCRIPT = 'export const long = 1\n'.repeat(200)
writeFileSync(join(folder, 'app', 'index.html'), PAGE)
writeFileSync(join(folder, 'app', 'assets', 'main-Ab3dE6gh.js'), SCRIPT)
writeFileSync(join(folder, 'app', 'assets', 'packed-Ab3dE6gh.js'), SCRIPT)
writeFileSync(
  join(folder, 'app', 'assets', 'packed-Ab3dE6gh.js.br'),
  brotliCompressSync('packed by the build'),
)
mkdirSync(join(folder, 'app', '.vite'))
writeFileSync(
  join(folder, 'app', '.vite', 'manifest.json'),
  JSON.stringify({
    'index.html': { file: 'assets/main-Ab3dE6gh.js' },
    'screens/plan/PlanScreen.tsx': {
      file: 'assets/plan.js',
      imports: ['index.html', '_drawing.js', '_words.js'],
    },
    'store/planHere.ts': { file: 'assets/planHere.js', imports: ['_words.js'] },
    // Two that ask for one another.
    '_drawing.js': { file: 'assets/drawing.js', imports: ['_words.js'] },
    '_words.js': { file: 'assets/words.js', imports: ['_drawing.js'] },
    'ui/fonts/text.woff2': { file: 'assets/text.woff2' },
  }),
)
writeFileSync(join(folder, 'app', 'sw.js'), '// worker')
writeFileSync(join(folder, 'demo', 'skarn-hut.uzel.json'), '{}')

const listening = uzelServer({ app: join(folder, 'app'), demo: join(folder, 'demo') }).listen(0, '127.0.0.1')
const address = () => `http://127.0.0.1:${(listening.address() as AddressInfo).port}`
const get = (path: string) => fetch(`${address()}${path}`)

beforeAll(() => new Promise((ready) => listening.once('listening', ready)))
afterAll(() => new Promise((done) => listening.close(done)))

test.each([
  '/',
  '/new',
  '/settings',
  '/gauges',
  '/gauges/a',
  '/yarns',
  '/measure',
  '/sheet',
  '/piece/kettle-trivet',
  '/piece/a%20b/plan',
  '/piece/x/work',
  '/project/x',
  '/project/x/piece/y',
  '/project/x/piece/y/check',
])('the screen at %s is the application', async (path) => {
  const response = await get(path)
  expect(response.status).toBe(200)
  expect(await response.text()).toContain('<title>Uzel</title>')
  expect(response.headers.get('cache-control')).toBe('no-cache')
})

test.each([
  ['/', []],
  ['/project/x/piece/y/plan', ['plan', 'drawing', 'words', 'planHere']],
  ['/piece/x', ['plan', 'drawing', 'words', 'planHere']],
  ['/project/x/piece/y/work', ['planHere', 'words', 'drawing']],
])(
  'the page at %s asks at once for what its screen is made of, and for nothing twice',
  async (path, scripts) => {
    const page = await (await get(path)).text()
    const asked = [...page.matchAll(/rel="modulepreload"[^>]* href="\/assets\/(\w+)\.js"/g)].map(
      ([, name]) => name,
    )
    expect(asked).toEqual(scripts)
    expect(page.match(/main-Ab3dE6gh/g)).toHaveLength(1)
    expect(page).toContain('as="font"')
    expect(page.indexOf('modulepreload')).toBeLessThan(page.indexOf('</head>'))
  },
)

test.each([
  '/nothing',
  '/piece',
  '/piece/x/else',
  '/project',
  '/project/x/piece',
  '/project/x/piece/y/else',
  '/assets/none.js',
  '/demo/none.json',
  '/../package.json',
  '/demo/..%2f..%2fapp%2fsw.js',
])('%s is not found, and says no more than that', async (path) => {
  const response = await get(path)
  expect(response.status).toBe(404)
  expect(await response.text()).toBe('Not found.')
})

test('hashed files are kept for good, the worker is always asked for, and text is compressed', async () => {
  const hashed = await get('/assets/main-Ab3dE6gh.js')
  expect(hashed.headers.get('cache-control')).toContain('immutable')
  expect(hashed.headers.get('content-encoding')).toMatch(/gzip|br/)
  expect((await get('/sw.js')).headers.get('cache-control')).toBe('no-cache')
})

test.each([
  ['gzip, br', 'br', 'packed by the build'],
  ['gzip', 'gzip', SCRIPT],
])('a file the build has packed is sent so to who takes it: %s', async (accepted, encoding, text) => {
  const response = await fetch(`${address()}/assets/packed-Ab3dE6gh.js`, {
    headers: { 'Accept-Encoding': accepted },
  })
  expect(await response.text()).toBe(text)
  expect(response.headers.get('content-encoding')).toBe(encoding)
  expect(response.headers.get('content-type')).toMatch(/javascript/)
  expect(response.headers.get('cache-control')).toContain('immutable')
  expect(response.headers.get('vary')).toMatch(/Accept-Encoding/i)
})

test('nothing inline and nothing from elsewhere may run', async () => {
  const policy = (await get('/')).headers.get('content-security-policy')!
  expect(policy).toContain("default-src 'none'")
  expect(policy).toContain("script-src 'self'")
  expect(policy).not.toMatch(/unsafe|\*|https?:/)
})

test('no frame may hold it, and it may use no camera, microphone or place', async () => {
  const { headers } = await get('/')
  expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'")
  expect(headers.get('x-frame-options')).toBe('DENY')
  expect(headers.get('permissions-policy')).toMatch(/camera=\(\), microphone=\(\), geolocation=\(\)/)
  expect(headers.get('permissions-policy')).toContain('screen-wake-lock=(self)')
})

test.each([
  ['{"amount": 4', 400, 'The body is not JSON.'],
  [`{"amount": "${'9'.repeat(3000)}"}`, 413, 'The body is too large.'],
  ['{"amount": "much"}', 400, 'amount should be a number from 0 to 5000.'],
])('a body like %s is answered %i', async (body, status, says) => {
  const { id } = ((await (await get('/instruments')).json()) as { id: string }[])[0]!
  const response = await fetch(`${address()}/instruments/${id}/load`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body,
  })
  expect(response.status).toBe(status)
  expect(await response.text()).toBe(says)
})

test('an application that is not built is named', () => {
  expect(() => checkBuilt(join(folder, 'nowhere'))).toThrow(/npm start/)
  expect(() => checkBuilt(join(folder, 'app'))).not.toThrow()
})
