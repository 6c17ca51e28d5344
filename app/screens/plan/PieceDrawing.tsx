import type { ReactNode } from 'react'
import type { PieceSpec } from '../../../core/index.ts'
import { PlanDrawing, type Handle } from '../../drawing/PlanDrawing.tsx'
import type { LeaderTo } from '../../drawing/PlanOverlay.tsx'
import type { View } from '../../drawing/views/view.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { pulledSize, type PlanModel } from './planModel.ts'

interface PieceDrawingProps {
  readonly model: PlanModel
  readonly spec: PieceSpec
  readonly viewAt: (heldScale?: number) => View
  readonly width: number
  readonly height: number
  readonly lit: number | undefined
  readonly onPoint: (round: number | undefined) => void
  readonly leaderTo?: LeaderTo
  readonly handles?: (view: View) => readonly Handle[]
  readonly children?: (view: View) => ReactNode
}

/** The piece that is planned, in whatever view: in its yarns, its edge there to be pulled. */
export function PieceDrawing({ model, spec, lit, ...drawing }: PieceDrawingProps) {
  const sizes = useSizes()
  const colours = useYarnColours()
  const { piece } = model
  return (
    <PlanDrawing
      {...drawing}
      guess={spec.gauge.certainty === 'guess'}
      yarns={colours}
      fitWords={askingWordsOf(piece.form).fitLine}
      lit={lit}
      constraints={piece.constraints}
      pulled={pulledSize(model, spec, sizes)}
    />
  )
}
