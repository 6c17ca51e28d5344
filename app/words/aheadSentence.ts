import { partOf, type Ahead, type HeldYarns, type Terms, type YarnChange } from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { endWords } from './closingWords.ts'
import { PLACE_WORDS, placeName } from './placeWords.ts'
import { shortName } from './wording.ts'
import { TEXTURE_WORDS } from './textureWords.ts'
import { sectionName } from './formWords.ts'

interface AtTheHook {
  readonly hangs: boolean
  readonly joined: boolean
  /** What yarns that are held together are called. */
  readonly nameOf: (held: HeldYarns) => string
  /** What a round or row is called by its number. */
  readonly titleOf: (number: number) => string
  readonly terms: Terms
  readonly sizes: Pick<Sizes, 'full'>
}

/** What is to come, for somebody at the hook: "Next round: turn up into the wall, through the back loops." */
export function aheadSentence(
  { rounds, section, backLoops, widens, behind, way, fill, draw, end, ...more }: Ahead,
  at: AtTheHook,
): string {
  if (end) return `After this round: ${lower(endWords(end, at.sizes))}`
  if (fill) return 'After this round: fill it, while two fingers still fit.'
  if (draw !== undefined) return `After this round: draw the last ${draw} stitches together with the tail.`
  const when = rounds === 1 ? 'Next round' : `In ${rounds} rounds`
  const { tools, opening, overOpening, accent, texture, stitch, loops, even, motifs, places, yarns } = more
  const { hangs } = at
  const what = [
    ...(section
      ? [turn(section, { hangs, backLoops: backLoops === true, widens: widens === true, behind })]
      : []),
    ...(tools ? ['take the hook and strands of its gauge'] : []),
    ...(stitch ? [stitch === 'slst' ? 'slip stitches all around' : `in ${shortName(stitch, at.terms)}`] : []),
    ...(texture ? [`in ${TEXTURE_WORDS[texture].label.toLowerCase()}`] : []),
    ...(loops ? [`into ${loops === 'both' ? 'both loops again' : `the ${loops} loops`}`] : []),
    ...(even ? [`no more ${even}, even from there on`] : []),
    ...(way ? [WAYS[way]] : []),
    ...(opening ? [`an opening is left, ${opening} chains`] : []),
    ...(overOpening ? [`work ${overOpening} stitches into the chains of the opening`] : []),
    ...(accent ? [`a round of ${TEXTURE_WORDS[accent].label.toLowerCase()}`] : []),
    ...(motifs ? ['the edge with what stands along it'] : []),
    ...(places ?? []).map((place) => `${PLACE_WORDS[place.place.kind].does(placeName(place))}`),
    ...(yarns
      ? [`change to ${at.nameOf(yarns)} ${at.joined ? 'at the join' : 'in the last stitch before it'}`]
      : []),
    ...(more.change ? layDown(more.change, at) : []),
  ]
  return `${when}: ${what.join('; ')}.`
}

/** What becomes of the yarns that were in hand, and the ends that it leaves. */
function layDown(
  { down, up, tails }: YarnChange,
  { nameOf, titleOf }: Pick<AtTheHook, 'nameOf' | 'titleOf'>,
): string[] {
  const seen = new Set<string>()
  const laid = down.flatMap((run) => {
    if (seen.has(run.yarn)) return []
    seen.add(run.yarn)
    const name = nameOf(run)
    if (!run.back) return [`cut ${name}`]
    return run.back.carried
      ? [`carry ${name} up inside to ${titleOf(run.back.round)}`]
      : [`cut ${name}, it is back in ${titleOf(run.back.round)}`]
  })
  const taken = up.filter(({ carriedFrom }) => carriedFrom !== undefined)
  return [
    ...laid,
    ...[...new Set(taken.map(nameOf))].map((name) => `${name} waits inside`),
    ...(tails > 0 ? [tails === 1 ? '1 tail to hide' : `${tails} tails to hide`] : []),
  ]
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
