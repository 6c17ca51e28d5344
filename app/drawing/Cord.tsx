import { yarnInk } from './yarnInk.ts'

interface CordProps {
  readonly colour: string
  /** Length against the longest, 0 to 1; dashed and short when it is not known. */
  readonly share: number | undefined
}

/** Yarn as a cord whose length is what there is of it. */
export function Cord({ colour, share }: CordProps) {
  const { fill, strand } = yarnInk(colour)
  return (
    <span
      aria-hidden
      className={`block h-4 overflow-hidden rounded-full border rule ${share === undefined ? 'border-dashed' : ''}`}
      style={{
        width: `${Math.max(8, (share ?? 0.2) * 100)}%`,
        background: `repeating-linear-gradient(115deg, ${fill} 0 7px, ${strand} 7px 8px)`,
      }}
    />
  )
}
