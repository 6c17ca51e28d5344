import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

/** What the build made of a module (Vite's manifest): its file, and the modules it cannot start without. */
interface Built {
  readonly file: string
  readonly imports?: readonly string[]
}

type Manifest = Readonly<Record<string, Built>>

/** What all text of the application is set in. */
const TEXT_FONT = 'ui/fonts/text.woff2'

/**
 * The page that opens the application, asking for what its screen is made of while the scripts of the page itself are
 * still on their way: on a slow line that is a trip less, and one is read while the other comes. Read anew each time: what
 * is built while it is served is served.
 * @param appFolder the built application
 * @param modules those of a screen, named as in the sources of the application
 */
export function openingPage(appFolder: string, modules: readonly string[]): string {
  const page = readFileSync(join(appFolder, 'index.html'), 'utf8')
  const manifest = readManifest(appFolder)
  const font = manifest[TEXT_FONT]?.file
  const scripts = new Set(modules.flatMap((module) => filesOf(manifest, module)))
  const links = [
    ...(font === undefined ? [] : [`rel="preload" as="font" type="font/woff2" ${asked(font)}`]),
    ...[...scripts]
      .filter((file) => !page.includes(`"/${file}"`))
      .map((file) => `rel="modulepreload" ${asked(file)}`),
  ]
  return page.replace('</head>', `${links.map((link) => `  <link ${link}>\n`).join('')}</head>`)
}

/** After what stands in the page has been painted, as its own scripts. */
const asked = (file: string) => `fetchpriority="low" crossorigin href="/${file}"`

function readManifest(appFolder: string): Manifest {
  const path = join(appFolder, '.vite', 'manifest.json')
  return existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as Manifest) : {}
}

/** The files of a module and of all it imports. */
function filesOf(manifest: Manifest, module: string): readonly string[] {
  const files = new Set<string>()
  const take = (name: string) => {
    const built = manifest[name]
    if (!built || files.has(built.file)) return
    files.add(built.file)
    built.imports?.forEach(take)
  }
  take(module)
  return [...files]
}
