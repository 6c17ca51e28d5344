import type { PieceRecord } from '../exchange/records.ts'
import type { Recognised } from './recognise.ts'

/** What a piece is kept with that is worked as it is written, but for its gauge, its yarns and what it is for. */
export type AsWritten = Pick<PieceRecord, 'form' | 'stitch' | 'construction' | 'constraints' | 'sections'>

export const asWritten = ({
  form,
  stitch,
  construction,
  sections,
  given,
  accents,
}: Recognised): AsWritten => ({
  form: { ...form },
  stitch,
  construction,
  constraints: { given, ...(accents.length > 0 ? { accents } : {}) },
  ...(Object.keys(sections).length > 0 ? { sections } : {}),
})
