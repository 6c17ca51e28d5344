import {
  chainsAlong,
  FAMILY_NAMES,
  fieldsOf,
  promisesOf,
  tapeAt,
  usualForm,
  type OutlinePoint,
  type PieceReading,
  type PieceSpec,
  type Plan,
  type StoredForm,
} from '../../core/index.ts'

type Random = () => number

/** A form of any family: lengths around the usual ones, shares and words whatever its fields take. */
export function anyForm(random: Random, family = FAMILY_NAMES[Math.floor(random() * FAMILY_NAMES.length)]!) {
  const values = fieldsOf(family).map((field): [string, unknown] => {
    if (field.kind === 'outline') return [field.key, field.usual.map((point) => anyPoint(point, random))]
    if (field.kind === 'choice')
      return [field.key, field.choices[Math.floor(random() * field.choices.length)]!]
    if (field.kind === 'share') return [field.key, field.least + random() * (field.most - field.least)]
    return [field.key, Math.max(field.least, field.usual * (0.5 + 0.6 * random()))]
  })
  return { family, ...Object.fromEntries(values) } as unknown as StoredForm
}

const anyPoint = ({ across, up }: OutlinePoint, random: Random): OutlinePoint => ({
  across: across * (0.5 + random()),
  up: up * (0.95 + 0.1 * random()),
})

const NO_LENGTHS = [0, -5, 40_000, 1e9, Number.NaN]

/** The same form with one of its lengths as none can be. */
export function noForm(form: StoredForm, random: Random): StoredForm {
  const { family } = form
  const lengths = fieldsOf(family).filter((field) =>
    field.kind === 'length' ? field.least > 0 : field.kind === 'outline',
  )
  const { key, kind } = lengths[Math.floor(random() * lengths.length)]!
  const none = NO_LENGTHS[Math.floor(random() * NO_LENGTHS.length)]!
  const spoiled =
    kind === 'outline'
      ? [
          { across: 90, up: 0 },
          { across: none, up: none },
        ]
      : none
  return { ...usualForm(family), ...form, [key]: spoiled }
}

/** What a tape may find after a round, at every place where one is laid: a few percent off what is promised. */
export function anySeen(
  spec: PieceSpec,
  plan: Plan,
  afterRound: number,
  random: Random,
): Pick<PieceReading, 'seen' | 'edge'> {
  const round = plan.rounds[afterRound - 1]!
  const promises = promisesOf(spec, round)
  const places = tapeAt(spec.form, round.section).filter(({ at }) => at === 'edge')
  const kinds = [...new Set(places.map(({ of }) => of))]
  const seen = kinds.flatMap((of) => {
    const promise = promises.find((one) => one.of === of)
    return promise ? [{ of, at: afterRound, values: [promise.value * (0.94 + random() * 0.12)] }] : []
  })
  const disc = plan.finished.lie && chainsAlong(plan.rounds[0]!) === undefined
  return { seen, ...(disc ? { edge: { kind: 'flat' as const } } : {}) }
}
