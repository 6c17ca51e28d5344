import { familyOf, type Form } from '../forms/registry.ts'
import type { Round } from '../rounds/round.ts'
import type { PieceSpec, Plan } from './plan.ts'
import { theOtherWay } from './zonedSteps.ts'

/** Of what is made in pairs: the foot that a copy is for, the first one left. Nothing of any other form. */
export function sideOfCopy(form: Form, number: number): 'left' | 'right' | undefined {
  return familyOf(form).pair ? (number % 2 === 1 ? 'left' : 'right') : undefined
}

/**
 * What a copy is worked to: the plan of its set; of a pair the other one is its mirror image, round by round, whatever
 * became of the first.
 * @param number which of the set it is, from 1
 */
export function forCopy(
  spec: PieceSpec,
  plan: Plan,
  number: number,
): { readonly spec: PieceSpec; readonly plan: Plan } {
  const { pair } = familyOf(spec.form)
  if (!pair || pair.side(spec.form) === sideOfCopy(spec.form, number)) return { spec, plan }
  return {
    spec: { ...spec, form: pair.other(spec.form) },
    plan: {
      ...plan,
      rounds: plan.rounds.map((round) => ({
        ...round,
        steps: mirroredSteps(round),
        ...(round.zones ? { zones: round.zones.toReversed() } : {}),
      })),
    },
  }
}

/** A texture has a repeat of its own, which is the same both ways. */
const mirroredSteps = ({ steps }: Pick<Round, 'steps'>): Round['steps'] =>
  steps.some(({ ops }) => ops.some(({ manner }) => manner !== undefined)) ? steps : theOtherWay(steps)
