import { yarnsIn, type HeldYarns, type YarnRecord } from '../../../core/index.ts'

interface YarnInHandProps {
  readonly held: HeldYarns
  readonly yarns: readonly YarnRecord[]
}

/** Which yarn is on the hook, where a piece has several: its colour and its name. */
export function YarnInHand({ held, yarns }: YarnInHandProps) {
  const here = yarnsIn(held).flatMap((id) => yarns.find((yarn) => yarn.id === id) ?? [])
  if (here.length === 0) return null
  return (
    <span className="flex flex-wrap items-center gap-x-4 text-[clamp(0.875rem,6cqh,1.75rem)] leading-tight max-sm:text-[clamp(0.875rem,3.6cqh,1.25rem)]">
      <span className="visually-hidden">On the hook: </span>
      {here.map(({ id, name, colour }) => (
        <span key={id} className="flex items-center gap-2">
          <svg aria-hidden viewBox="0 0 40 20" className="h-[0.8em] w-auto">
            <rect
              x={1.5}
              y={1.5}
              width={37}
              height={17}
              rx={8.5}
              fill={colour}
              className="stroke-ink"
              strokeWidth={3}
            />
          </svg>
          {name}
        </span>
      ))}
    </span>
  )
}
