import { lengthOf } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { stepsFromUnits } from '../rounds/stepsFromUnits.ts'
import { expandSteps, plain, stitchesProduced, type Step, type Unit } from '../rounds/steps.ts'
import type { Round, SectionId } from '../rounds/round.ts'
import type { StitchName } from '../stitches/stitch.ts'
import type { Opening, PieceSpec } from './plan.ts'
import { gaugesOf, stitchIn } from './sectionWork.ts'
import { sectionsOf } from './wantedAround.ts'

/** An opening leaves at least so much of its round standing, as a share. */
const MOST_OF_A_ROUND = 0.45

/** An opening in stitches of its round: so many chains over as many that are skipped, their middle at a share of it. */
export interface Slit {
  readonly at: number
  readonly chains: number
}

/** An opening in stitches as wide as w, mm: about k·w wide (FIELD §13). */
export const slitOf = ({ at, width }: Opening, w: number): Slit => ({
  at,
  chains: Math.max(1, Math.round(width / w)),
})

/** How many chains an opening of a piece has in its part of it. */
export const chainsOf = (spec: PieceSpec, opening: Opening): number =>
  slitOf(opening, gaugesOf(spec)({ section: opening.section, stitch: stitchIn(spec, opening.section) }).w)
    .chains

/** Yarn lets an opening stretch by so much for what passes through it. */
const GIVES = 0.1

/** How an opening suits what must pass through it. */
export interface OpeningFit {
  /** Around its edge, mm: its chains, and as many skipped stitches. */
  readonly around: number
  /** The share by which it would have to stretch; below 0 there is room. */
  readonly stretch: number
  /** It passes without being forced. */
  readonly passes: boolean
  /** How wide an opening lets it through as it is, mm. */
  readonly least: number
}

/** Whether what must pass through an opening does; nothing where it is not said how far around that is. */
export function openingFit(spec: PieceSpec, opening: Opening): OpeningFit | undefined {
  const { passes: girth, section } = opening
  if (girth === undefined) return undefined
  const { w } = gaugesOf(spec)({ section, stitch: stitchIn(spec, section) })
  const around = 2 * slitOf(opening, w).chains * w
  const stretch = girth / around - 1
  return { around, stretch, passes: stretch <= GIVES, least: Math.ceil(girth / 2 / w) * w }
}

/** @throws SpecError when an opening lies outside its section or cannot be left in it */
export function validateOpenings(spec: PieceSpec): void {
  const sections = sectionsOf(spec)
  const wrong = (message: string, valid: string) => new SpecError('constraints.openings', message, valid)
  for (const opening of spec.constraints?.openings ?? []) {
    const section = sections.find(({ id }) => id === opening.section)
    if (!section) throw wrong('An opening is in a part that this piece has not.', 'Take it out.')
    if (section.rows?.panel) {
      throw wrong(
        'Rows on a part of a round leave no opening.',
        'Place it in the rounds before or after them.',
      )
    }
    const { guide } = section
    const most = guide.length - spec.gauge.h
    if (!(opening.along >= 0 && opening.along <= most)) {
      throw wrong(
        `An opening ${lengthOf(opening.along)} up is beyond its part of the piece.`,
        `Up to ${lengthOf(Math.max(0, Math.floor(most)))}.`,
      )
    }
    const widest = MOST_OF_A_ROUND * guide.perimeter(Math.max(opening.along, spec.gauge.h))
    if (!(opening.width >= 1 && opening.width <= widest)) {
      throw wrong(
        `An opening ${lengthOf(opening.width)} wide leaves too little of its round.`,
        `Up to ${lengthOf(Math.floor(widest))} there.`,
      )
    }
  }
}

/**
 * The round that has an opening: the one whose top lies nearest to where it is wanted.
 * @param tops how far along the section the tops of its rounds lie, mm
 * @returns an index into `tops`; nothing when there are none
 */
export function roundOfOpening({ along }: Opening, tops: readonly number[]): number | undefined {
  if (tops.length === 0) return undefined
  const distance = (index: number) => Math.abs(tops[index]! - along)
  return tops.reduce((best, _, index) => (distance(index) < distance(best) ? index : best), 0)
}

/** The openings that worked rounds have not left yet: of each section those farther along. */
export function openingsToCome(
  openings: readonly Opening[],
  worked: readonly Pick<Round, 'section' | 'steps'>[],
): readonly Opening[] {
  const left = new Map<SectionId, number>()
  for (const { section, steps } of worked) {
    left.set(section, (left.get(section) ?? 0) + slitsIn(steps).length)
  }
  return openings
    .toSorted((one, other) => one.along - other.along)
    .filter(({ section }) => {
      const done = left.get(section) ?? 0
      left.set(section, done - 1)
      return done <= 0
    })
}

/**
 * Steps of an even round with openings left in it: at each so many stitches are skipped, under as many chains.
 * @throws SpecError when two openings meet
 */
export function withOpenings(
  steps: readonly Step[],
  slits: readonly Slit[],
  stitch: StitchName,
): readonly Step[] {
  if (slits.length === 0) return steps
  const units = expandSteps(steps)
  const count = units.length
  const placed = slits
    .map(({ at, chains: wanted }) => {
      const chains = Math.min(wanted, count - 2)
      // A stitch stands at either end of the round, so that the join is not in the air.
      const from = Math.min(count - 1 - chains, Math.max(1, Math.round(at * count - chains / 2)))
      return { from, chains }
    })
    .sort((one, other) => one.from - other.from)
  placed.forEach(({ from }, index) => {
    const before = placed[index - 1]
    if (!before || before.from + before.chains < from) return
    throw new SpecError(
      'constraints.openings',
      'Two openings of one round meet.',
      'Place them farther apart, or make them narrower.',
    )
  })
  const worked: Unit[] = []
  let at = 0
  for (const { from, chains } of placed) {
    worked.push(...units.slice(at, from), unitOf(stitch, chains))
    at = from + chains
  }
  return stepsFromUnits([...worked, ...units.slice(at)])
}

const unitOf = (stitch: StitchName, chains: number): Unit => ({
  stitch,
  uses: chains,
  makes: chains,
  manner: 'slit',
  kind: 'work',
  step: 0,
  time: 0,
})

/** Steps on top of a round with openings: what stands on its chains is plain. */
export function overOpenings(steps: readonly Step[], below: readonly Step[]): readonly Step[] {
  const chains = spansOf(below)
  if (chains.length === 0) return steps
  let used = 0
  const units = expandSteps(steps).map((unit): Unit => {
    const [from, to] = [used, (used += unit.uses)]
    const over = chains.some((chain) => from < chain.to && to > chain.from)
    if (!over || unit.manner === undefined || unit.manner === 'slit') return unit
    const { times: _, ...op } = plain(unit.stitch)
    return { ...op, kind: 'work', step: unit.step, time: unit.time }
  })
  return stepsFromUnits(units)
}

/** The openings that steps leave. */
export function slitsIn(steps: readonly Step[]): Slit[] {
  const count = stitchesProduced(steps)
  return spansOf(steps).map(({ from, to }) => ({ at: (from + to) / 2 / count, chains: to - from }))
}

/** Where the chains of openings lie in what steps make, by stitches from 0. */
function spansOf(steps: readonly Step[]): { readonly from: number; readonly to: number }[] {
  // Most rounds leave none, and every round that is planned is asked.
  if (!steps.some(({ ops }) => ops.some(({ manner }) => manner === 'slit'))) return []
  let made = 0
  return expandSteps(steps).flatMap(({ makes, manner }) => {
    const from = made
    made += makes
    return manner === 'slit' ? [{ from, to: made }] : []
  })
}
