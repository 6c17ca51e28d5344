import { UNMEASURED_GAUGE, type SwatchEvidence } from '../../../core/index.ts'
import { draftOfSwatch, swatchOf } from './swatchDraft.ts'

const gauge = { ...UNMEASURED_GAUGE, id: 'gauge' }
const taken = { id: 'one', at: 5 }

test('a choice measures nothing: evidence begins when both counts are typed', () => {
  expect(swatchOf({ worked: 'rounds' }, gauge, 100, taken)).toBeUndefined()
  expect(swatchOf({ worked: 'rounds', stitches: 14 }, gauge, 100, taken)).toBeUndefined()
  expect(swatchOf({ stitches: 14, rounds: 15 }, gauge, 100, taken)).toBeUndefined()
  expect(swatchOf({ worked: 'rows', stitches: 14, rounds: 15.25 }, gauge, 100, taken)).toMatchObject({
    ...taken,
    worked: 'rows',
    stitch: gauge.stitch,
    stitches: { count: 14, over: 100 },
    rounds: { count: 15.25, over: 100 },
  })
})

test('the length it is counted over is the usual one until another is typed', () => {
  const over = swatchOf({ worked: 'rounds', stitches: 7, rounds: 7, over: 50 }, gauge, 100, taken)!
  expect([over.stitches.over, over.rounds.over]).toEqual([50, 50])
})

test('a swatch put aside is not what is counted, and the draft stands for it', () => {
  const swatch = swatchOf({ worked: 'rounds', stitches: 14, rounds: 15 }, gauge, 100, taken) as SwatchEvidence
  expect(draftOfSwatch(swatch, {})).toEqual({ worked: 'rounds', stitches: 14, rounds: 15, over: 100 })
  expect(draftOfSwatch({ ...swatch, setAside: true }, { stitches: 14 })).toEqual({ stitches: 14 })
  expect(draftOfSwatch(undefined, { worked: 'rows' })).toEqual({ worked: 'rows' })
})
