import type { Fitness, Use } from '../cautions/use.ts'
import { SpecError } from '../errors/specError.ts'
import type { Form, StoredForm } from '../forms/registry.ts'
import { familyOf } from '../forms/registry.ts'
import type { Joint } from './joint.ts'
import { validateSmallPart, type SmallPart } from './smallParts.ts'
import { orderOf, rulesFor, type FinishingStep, type Link, type StepKind } from './order.ts'

/** A step of the maker's own. */
export interface OwnStep {
  readonly id: string
  readonly kind: StepKind
  readonly name: string
  /** Pieces that it is done with; all of them when none is named. */
  readonly pieces: readonly string[]
  /** Of a part: what it is. */
  readonly part?: SmallPart
}

/** How a project is put together, as the maker wants it. */
export interface Finish {
  readonly joints: readonly Joint[]
  readonly steps: readonly OwnStep[]
  /** Ids of steps in the order wanted, as far as they were placed. */
  readonly order: readonly string[]
  /** The maker's own links: of each pair the first comes before the second. */
  readonly links: readonly (readonly [before: string, after: string])[]
  /** Ids of steps that are done; pieces are done when their copies are. */
  readonly done: readonly string[]
  /** The finished thing: a small JPEG as an address of its own data. */
  readonly photo?: string
}

export const NO_FINISH: Finish = { joints: [], steps: [], order: [], links: [], done: [] }

/** What a project's steps follow from, of each of its pieces. */
export interface PieceToFinish {
  readonly id: string
  readonly form: Form | StoredForm
  readonly quantity: number
  readonly fitness: Fitness
  /** Stitches of the round that it ends with. */
  readonly last: number
  /** All of its copies are finished. */
  readonly made: boolean
}

/** The way of a project to its end. */
export interface WayToFinish {
  readonly order: readonly FinishingStep[]
  readonly links: readonly Link[]
  readonly done: ReadonlySet<string>
  /** The first that is not done. */
  readonly next?: FinishingStep
}

/** So much of an edge has to be joined that no hand goes in any more. */
const CLOSES = 0.9

/** Whether a joint goes along as good as the whole of both edges: what it joins has no way inside after it. */
export function closesOff({ edges }: Joint, pieces: readonly Pick<PieceToFinish, 'id' | 'last'>[]): boolean {
  const allOf = (pieceId: string) => pieces.find(({ id }) => id === pieceId)?.last ?? Infinity
  return edges.every(({ pieceId, of, count }) => of === 'last' && count >= CLOSES * allOf(pieceId))
}

const piecesOf = ({ edges }: Joint): readonly string[] => [...new Set(edges.map(({ pieceId }) => pieceId))]

/** All that there is to do, in no order: what follows from pieces and joints, and the maker's own steps. */
export function stepsFor(
  pieces: readonly PieceToFinish[],
  { joints, steps }: Finish,
): readonly FinishingStep[] {
  const all = pieces.map(({ id }) => id)
  const ofPieces = pieces.flatMap(({ id, form, fitness }): FinishingStep[] => [
    { id: `make:${id}`, kind: 'make', pieces: [id] },
    ...(familyOf(form).lined?.(form as Form)
      ? [{ id: `line:${id}`, kind: 'line', pieces: [id] } as const]
      : []),
    ...(fitness.hardware.some((one) => one !== 'stiffener')
      ? [{ id: `hardware:${id}`, kind: 'hardware', pieces: [id] } as const]
      : []),
    ...(fitness.hardware.includes('stiffener')
      ? [{ id: `stiffen:${id}`, kind: 'stiffen', pieces: [id] } as const]
      : []),
    ...(familyOf(form).onFoot ? [{ id: `tryOn:${id}`, kind: 'tryOn', pieces: [id] } as const] : []),
  ])
  const ofJoints = joints.flatMap((joint): FinishingStep[] => {
    const { id, filledThrough } = joint
    const with_ = { pieces: piecesOf(joint), joint: id }
    return [
      ...(closesOff(joint, pieces)
        ? [{ id: `inside:${id}`, kind: 'weaveInside', pieces: with_.pieces } as const]
        : []),
      { id: `join:${id}`, kind: 'join', ...with_ },
      ...(filledThrough === undefined
        ? []
        : ([
            { id: `fill:${id}`, kind: 'fill', ...with_ },
            { id: `close:${id}`, kind: 'close', ...with_ },
          ] as const)),
    ]
  })
  return [
    ...ofPieces,
    ...ofJoints,
    ...steps.map(({ pieces: own, ...step }) => ({ ...step, pieces: own.length > 0 ? own : all })),
    { id: 'weaveIn', kind: 'weaveIn', pieces: all },
    { id: 'measure', kind: 'measure', pieces: all },
  ]
}

/** Steps after which what they join has no way inside. */
const closing = (pieces: readonly PieceToFinish[], { joints }: Finish): ReadonlySet<string> =>
  new Set(
    joints
      .filter((joint) => closesOff(joint, pieces))
      .map(({ id, filledThrough }) => `${filledThrough === undefined ? 'join' : 'close'}:${id}`),
  )

/**
 * The steps of a project in an order that keeps every rule and every link of the maker's own.
 * @throws SpecError when the maker's links go around in a circle with the rules
 */
export function wayToFinish(pieces: readonly PieceToFinish[], finish: Finish): WayToFinish {
  const steps = stepsFor(pieces, finish)
  const known = new Set(steps.map(({ id }) => id))
  const links: Link[] = [
    ...rulesFor(steps, closing(pieces, finish)),
    ...finish.links
      .filter((pair) => pair.every((id) => known.has(id)))
      .map(([before, after]) => ({ before, after, why: 'own' as const })),
  ]
  const order = orderOf(steps, links, finish.order)
  const made = pieces.filter((piece) => piece.made).map(({ id }) => `make:${id}`)
  const done = new Set([...finish.done.filter((id) => known.has(id) && !id.startsWith('make:')), ...made])
  const next = order.find(({ id }) => !done.has(id))
  return { order, links, done, ...(next ? { next } : {}) }
}

/** What must still be done before a step can be, in order. */
export const waitsFor = ({ order, links, done }: WayToFinish, id: string): readonly FinishingStep[] =>
  order.filter(
    (step) => !done.has(step.id) && links.some(({ before, after }) => before === step.id && after === id),
  )

/** What can no longer be done once a step is: what needs the inside that it closes, and is not done yet. */
export const stillToGoInside = (way: WayToFinish, id: string): readonly FinishingStep[] => {
  const inside = way.links.filter(({ after, why }) => after === id && (why === 'inside' || why === 'open'))
  return way.order.filter((step) => !way.done.has(step.id) && inside.some(({ before }) => before === step.id))
}

/** Who puts things into their mouth. */
const SMALL: readonly Use[] = ['baby', 'childUnderThree', 'pet']

/**
 * A finish with a step of the maker's own more.
 * @throws SpecError when it needs the inside of what is closed already, or puts hardware where it may be swallowed
 */
export function withOwnStep(pieces: readonly PieceToFinish[], finish: Finish, step: OwnStep): Finish {
  const with_ = pieces.filter(({ id }) => step.pieces.length === 0 || step.pieces.includes(id))
  const forSmall = with_.some(({ fitness }) => fitness.uses.some((use) => SMALL.includes(use)))
  if (step.part) validateSmallPart(step.part, forSmall)
  if (step.kind === 'hardware' && forSmall) {
    throw new SpecError(
      'steps',
      'It is for somebody who puts things into their mouth: eyes, buttons and magnets come off and are swallowed.',
      'Embroider it instead.',
    )
  }
  const next = { ...finish, steps: [...finish.steps, step] }
  const way = wayToFinish(pieces, next)
  const closed = way.links.find(
    ({ before, after, why }) => before === step.id && why === 'inside' && way.done.has(after),
  )
  if (closed) {
    throw new SpecError(
      'steps',
      `“${step.name}” needs the inside of what is closed already.`,
      'Mark its joint as not done and open it, or do it from outside.',
    )
  }
  return next
}

/**
 * A finish with one link of the maker's own more: one step before another.
 * @throws CircleError when it closes a circle
 */
export function withOwnLink(
  pieces: readonly PieceToFinish[],
  finish: Finish,
  before: string,
  after: string,
): Finish {
  const next: Finish = { ...finish, links: [...finish.links, [before, after]] }
  wayToFinish(pieces, next)
  return next
}

/** The same joints, steps and order, with nothing done yet. */
export const unfinished = ({ photo: _, ...finish }: Finish): Finish => ({
  ...finish,
  joints: finish.joints.map(({ made: _, ...joint }) => joint),
  done: [],
})

/** Joints and steps without a piece that is no longer there. */
export const withoutPiece = (finish: Finish, pieceId: string): Finish => ({
  ...finish,
  joints: finish.joints.filter(({ edges }) => edges.every((edge) => edge.pieceId !== pieceId)),
  steps: finish.steps.flatMap((step) => {
    if (!step.pieces.includes(pieceId)) return [step]
    const left = step.pieces.filter((id) => id !== pieceId)
    return left.length > 0 ? [{ ...step, pieces: left }] : []
  }),
})
