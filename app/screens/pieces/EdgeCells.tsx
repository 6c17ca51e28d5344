import { edgeName, stitchesOf, type EdgesOf, type JointEdge } from '../../../core/index.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole, type ParsedNumber } from '../../ui/parseCount.ts'

interface EdgeCellsProps {
  readonly edge: JointEdge
  readonly edges: readonly EdgesOf[]
  /** What is wrong with a joint that has this edge instead; nothing when it can be. */
  readonly refuse: (edge: JointEdge) => string | undefined
  readonly onChange: (edge: JointEdge) => void
}

/** A stretch of an edge: from which stitch on, and how many. */
export function EdgeCells({ edge, edges, refuse, onChange }: EdgeCellsProps) {
  const piece = edges.find(({ id }) => id === edge.pieceId)
  const all = piece && stitchesOf(piece, edge)
  if (!piece || all === undefined) return null
  const taking =
    (parse: (text: string) => ParsedNumber, changed: (value: number) => JointEdge) =>
    (text: string): ParsedNumber => {
      const parsed = parse(text)
      const problem = parsed.ok ? refuse(changed(parsed.value)) : undefined
      return problem === undefined ? parsed : { ok: false, message: problem }
    }
  const from = (stitch: number): JointEdge => ({ ...edge, from: stitch - 1 })
  const many = (count: number): JointEdge => ({ ...edge, count })
  const name = edgeName(piece, edge)
  return (
    <>
      <NumberCell
        className="border-r border-b rule"
        label={`${name}: from stitch`}
        value={edge.from + 1}
        format={String}
        parse={taking(parseWhole(1, all, 'a stitch'), from)}
        step={1}
        onChange={(stitch) => onChange(from(stitch))}
      />
      <NumberCell
        className="border-r border-b rule"
        label={`${name}: how many`}
        value={edge.count}
        format={String}
        parse={taking(parseWhole(2, all, 'a number of stitches'), many)}
        step={1}
        unit={`of ${all}`}
        onChange={(count) => onChange(many(count))}
      />
    </>
  )
}
