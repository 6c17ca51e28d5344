import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { constants } from 'node:zlib'
import compression from 'compression'
import express, { type Express } from 'express'
import helmet from 'helmet'
import { instrumentStand } from './instruments/stand.ts'

export interface AppFolders {
  /** The built application. */
  readonly app: string
  /** Demo workshop files. */
  readonly demo: string
}

/** Addresses of the application's own router; everything else that is no file is not found. */
const SCREENS = [
  '/',
  '/new',
  '/new/together',
  '/new/text',
  '/settings',
  '/gauges',
  '/gauges/:gaugeId',
  '/yarns',
  '/log',
  '/carry',
  '/measure',
  '/sheet',
  '/project/:projectId/pieces',
  '/project/:projectId/seam/:jointId',
  // Until a project had several pieces it was found by its own id alone.
  ...['/piece/:projectId', '/project/:projectId', '/project/:projectId/piece/:pieceId'].flatMap((piece) => [
    piece,
    ...['text', 'plan', 'work', 'check', 'sheet', 'block'].map((view) => `${piece}/${view}`),
  ]),
]

/** What the application never asks for is refused to whatever might; the screen may be kept on at the hook. */
const PERMISSIONS = [
  'camera',
  'microphone',
  'geolocation',
  'payment',
  'usb',
  'serial',
  'bluetooth',
  'accelerometer',
  'gyroscope',
]
  .map((name) => `${name}=()`)
  .concat('screen-wake-lock=(self)', 'fullscreen=(self)')
  .join(', ')

/** A fifteenth less to fetch than by the middleware's own setting, for some ms of the server's time. */
const BROTLI = { params: { [constants.BROTLI_PARAM_QUALITY]: 6 } }

const HASHED = /-[\w-]{8,}\.(?:js|css|woff2)$/

/** Serves the built application: nothing inline, nothing from elsewhere, hashed files for good. */
export function uzelServer({ app: appFolder, demo }: AppFolders): Express {
  const server = express()
  server.disable('x-powered-by')
  server.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          styleSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // As the policy says: in no frame at all.
      xFrameOptions: { action: 'deny' },
      // Served on the maker's own machine without TLS: asking for it would lock the address out.
      strictTransportSecurity: false,
    }),
  )
  server.use((_request, response, next) => {
    response.setHeader('Permissions-Policy', PERMISSIONS)
    next()
  })
  // Before compression, which would hold back a stream of readings.
  server.use('/instruments', instrumentStand())
  server.use(compression({ brotli: BROTLI }))
  server.use('/demo', express.static(demo, { index: false, maxAge: 0, fallthrough: false }))
  server.use(
    express.static(appFolder, {
      index: false,
      setHeaders: (response, path) => {
        response.setHeader(
          'Cache-Control',
          HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
        )
      },
    }),
  )
  server.get(SCREENS, (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache')
    response.sendFile('index.html', { root: appFolder })
  })
  server.use((_request, response) => {
    response.status(404).type('text/plain').send('Not found.')
  })
  server.use(((error, _request, response, _next) => {
    const { status = 500, type } = error as { status?: number; type?: string }
    const [answer, words] = answerTo(status, type)
    response.status(answer).type('text/plain').send(words)
  }) satisfies express.ErrorRequestHandler)
  return server
}

/** What the parser of bodies could not read is the asker's fault; a path that may not be asked for is as good as none. */
function answerTo(status: number, type: string | undefined): [number, string] {
  if (type === 'entity.parse.failed') return [400, 'The body is not JSON.']
  if (type === 'entity.too.large') return [413, 'The body is too large.']
  if (type !== undefined && status < 500) return [status, 'The body could not be read.']
  return status < 500 ? [404, 'Not found.'] : [500, 'This could not be served.']
}

/** Throws a sentence that says what to do when the application has not been built. */
export function checkBuilt(appFolder: string): void {
  if (!existsSync(join(appFolder, 'index.html'))) {
    throw new Error('The application is not built. Run `npm start`, or `npm run build` first.')
  }
}
