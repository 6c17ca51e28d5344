import { useState } from 'react'
import {
  closesOff,
  edgeName,
  seamInHand,
  stillToGoInside,
  withSeamMade,
  type Joint,
  type SeamInHand,
} from '../../../core/index.ts'
import { stepWords } from '../../words/finishWords.ts'
import type { PiecesModel } from './piecesModel.ts'

export interface SeamModel extends SeamInHand {
  /** What its edges are called. */
  readonly names: readonly string[]
  /** What has still to go inside before it closes. */
  readonly inside: readonly string[]
  /** Counts one more; the last one that would shut something out asks first. */
  readonly one: () => void
  readonly back: () => void
  readonly asks: boolean
  readonly answer: (close: boolean) => void
}

/** A seam as it is counted, on its panel and at the hook alike. */
export function useSeam(model: PiecesModel, joint: Joint): SeamModel {
  const { finish, edges, toFinish, way, change } = model
  const [asks, setAsks] = useState(false)
  const seam = seamInHand(finish, joint)
  const inside = way
    ? stillToGoInside(way, `join:${joint.id}`).map((step) => stepWords(step, edges, finish).name)
    : []
  const count = (to: number) => change(withSeamMade(finish, joint, to))
  const last = seam.made + 1 >= seam.all
  return {
    ...seam,
    names: joint.edges.map((edge) => {
      const piece = edges.find(({ id }) => id === edge.pieceId)
      return piece ? edgeName(piece, edge) : ''
    }),
    inside,
    one: () => {
      if (!seam.next) return
      if (last && inside.length > 0 && closesOff(joint, toFinish)) setAsks(true)
      else count(seam.made + 1)
    },
    back: () => seam.made > 0 && count(seam.made - 1),
    asks,
    answer: (close) => {
      setAsks(false)
      if (close) count(seam.made + 1)
    },
  }
}
