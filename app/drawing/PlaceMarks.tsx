import { placesIn, type Constraints, type PlaceInRound } from '../../core/index.ts'
import { placeName } from '../words/placeWords.ts'
import { placeIn, type Point, type View } from './views/view.ts'

/** Px of a mark, from it to its name, and from one to the next that is told at the same place. */
const [RADIUS, BESIDE, APART] = [6, 10, 20]

/** Where something goes: a ring at its stitch with its name; of what a drawing does not show at the end of its row. */
export function PlaceMarks({
  view,
  constraints,
}: {
  readonly view: View
  readonly constraints: Constraints
}) {
  const places = placesIn(view.plan, { constraints })
  const isShown = ({ at, round }: PlaceInRound) => view.shows(at, at, view.plan.rounds[round - 1]!.at.arc)
  const hidden = places.filter((one) => !isShown(one))
  return (
    <g pointerEvents="none">
      {places.filter(isShown).map((one) => (
        <Mark
          key={keyOf(one)}
          at={placeIn(view, view.plan.rounds[one.round - 1]!, one.at)}
          name={placeName(one)}
        />
      ))}
      {hidden.map((one, index) => {
        const end = view.rowEnd?.(view.plan.rounds[one.round - 1]!)
        if (!end) return null
        const above = hidden.slice(0, index).filter(({ round }) => round === one.round).length
        const at = { x: end.x + BESIDE, y: end.y + above * APART }
        return <Mark key={keyOf(one)} at={at} name={`${placeName(one)}, st ${one.stitch}`} behind />
      })}
    </g>
  )
}

const keyOf = ({ index, half = 0 }: PlaceInRound): string => `${index}-${half}`

function Mark({ at: { x, y }, name, behind = false }: { at: Point; name: string; behind?: boolean }) {
  return (
    <>
      <circle
        cx={x}
        cy={y}
        r={RADIUS}
        fill="var(--color-film)"
        stroke="var(--color-ink)"
        strokeWidth={behind ? 1.6 : 3}
        strokeDasharray={behind ? '3 2.5' : undefined}
      />
      <text
        x={x + BESIDE}
        y={y + 5}
        className="slab text-16"
        fill="var(--color-ink)"
        stroke="var(--color-film)"
        strokeWidth={4}
        paintOrder="stroke"
      >
        {name}
      </text>
    </>
  )
}
