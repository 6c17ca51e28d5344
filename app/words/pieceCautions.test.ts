import { readFileSync } from 'node:fs'
import type { PieceRecord, ProjectFile } from '../../core/index.ts'
import { fibresOf, pieceCautions } from './pieceCautions.ts'

const demo = JSON.parse(readFileSync('demo/skarn-hut.uzel.json', 'utf8')) as ProjectFile

test('a fibre that melts is warned of when it is only held beside another', () => {
  const trivet = demo.pieces.find(({ id }) => id === 'trivet')!
  const gauge = demo.gauges.find(({ id }) => id === trivet.gaugeId)!
  const held = (beside?: string[]): PieceRecord => ({
    ...trivet,
    colours: [{ fromRound: 1, yarn: 'fog', ...(beside ? { beside } : {}) }],
  })
  expect(fibresOf(held(), gauge, demo.yarns)).toEqual(['cotton'])
  // Bark is an acrylic; the trivet is for hot things.
  expect(fibresOf(held(['bark']), gauge, demo.yarns)).toEqual(['cotton', 'acrylic'])
  const codes = (piece: PieceRecord) => pieceCautions(piece, gauge, demo.yarns).map(({ code }) => code)
  const more = codes(held(['bark'])).filter((code) => !codes(held()).includes(code))
  expect(more.length).toBeGreaterThan(0)
})
