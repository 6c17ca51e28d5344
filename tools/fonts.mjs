// npm run fonts: the letters that the application's own words need, taken out of its fonts into small files of their
// own (app/ui/fonts), which come first. Whatever else a maker types is found in the whole fonts.
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
  for (const letter of '\u00a0\u2009\u202f\u2018') found.add(letter)
  read(at('app'))
  read(at('core'))
  return [...found].filter((letter) => letter >= ' ').sort()
}

/** As CSS names a set of letters. */
function rangesOf(text) {
  const codes = text.map((letter) => letter.codePointAt(0))
  const runs = codes.reduce((so, code) => {
    const last = so.at(-1)
    if (last && last[1] === code - 1) last[1] = code
    else so.push([code, code])
    return so
  }, [])
  const hex = (code) => code.toString(16).toUpperCase().padStart(4, '0')
  return runs.map(([from, to]) => (from === to ? `U+${hex(from)}` : `U+${hex(from)}-${hex(to)}`)).join(', ')
}

/** The letters that a font has, by what its package says of the file. */
function had(folder) {
  const unicode = JSON.parse(readFileSync(at(`${folder}/unicode.json`), 'utf8')).latin
  const runs = unicode.split(',').map((run) =>
    run
      .replace('U+', '')
      .split('-')
      .map((code) => parseInt(code, 16)),
  )
  return (letter) => {
    const code = letter.codePointAt(0)
    return runs.some(([from, to = from]) => code >= from && code <= to)
  }
}

const FONTS = [
  {
    name: 'text',
    family: 'Atkinson Hyperlegible Next Variable',
    weight: '200 800',
    folder: TEXT,
    file: 'atkinson-hyperlegible-next-latin-wght-normal',
    axes: WEIGHTS,
  },
  ...[500, 600].map((weight) => ({
    name: `slab-${weight}`,
    family: 'Hepta Slab',
    weight,
    folder: SLAB,
    file: `hepta-slab-latin-${weight}-normal`,
  })),
]

mkdirSync(FOLDER, { recursive: true })
const faces = ['/* Made by npm run fonts. Named after the whole fonts, so that these are asked first. */']
for (const { name, family, weight, folder, file, axes } of FONTS) {
  const own = letters().filter(had(folder))
  const whole = readFileSync(at(`${folder}/files/${file}.woff2`))
  const small = await subsetFont(whole, own.join(''), {
    targetFormat: 'woff2',
    ...(axes ? { variationAxes: axes } : {}),
  })
  writeFileSync(join(FOLDER, `${name}.woff2`), small)
  faces.push(`@font-face {
  font-family: '${family}';
  font-style: normal;
  font-display: swap;
  font-weight: ${weight};
  src: url('./${name}.woff2') format('woff2');
  unicode-range: ${rangesOf(own)};
}`)
  console.log(`${name}: ${whole.length} -> ${small.length} bytes, ${own.length} letters`)
}
writeFileSync(join(FOLDER, 'fonts.css'), `${faces.join('\n\n')}\n`)
for (const [name, folder] of [
  ['text', TEXT],
  ['slab', SLAB],
]) {
  writeFileSync(join(FOLDER, `LICENSE-${name}`), readFileSync(at(`${folder}/LICENSE`)))
}
