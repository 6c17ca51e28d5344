import {
  FIBRES,
  hookLetter,
  type GaugeRecord,
  type PieceSpec,
  type Plan,
  type YarnRecord,
} from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { sayAllPromised } from './measureWords.ts'
import { duration } from './wording.ts'

interface Told {
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly gauge: GaugeRecord
  readonly yarns: readonly YarnRecord[]
}

/** What a pattern says above its rounds: its size, gauge, hook, yarn and time. */
export function patternHead({ plan, spec, gauge, yarns }: Told, sizes: Sizes): string[] {
  const over = sizes.gaugeOver.millimetres
  const letter = hookLetter(gauge.hook)
  const used = plan.yarn.map(({ yarn: id, metres }) => {
    const yarn = yarns.find((one) => one.id === id)
    const fibre = yarn && yarn.fibre !== 'unknown' ? `, ${FIBRES[yarn.fibre].name}` : ''
    return `${yarn?.name ?? 'yarn'}${fibre}, ${sizes.yarn.full(metres)}`
  })
  return [
    `Size: ${sayAllPromised(plan.finished.promises, sizes)}`,
    `Gauge: ${(over / spec.gauge.w).toFixed(1)} sts by ${(over / spec.gauge.h).toFixed(1)} rnds in ${sizes.gaugeOver.label}`,
    `Hook: ${gauge.hook} mm${letter ? ` (${letter})` : ''}`,
    `Yarn: ${used.join('; ')}`,
    `Note: about ${duration(plan.seconds)} of work.`,
  ]
}
