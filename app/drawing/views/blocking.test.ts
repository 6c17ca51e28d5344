import fc from 'fast-check'
import { planPiece } from '../../../core/index.ts'
import { capSpec, discSpec, tubeSpec, vesselSpec } from '../../../core/testing/specs.ts'
import { blockingOutline, OVERLAP, SHEET, sheetsFor } from './blocking.ts'

const promised = (plan: ReturnType<typeof planPiece>, of: string) =>
  plan.finished.promises.find((promise) => promise.of === of)!.value

test('an outline is as large as the tape will find the piece, by closed forms', () => {
  const disc = planPiece(discSpec(220))
  const flat = blockingOutline(disc, false, false)
  expect(flat.width).toBeCloseTo(promised(disc, 'across'), 1)
  expect(flat.height).toBeCloseTo(flat.width, 0)
  // A tube laid flat is half as wide as it goes around.
  const tube = planPiece(tubeSpec({ girth: 300, length: 140 }))
  const folded = blockingOutline(tube, false, false)
  expect(folded.folded).toBe(true)
  expect(folded.width).toBeCloseTo(promised(tube, 'width'), 0)
  expect(folded.height).toBeCloseTo(promised(tube, 'length'), 0)
  const cap = planPiece(capSpec({ brim: 'plain' }))
  expect(Math.abs(blockingOutline(cap, false, true).width / promised(cap, 'width') - 1)).toBeLessThan(0.1)
  const basket = planPiece(vesselSpec({}))
  expect(blockingOutline(basket, true, false).folded).toBe(true)
})

test('sheets cover any outline, overlap by as much as is said, and none is empty', () => {
  const size = fc.double({ min: 20, max: 1500, noNaN: true })
  fc.assert(
    fc.property(size, size, (width, height) => {
      const sheets = sheetsFor({ width, height })
      const last = sheets.at(-1)!
      expect(last.x + SHEET.width).toBeGreaterThanOrEqual(width - 1e-6)
      expect(last.y + SHEET.height).toBeGreaterThanOrEqual(height - 1e-6)
      for (const { x, y, row, column } of sheets) {
        expect(x).toBe(column * (SHEET.width - OVERLAP))
        expect(y).toBe(row * (SHEET.height - OVERLAP))
        // It shows something that the one before it does not.
        if (column > 0) expect(x + OVERLAP).toBeLessThan(width)
        if (row > 0) expect(y + OVERLAP).toBeLessThan(height)
      }
      expect(sheets).toHaveLength((last.row + 1) * (last.column + 1))
    }),
  )
})
