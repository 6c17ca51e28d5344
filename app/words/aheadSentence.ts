import { partOf, type Ahead } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { endWords } from './closingWords.ts'
import { TEXTURE_WORDS } from './textureWords.ts'
import { sectionName } from './formWords.ts'

/** What is to come, for somebody at the hook: "Next round: turn up into the wall, through the back loops." */
export function aheadSentence(
  { rounds, section, backLoops, widens, behind, way, fill, draw, end, ...more }: Ahead,
  {
    hangs,
    joined,
    names,
    sizes,
  }: {
    readonly hangs: boolean
    readonly joined: boolean
    readonly names: string
    readonly sizes: Pick<Sizes, 'full'>
  },
): string {
  if (end) return `After this round: ${lower(endWords(end, sizes))}`
  if (fill) return 'After this round: fill it, while two fingers still fit.'
  if (draw !== undefined) return `After this round: draw the last ${draw} stitches together with the tail.`
  const when = rounds === 1 ? 'Next round' : `In ${rounds} rounds`
  const { tools, opening, overOpening, accent, yarns } = more
  const what = [
    ...(section
      ? [turn(section, { hangs, backLoops: backLoops === true, widens: widens === true, behind })]
      : []),
    ...(tools ? ['take the hook and strands of its gauge'] : []),
    ...(way ? [WAYS[way]] : []),
    ...(opening ? [`an opening is left, ${opening} chains`] : []),
    ...(overOpening ? [`work ${overOpening} stitches into the chains of the opening`] : []),
    ...(accent ? [`a round of ${TEXTURE_WORDS[accent].label.toLowerCase()}`] : []),
    ...(yarns ? [`change to ${names} ${joined ? 'at the join' : 'in the last stitch before it'}`] : []),
  ]
  return `${when}: ${what.join('; ')}.`
}

const WAYS = {
  joined: 'rounds are joined from there on',
  spiral: 'in a spiral from there on',
  turned: 'rounds are joined and turned from there on',
} as const

const lower = (sentence: string): string => sentence.charAt(0).toLowerCase() + sentence.slice(1)

function turn(
  section: string,
  {
    hangs,
    backLoops,
    widens,
    behind,
  }: {
    readonly hangs: boolean
    readonly backLoops: boolean
    readonly widens: boolean
    readonly behind: number | undefined
  },
): string {
  if (section === 'in') return 'the widest place is behind, it closes again'
  if (section === 'instep') return 'the toe is taken in, over the middle of its end'
  if (section === 'lip') return 'a lip, through the front loops'
  const name = sectionName(section).toLowerCase()
  const part = partOf(section)
  if (part !== section)
    return `part ${section.slice(part.length + 1)} of the ${sectionName(part).toLowerCase()} begins`
  if (section !== 'wall') return `the ${name} begins`
  if (behind !== undefined) return `the wall goes up behind the lip, through the back loops of Rnd ${behind}`
  if (backLoops) return 'turn the corner into the wall, through the back loops'
  if (!hangs) return 'the wall begins and goes up'
  return widens ? 'the wall begins, no more increases' : 'the wall begins, even all the way'
}
