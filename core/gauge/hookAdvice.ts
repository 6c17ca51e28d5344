import { mm } from '../units/millimetres.ts'
import type { Gauge, StitchSize } from './gauge.ts'
import { HOOKS } from './hooks.ts'

/** A width so near is what was wanted. */
const NEAR = 0.02
const SMALLEST = Math.min(...HOOKS.map(({ millimetres }) => millimetres))
const LARGEST = Math.max(...HOOKS.map(({ millimetres }) => millimetres))

/** Another hook changes w as the root of its size, to within 1.5%: half a millimetre is 4 to 6%. */
const HOOK_SD = 0.015

/** Width of a stitch on another hook, everything else the same: w goes as the root of the hook. */
export const widthOnHook = (w: number, hookNow: number, hook: number): number => w * Math.sqrt(hook / hookNow)

/** A gauge as it is to be expected on another hook; what was known of other stitches is not known of it. */
export function gaugeOnHook({ others: _, ...gauge }: Gauge, hookNow: number, hook: number): Gauge {
  const sized = (size: number) => mm(widthOnHook(size, hookNow, hook))
  const doubt = hook === hookNow ? 0 : HOOK_SD ** 2
  return {
    ...gauge,
    w: sized(gauge.w),
    h: sized(gauge.h),
    varLnW: gauge.varLnW + doubt,
    varLnH: gauge.varLnH + doubt,
    covLnWLnH: gauge.covLnWLnH + doubt,
    hook,
  }
}

export interface HookAdvice {
  /** How the maker's stitches compare: their w over the wanted w. */
  readonly widthAgainstWanted: number
  /** The nearest hook to try; the one in use when no other comes nearer. */
  readonly hook: number
  /** w and h change by this share on that hook. */
  readonly change: number
  /** Stitches over 10 cm that are then to be expected, and their ± (19 times of 20). */
  readonly per10cm: number
  readonly plusMinus: number
  /** Whether the gauge is near enough as it is: within its own doubt, or 2%. */
  readonly keep: boolean
  /** No hook there is comes near: the wanted width lies beyond the largest or the smallest. */
  readonly beyond?: 'largest' | 'smallest'
}

/**
 * Which hook would bring a gauge to a wanted width (mm a stitch): w goes as the root of the hook.
 * Too many stitches ask for a larger hook, too few for a smaller one. Both w and h change with it, so
 * h/w and the flat increase stay: a piece that waves is not cured by a hook.
 */
export function hookAdvice(
  size: Pick<StitchSize, 'w' | 'varLnW'>,
  hookNow: number,
  wantedWidth: number,
): HookAdvice {
  const exact = hookNow * (wantedWidth / size.w) ** 2
  const miss = (hook: number) => Math.abs(Math.log(hook / exact))
  const hook = HOOKS.reduce(
    (best, { millimetres }) => (miss(millimetres) < miss(best) - 1e-9 ? millimetres : best),
    hookNow,
  )
  const change = widthOnHook(1, hookNow, hook) - 1
  const width = size.w * (1 + change)
  const sd = Math.sqrt(size.varLnW + (hook === hookNow ? 0 : HOOK_SD ** 2))
  const off = Math.abs(Math.log(size.w / wantedWidth))
  const near = Math.abs(Math.log(width / wantedWidth)) <= Math.max(NEAR, 2 * sd)
  const beyond =
    near || (exact >= SMALLEST && exact <= LARGEST) ? undefined : exact > LARGEST ? 'largest' : 'smallest'
  return {
    widthAgainstWanted: size.w / wantedWidth,
    hook,
    change,
    per10cm: 100 / width,
    plusMinus: (2 * sd * 100) / width,
    ...(beyond ? { beyond } : {}),
    keep: (hook === hookNow && !beyond) || off <= Math.max(0.02, 2 * Math.sqrt(size.varLnW)),
  }
}
