import { validatePlaces } from './places.ts'
import { hasEdging, repeatOfEdging, validateEdge } from './edging.ts'
import { lengthOf, stitchOf } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { familyOf } from '../forms/registry.ts'
import { BODY_STITCHES, flatIncrease, STITCHES } from '../stitches/stitch.ts'
import { commonMultiple, multipleAt, repeatIn } from './pacedCounts.ts'
import type { Constraints, PieceSpec, Start } from './plan.ts'
import { validateGiven } from './planGiven.ts'
import { validateOpenings } from './openings.ts'
import { validateZones } from './ownZones.ts'
import { validateAccents, validateTextures } from './validateTextures.ts'
import { afterwardsIn } from './rowsAfter.ts'
import { gaugesOf, stitchIn } from './sectionWork.ts'
import { foundationOf, maySplit, partsOf, sectionsOf, sizesOf } from './wantedAround.ts'

/**
 * Refuses what cannot be planned, before any computing.
 * @throws SpecError with the path of the field and what would be valid
 */
export function validateSpec(spec: PieceSpec): void {
  validateWanted(spec)
  const { gauge, pace } = spec
  if (!(gauge.w > 0 && gauge.h > 0)) {
    throw new SpecError('gauge', 'The gauge is missing.', 'Work 12 sts by 12 rounds and measure them.')
  }
  if (!(pace >= 1 && pace <= 120)) {
    throw new SpecError(
      'pace',
      `${pace} stitches a minute cannot be.`,
      'From 1 to 120; most people make 12 to 25.',
    )
  }
  // Rounds that are given are as large as they are.
  if (spec.constraints?.given) return
  validateSize(spec)
  validateTextures(spec)
  validateAccents(spec)
  validateSplits(spec)
  validateOpenings(spec)
  validateZones(spec)
  validateFirstCount(spec)
  validateChains(spec)
  validateWallCount(spec)
  validateStrands(spec)
  validateRim(spec)
  validateEdge(spec)
  validatePlaces(spec)
}

/**
 * Refuses what no gauge could plan: the part of a spec that a stored piece has of its own.
 * @throws SpecError as `validateSpec`
 */
export function validateWanted(
  spec: Pick<
    PieceSpec,
    'form' | 'tolerance' | 'stitch' | 'construction' | 'constraints' | 'colours' | 'rhythm'
  >,
): void {
  const { form, tolerance, stitch, construction, constraints, rhythm } = spec
  if (!STITCHES[stitch]?.bodied) {
    throw new SpecError(
      'stitch',
      'No fabric can be made of this stitch.',
      `Use ${BODY_STITCHES.map(stitchOf).join(', ')}.`,
    )
  }
  if (!(tolerance >= 0)) {
    throw new SpecError('tolerance', 'A tolerance cannot be less than nothing.', 'From 0 up.')
  }
  if (!(rhythm >= 0 && rhythm <= 1)) {
    throw new SpecError('rhythm', 'Rhythm is out of range.', 'From 0 (precise) to 1 (even).')
  }
  const { start } = construction
  const starts = familyOf(form).starts(form)
  if (!starts.includes(start.kind)) {
    throw new SpecError('construction.start', 'This form cannot begin so.', HOW_IT_BEGINS[starts[0]!])
  }
  if (
    start.kind === 'chainRing' &&
    !(Number.isInteger(start.chains) && start.chains >= 3 && start.chains <= 60)
  ) {
    throw new SpecError(
      'construction.start',
      `A ring of ${start.chains} chains cannot be used.`,
      'From 3 to 60 chains.',
    )
  }
  validateConstraints(constraints)
  validateColours(spec)
  validateGiven(spec)
}

const HOW_IT_BEGINS: Readonly<Record<Start['kind'], string>> = {
  magicRing: 'It begins in the middle, in a ring or a chain of two.',
  chainTwo: 'It begins in the middle, in a chain of two or a ring.',
  chainRing: 'It begins in a ring of chains.',
  joinedChain: 'So open it begins on a chain joined into a ring.',
  chain: 'It begins on a chain, and is turned at its end.',
  chainAlong: 'It begins along a chain, worked on both of its sides.',
}

function validateColours({ colours }: Pick<PieceSpec, 'colours'>): void {
  if (colours.length === 0 || colours[0]!.fromRound !== 1) {
    throw new SpecError('colours', 'Round 1 has no yarn.', 'The first yarn begins at round 1.')
  }
  if (colours.some(({ fromRound }, index) => index > 0 && fromRound <= colours[index - 1]!.fromRound)) {
    throw new SpecError(
      'colours',
      'Two yarns begin at the same round.',
      'Each yarn begins after the one before it; hold two together as one choice.',
    )
  }
}

function validateConstraints(constraints: Constraints | undefined): void {
  for (const round of constraints?.evenRounds ?? []) {
    if (!Number.isInteger(round) || round < 2) {
      throw new SpecError(
        'constraints.evenRounds',
        `Round ${round} cannot be kept even.`,
        'Rounds from 2 on.',
      )
    }
  }
  for (const { fromRound, of } of constraints?.multiples ?? []) {
    if (!Number.isInteger(of) || of < 2 || of > 24 || !Number.isInteger(fromRound) || fromRound < 1) {
      throw new SpecError(
        'constraints.multiples',
        `Counts cannot be held to multiples of ${of}.`,
        'From 2 to 24.',
      )
    }
  }
  const first = constraints?.firstCount
  const of = multipleAt(constraints, 1)
  if (first !== undefined && first % of !== 0) {
    const below = of * Math.floor(first / of)
    throw new SpecError(
      'constraints.firstCount',
      `${first} stitches in round 1 do not divide by ${of}, as its repeat asks.`,
      below > 0 ? `${below} or ${below + of}.` : `${of}.`,
    )
  }
}

function validateFirstCount({ constraints, gauge }: PieceSpec): void {
  const first = constraints?.firstCount
  if (first === undefined || (Number.isInteger(first) && first >= 3 && first <= 400)) return
  throw new SpecError(
    'constraints.firstCount',
    `Round 1 cannot have ${first} stitches.`,
    `A whole number; in this stitch about ${Math.round(flatIncrease(gauge.w, gauge.h))}.`,
  )
}

/** A chain may be settled on so much shorter or longer than the length asks; more than that is another size. */
const CHAIN_GIVES = 0.25
const FEWEST_CHAINS = 3

/** How many chains an oval may be settled on, by its length. */
function validateChains(spec: PieceSpec): void {
  const { chains, ...others } = spec.constraints ?? {}
  const asked = foundationOf({ ...spec, constraints: others })
  if (chains === undefined || !asked) return
  const gives = Math.max(2, CHAIN_GIVES * asked.chains)
  const [least, most] = [
    Math.max(FEWEST_CHAINS, Math.ceil(asked.chains - gives)),
    Math.floor(asked.chains + gives),
  ]
  if (Number.isInteger(chains) && chains >= least && chains <= most) return
  throw new SpecError(
    'constraints.chains',
    `${chains} chains are ${chains < least ? 'too short' : 'too long'} for the length that this has.`,
    `From ${least} to ${most} in this gauge, ${asked.chains} by the length; or change the length.`,
  )
}

/** A wall is settled on so much less or more than its girth asks at the most; more than that is another size. */
const WALL_GIVES = 0.25

/** How many stitches a wall may be settled on: by its girth, and by what it repeats. */
function validateWallCount(spec: PieceSpec): void {
  const asked = spec.constraints?.wallCount
  if (asked === undefined) return
  const path = 'constraints.wallCount'
  const sections = sectionsOf(spec)
  const wall = sections.find(({ even, lip }) => even && !lip)
  if (!wall) {
    throw new SpecError(path, 'No part of this goes around with one count.', 'Leave this empty.')
  }
  const ideal =
    wall.guide.perimeter(0) / gaugesOf(spec)({ section: wall.id, stitch: stitchIn(spec, wall.id) }).w
  const [least, most] = [Math.ceil((1 - WALL_GIVES) * ideal), Math.floor((1 + WALL_GIVES) * ideal)]
  if (!(Number.isInteger(asked) && asked >= least && asked <= most)) {
    throw new SpecError(
      path,
      `${asked} stitches do not go around what this is for.`,
      `From ${least} to ${most} stitches; or change its size.`,
    )
  }
  const ends = wall === sections.at(-1) ? repeatOfEdging(spec) : 1
  const of = commonMultiple(repeatIn(spec.sections, wall.id), ends)
  if (asked % of === 0) return
  const below = of * Math.floor(asked / of)
  throw new SpecError(
    path,
    `${asked} stitches do not divide by ${of}, as what is worked in them asks.`,
    `${below} or ${below + of}.`,
  )
}

/** An edging goes all around, and leaves no edge for what is worked on a part of it. */
function validateRim(spec: PieceSpec): void {
  if (!hasEdging(spec) || !afterwardsIn(spec).some(({ on }) => on !== 'rowEnds')) return
  throw new SpecError(
    spec.constraints?.edge ? 'constraints.edge' : 'construction.rim',
    'What is worked on a part of the edge cannot stand on an edging.',
    'No edging here; edge it once its flaps are there.',
  )
}

function validateStrands({ colours, gauge: { strands } }: PieceSpec): void {
  for (const { beside = [] } of colours) {
    if (beside.length < strands) continue
    throw new SpecError(
      'colours',
      `${beside.length + 1} yarns cannot be held in ${strands === 1 ? 'one strand' : `${strands} strands`}.`,
      'Set the strands of the gauge to as many as are held together.',
    )
  }
}

/** Where parts are worked otherwise from somewhere on: in a part that can be, with a round or more on either side. */
function validateSplits(spec: PieceSpec): void {
  const parts = partsOf(spec)
  for (const { part, along } of spec.constraints?.splits ?? []) {
    const found = parts.find(({ id }) => id === part)
    if (!found || !maySplit(found, parts)) {
      throw new SpecError(
        'constraints.splits',
        'This part cannot be worked otherwise from somewhere on.',
        'Take the change out.',
      )
    }
    const { length } = found.guide
    if (along > 0 && along < length) continue
    throw new SpecError(
      'constraints.splits',
      `A change ${lengthOf(along)} along is beyond its part of the piece.`,
      `Up to ${lengthOf(Math.floor(length))}.`,
    )
  }
}

function validateSize({ form, stitch, gauge, construction }: PieceSpec): void {
  familyOf(form).validate(form, sizesOf({ stitch, gauge, construction }))
}
