// npm run fonts: the letters that the application's own words need, taken out of its fonts into small files of their
// own (app/ui/fonts). Whatever else a maker types is found in the whole fonts.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import subsetFont from 'subset-font'

const at = (path) => fileURLToPath(new URL(`../${path}`, import.meta.url))
const FOLDER = at('app/ui/fonts')
const TEXT = 'node_modules/@fontsource-variable/atkinson-hyperlegible-next'
const SLAB = 'node_modules/@fontsource/hepta-slab'
/** Weights of text in use, of the 200 to 800 that its font has. */
const WEIGHTS = { wght: { min: 400, max: 700 } }

/** What is printed on a key, what words and drawings have beside it, and spaces and quotes that are not seen there. */
function letters() {
  const found = new Set(Array.from({ length: 95 }, (_, key) => String.fromCharCode(32 + key)))
  const read = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      const path = join(folder, entry.name)
      if (entry.isDirectory()) read(path)
      else if (/(?<!\.test)\.tsx?$/.test(entry.name))
        for (const letter of readFileSync(path, 'utf8')) found.add(letter)
    }
  }
  for (const letter of '\u00a0\u2009\u200b\u202f\u2018') found.add(letter)
  read(at('app'))
  read(at('core'))
  return [...found].filter((letter) => letter >= ' ').sort()
}

/** As CSS names a set of letters, by their codes. */
function rangesOf(codes) {
  const runs = []
  for (const code of codes) {
    if (runs.at(-1)?.[1] === code - 1) runs.at(-1)[1] = code
    else runs.push([code, code])
  }
  const hex = (code) => code.toString(16).toUpperCase().padStart(4, '0')
  return runs.map(([from, to]) => `U+${hex(from)}${from === to ? '' : `-${hex(to)}`}`).join(', ')
}

/** The codes in what CSS names a set of letters by. */
const codesIn = (ranges) =>
  ranges.split(',').flatMap((range) => {
    const [from, to = from] = range
      .trim()
      .slice(2)
      .split('-')
      .map((code) => parseInt(code, 16))
    return Array.from({ length: to - from + 1 }, (_, index) => from + index)
  })

const face = ({ family, weight }, url, codes) => `@font-face {
  font-family: '${family}';
  font-style: normal;
  font-display: swap;
  font-weight: ${weight};
  src: url('${url}') format('woff2');
  unicode-range: ${rangesOf(codes)};
}`

const FONTS = [
  {
    name: 'text',
    family: 'Atkinson Hyperlegible Next Variable',
    weight: '200 800',
    folder: TEXT,
    fileOf: (set) => `files/atkinson-hyperlegible-next-${set}-wght-normal.woff2`,
    options: { variationAxes: WEIGHTS },
  },
  ...[500, 600].map((weight) => ({
    name: `slab-${weight}`,
    family: 'Hepta Slab',
    weight,
    folder: SLAB,
    fileOf: (set) => `files/hepta-slab-${set}-${weight}-normal.woff2`,
  })),
]

const own = letters().map((letter) => letter.codePointAt(0))
mkdirSync(FOLDER, { recursive: true })
const faces = ['/* Made by npm run fonts. */']
for (const font of FONTS) {
  const { name, folder, fileOf, options } = font
  const sets = JSON.parse(readFileSync(at(`${folder}/unicode.json`), 'utf8'))
  const latin = codesIn(sets.latin)
  const small = own.filter((code) => latin.includes(code))
  const whole = readFileSync(at(`${folder}/${fileOf('latin')}`))
  const file = await subsetFont(whole, String.fromCodePoint(...small), { targetFormat: 'woff2', ...options })
  writeFileSync(join(FOLDER, `${name}.woff2`), file)
  for (const [set, ranges] of Object.entries(sets)) {
    const codes = codesIn(ranges).filter((code) => !small.includes(code))
    faces.push(face(font, `../../../${folder}/${fileOf(set)}`, codes))
  }
  faces.push(face(font, `./${name}.woff2`, small))
  console.log(`${name}: ${whole.length} -> ${file.length} bytes, ${small.length} letters`)
}
writeFileSync(join(FOLDER, 'fonts.css'), `${faces.join('\n\n')}\n`)
for (const [name, folder] of [
  ['text', TEXT],
  ['slab', SLAB],
]) {
  writeFileSync(join(FOLDER, `LICENSE-${name}`), readFileSync(at(`${folder}/LICENSE`)))
}
