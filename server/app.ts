import { existsSync } from 'node:fs'
import { join } from 'node:path'
import compression from 'compression'
import express, { type Express } from 'express'
import helmet from 'helmet'
import { instrumentBench } from './instruments/bench.ts'

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
  '/settings',
  '/gauges',
  '/gauges/:gaugeId',
  '/yarns',
  '/measure',
  '/sheet',
  '/piece/:projectId',
  '/piece/:projectId/plan',
  '/piece/:projectId/work',
  '/piece/:projectId/check',
  '/piece/:projectId/sheet',
]

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
      // Served on the maker's own machine without TLS: asking for it would lock the address out.
      strictTransportSecurity: false,
    }),
  )
  // Before compression, which would hold back a stream of readings.
  server.use('/instruments', instrumentBench())
  server.use(compression())
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
    // A path that may not be asked for is as good as none.
    const status = ((error as { status?: number }).status ?? 500) < 500 ? 404 : 500
    response
      .status(status)
      .type('text/plain')
      .send(status === 404 ? 'Not found.' : 'This could not be served.')
  }) satisfies express.ErrorRequestHandler)
  return server
}

/** Throws a sentence that says what to do when the application has not been built. */
export function checkBuilt(appFolder: string): void {
  if (!existsSync(join(appFolder, 'index.html'))) {
    throw new Error('The application is not built. Run `npm start`, or `npm run build` first.')
  }
}
