import {
  cautionsOf,
  familyOf,
  yarnsOf,
  type Caution,
  type Fibre,
  type GaugeRecord,
  type PieceRecord,
  type YarnRecord,
} from '../../core/index.ts'

/** Every fibre in a piece: what its yarns say, or else what its gauge was taken in. */
export function fibresOf(piece: PieceRecord, gauge: GaugeRecord, yarns: readonly YarnRecord[]): Fibre[] {
  const own = yarnsOf(piece.colours).map((id) => yarns.find((yarn) => yarn.id === id)?.fibre ?? 'unknown')
  return [...new Set(own.map((fibre) => (fibre === 'unknown' ? gauge.fibre : fibre)))]
}

/** The cautions that a planned piece calls for. */
export function pieceCautions(
  piece: PieceRecord,
  gauge: GaugeRecord,
  yarns: readonly YarnRecord[],
): Caution[] {
  const { uses, layers, hardware } = piece.fitness
  return cautionsOf({
    uses,
    fibres: fibresOf(piece, gauge, yarns),
    strands: gauge.strands,
    layers,
    hardware,
    onFoot: familyOf(piece.form).onFoot !== undefined,
  })
}
