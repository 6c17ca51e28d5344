import { lengthOf } from '../errors/sentence.ts'
import { SpecError } from '../errors/specError.ts'
import { validateDisc } from './validateDisc.ts'
import { meanOf } from '../lay/measures.ts'
import type { CountOver, Evidence, RoundEvidence } from './evidence.ts'
import { gaugeFromTable, type YarnAndHook } from './gaugeFromTable.ts'
import { guessMeant } from './guessMeant.ts'

/** No yarn makes stitches outside these, mm. */
const FINEST = 0.8
const COARSEST = 80

/**
 * Refuses what no fabric can measure. Paths are those of the evidence: `stitches`, `rounds`, `along`,
 * `out`, `across`, `counts`, `edge`.
 * @throws SpecError with what was probably meant, where that can be told from the label
 */
export function validateEvidence(evidence: Evidence, yarn: YarnAndHook): void {
  const label = gaugeFromTable(evidence.stitch, yarn)
  switch (evidence.kind) {
    case 'swatch': {
      const { stitches, rounds, worked } = evidence
      validateCount('stitches', 'sts', stitches, label.w)
      validateCount('rounds', worked, rounds, label.h)
      validateRatio(stitches, rounds, 'rounds')
      return
    }
    case 'marks': {
      const { along, out } = evidence
      if (!along && !out) {
        throw new SpecError(
          'along',
          'Nothing is counted yet.',
          'Count stitches along a round, rounds outward, or both.',
        )
      }
      if (along) validateCount('along', 'sts', along, label.w)
      if (out) validateCount('out', 'rounds', out, label.h)
      if (along && out) validateRatio(along, out, 'out')
      return
    }
    case 'round':
      validateRoundSwatch(evidence, label.h)
  }
}

function validateCount(path: string, what: string, { count, over }: CountOver, expected: number): void {
  if (!(count > 0)) {
    throw new SpecError(path, `A swatch has more than 0 ${what}.`, 'Count them over the length.')
  }
  if (!(over > 0)) {
    throw new SpecError(path, 'Counted over no length.', 'Measure how far the counted stretch reaches.')
  }
  const size = over / count
  if (size >= FINEST && size <= COARSEST) return
  const said = `${count} ${what} in ${lengthOf(over)} would be ${size < FINEST ? lengthOf(size) : lengthOf(size)} each`
  const meant = guessMeant(size, expected)
  const guess =
    meant === undefined
      ? size < FINEST
        ? `Up to ${Math.floor(over / FINEST)}. Was it counted over a longer stretch?`
        : `At least ${Math.ceil(over / COARSEST)}. Is the length right?`
      : `Did you mean ${Number((count / meant.factor).toPrecision(3))} ${what}, or ${lengthOf(over * meant.factor)}?`
  throw new SpecError(
    path,
    `${said}: ${size < FINEST ? 'finer than sewing thread' : 'thicker than any yarn'}.`,
    guess,
  )
}

function validateRatio(along: CountOver, out: CountOver, path: string): void {
  const ratio = out.over / out.count / (along.over / along.count)
  if (ratio >= 0.2 && ratio <= 5) return
  throw new SpecError(
    path,
    `A stitch would be ${ratio.toFixed(1)} times as tall as wide.`,
    'Check both counts and the lengths they were counted over.',
  )
}

function validateRoundSwatch({ counts, across, edge }: RoundEvidence, height: number): void {
  if (counts.length < 2 || counts.some((count) => !(Number.isInteger(count) && count >= 3))) {
    throw new SpecError('counts', 'A round swatch has at least 2 rounds of 3 stitches or more.', 'Work 9.')
  }
  validateDisc(across, edge)
  const mean = meanOf(across)
  const size = mean / 2 / counts.length
  if (size < FINEST || size > COARSEST) {
    const meant = guessMeant(size, height)
    throw new SpecError(
      'across',
      `${lengthOf(mean)} over ${counts.length} rounds would make a round ${lengthOf(size)} tall.`,
      meant ? `Did you mean ${lengthOf(mean * meant.factor)}?` : 'Check the rounds and the length.',
    )
  }
}

/**
 * A sentence that asks whether evidence far from the label was meant so, with what it would be otherwise;
 * nothing where it is in reach of the label.
 */
export function questionOf(evidence: Evidence, yarn: YarnAndHook): string | undefined {
  const label = gaugeFromTable(evidence.stitch, yarn)
  const asked = (
    size: number,
    expected: number,
    what: string,
    typed: number,
    unit: (value: number) => string,
  ) => {
    const meant = guessMeant(size, expected)
    return (
      meant &&
      `A ${what} of ${lengthOf(size)} is far from the ${lengthOf(expected)} this yarn and hook usually give. ` +
        `Did you mean ${unit(typed * meant.factor)} ${meant.reason}?`
    )
  }
  const pairs: readonly (readonly [CountOver | undefined, number, string])[] =
    evidence.kind === 'swatch'
      ? [
          [evidence.stitches, label.w, 'stitch'],
          [evidence.rounds, label.h, 'round'],
        ]
      : evidence.kind === 'marks'
        ? [
            [evidence.along, label.w, 'stitch'],
            [evidence.out, label.h, 'round'],
          ]
        : [
            [
              {
                count: 2 * evidence.counts.length,
                over: meanOf(evidence.across),
              },
              label.h,
              'round',
            ],
          ]
  for (const [pair, expected, what] of pairs) {
    const question = pair && asked(pair.over / pair.count, expected, what, pair.over, lengthOf)
    if (question) return question
  }
  return undefined
}
