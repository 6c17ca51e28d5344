import clsx from 'clsx'
import type { PieceProgress, YarnRecord } from '../../../core/index.ts'
import { yarnInk } from '../../drawing/yarnInk.ts'
import { useSizes } from '../../ui/useSizes.ts'
import type { Stage } from './useShelfRows.ts'

export const HOUR = 3600

/** Time is length: the axis of all work tapes. */
export function HourAxis({ longest }: { longest: number }) {
  const hours = Math.floor(longest / HOUR)
  const every = Math.ceil(hours / 4)
  return (
    <span className="relative block h-5">
      work
      {Array.from({ length: hours }, (_, index) => index + 1)
        .filter((hour) => hour % every === 0 && hour / (longest / HOUR) > 0.2)
        .map((hour) => (
          <span
            key={hour}
            className="absolute -translate-x-1/2 whitespace-nowrap"
            style={{ left: `${((hour * HOUR) / longest) * 96}%` }}
          >
            {hour} h
          </span>
        ))}
    </span>
  )
}

interface WorkTapeProps {
  readonly progress: PieceProgress
  readonly stage: Stage
  readonly longest: number
}

/** One block a copy, filled as far as it is made; the post is where the hook is. */
export function WorkTape({ progress, stage, longest }: WorkTapeProps) {
  const wide = (progress.secondsInAll / longest) * 96
  const each = 100 / progress.shares.length
  const done = progress.shares.reduce((sum, share) => sum + share, 0) * each
  const begun = stage !== 'planned'
  return (
    <span className="relative block h-[18px]" style={{ width: `${Math.max(4, wide)}%` }}>
      <span className={clsx('absolute inset-0 flex border rule', !begun && 'border-dashed')}>
        {progress.shares.map((share, index) => (
          <span
            key={index}
            className={clsx(
              'relative grow border-r last:border-r-0',
              share === 1 ? 'border-film' : 'rule',
              !begun && 'border-dashed',
            )}
          >
            <span className="absolute inset-y-0 left-0 bg-ink" style={{ width: `${share * 100}%` }} />
          </span>
        ))}
      </span>
      {stage === 'underWay' && (
        <span
          className="absolute -inset-y-1 w-[7px] -translate-x-1/2 border-[1.5px] rule bg-tape"
          style={{ left: `${done}%` }}
        />
      )}
    </span>
  )
}

interface YarnToGoProps {
  readonly progress: Pick<PieceProgress, 'metresLeft'>
  readonly yarns: readonly YarnRecord[]
}

export function YarnToGo({ progress, yarns }: YarnToGoProps) {
  const left = [...progress.metresLeft].filter(([, metres]) => metres >= 0.05)
  const all = left.reduce((sum, [, metres]) => sum + metres, 0)
  const sizes = useSizes()
  if (all === 0) return null
  return (
    <span className="flex items-center justify-between gap-3">
      <span aria-hidden className="flex w-28 gap-1">
        {left.map(([id, metres]) => {
          const { fill, strand } = yarnInk(yarns.find((yarn) => yarn.id === id)?.colour ?? '#FAFCFB')
          return (
            <span
              key={id}
              className="h-3.5 rounded-full border rule"
              style={{
                width: `${Math.max(10, (metres / Math.max(all, 120)) * 100)}%`,
                background: `repeating-linear-gradient(115deg, ${fill} 0 6px, ${strand} 6px 7px)`,
              }}
            />
          )
        })}
      </span>
      <span className="slab text-18 whitespace-nowrap">{sizes.yarn.full(all)}</span>
    </span>
  )
}
