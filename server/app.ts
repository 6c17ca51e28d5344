import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { constants } from 'node:zlib'
import compression from 'compression'
import express, { type Express } from 'express'
import packedFiles from 'express-static-gzip'
import helmet from 'helmet'
import { instrumentStand } from './instruments/stand.ts'
import { openingPage } from './opening.ts'

export interface AppFolders {
  /** The built application. */
  readonly app: string
  /** Demo workshop files. */
  readonly demo: string
}

/** A screen that may ask for plans at once opens with what makes them. */
const PLANS = 'store/planHere.ts'

/** What shows a piece, by the last part of its address. */
const PIECE_VIEWS: Readonly<Record<string, readonly string[]>> = {
  '': ['screens/plan/PlanScreen.tsx', PLANS],
  '/text': ['screens/text/TextScreen.tsx'],
  '/plan': ['screens/plan/PlanScreen.tsx', PLANS],
  '/work': ['screens/work/WorkScreen.tsx', PLANS],
  '/check': ['screens/check/CheckScreen.tsx', PLANS],
  '/sheet': ['screens/sheet/PieceSheetScreen.tsx', PLANS],
  '/block': ['screens/sheet/BlockScreen.tsx'],
}

/**
 * Addresses of the application's own router, and the modules that show what is there beside those of every page;
 * everything else that is no file is not found.
 */
const SCREENS: Readonly<Record<string, readonly string[]>> = {
  '/': [],
  '/new': ['screens/create/CreateScreen.tsx', PLANS],
  '/new/together': ['screens/create/CombinationScreen.tsx'],
  '/new/text': ['screens/text/TextScreen.tsx'],
  '/settings': ['screens/settings/SettingsScreen.tsx', PLANS],
  '/gauges': ['screens/gauges/GaugesScreen.tsx', PLANS],
  '/gauges/:gaugeId': ['screens/gauges/GaugesScreen.tsx', PLANS],
  '/yarns': ['screens/yarns/YarnsScreen.tsx', PLANS],
  '/log': ['screens/log/LogScreen.tsx', PLANS],
  '/carry': ['screens/carry/CarryScreen.tsx', PLANS],
  '/measure': ['screens/measure/MeasureScreen.tsx', PLANS],
  '/sheet': ['screens/measure/SheetScreen.tsx', PLANS],
  '/project/:projectId/pieces': ['screens/pieces/PiecesScreen.tsx', PLANS],
  '/project/:projectId/seam/:jointId': ['screens/pieces/SeamScreen.tsx'],
  // Until a project had several pieces it was found by its own id alone.
  ...Object.fromEntries(
    ['/piece/:projectId', '/project/:projectId', '/project/:projectId/piece/:pieceId'].flatMap((piece) =>
      Object.entries(PIECE_VIEWS).map(([view, modules]) => [`${piece}${view}`, modules]),
    ),
  ),
}

/** What the application never asks for is refused to whatever might; the screen may be kept on at the hook. */
const PERMISSIONS = [
  'camera',
  'microphone',
  'geolocation',
  'payment',
  'usb',
  'serial',
  'accelerometer',
  'gyroscope',
]
  .map((name) => `${name}=()`)
  .concat('screen-wake-lock=(self)', 'fullscreen=(self)')
  .join(', ')

/** Of what the build has not packed: a fifteenth less than by the middleware's own setting, for some ms of time. */
const BROTLI = { params: { [constants.BROTLI_PARAM_QUALITY]: 6 } }

const HASHED = /-[\w-]{8,}\.(?:js|css|woff2)(?:\.br)?$/

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
    packedFiles(appFolder, {
      index: false,
      enableBrotli: true,
      serveStatic: {
        setHeaders: (response, path) => {
          response.setHeader(
            'Cache-Control',
            HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
          )
        },
      },
    }),
  )
  for (const [address, modules] of Object.entries(SCREENS)) {
    server.get(address, (_request, response) => {
      response.setHeader('Cache-Control', 'no-cache')
      response.type('html').send(openingPage(appFolder, modules))
    })
  }
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
