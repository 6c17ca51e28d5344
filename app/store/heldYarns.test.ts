import { readFileSync } from 'node:fs'
import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import { projectFile, writeProjectFile, type PieceRecord, type ProjectFile } from '../../core/index.ts'
import { database } from './database.ts'
import { importFile } from './importing.ts'
import { deleteYarn, duplicateProject, savePiece } from './mutations.ts'
import { recordsOf, removeProjects } from './records.ts'

const demo = JSON.parse(readFileSync('demo/skarn-hut.uzel.json', 'utf8')) as ProjectFile

/** The trivet with Bark, an acrylic, held beside Fog: a strand each. */
async function heldTogether(): Promise<PieceRecord> {
  const piece = (await database.pieces.get('trivet'))!
  const held: PieceRecord = { ...piece, colours: [{ fromRound: 1, yarn: 'fog', beside: ['bark'] }] }
  await savePiece(held)
  return held
}

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()))
  await importFile(demo, 'keepBoth', true)
})

test('a yarn that is only held beside another cannot be taken from under the piece', async () => {
  await heldTogether()
  expect(await deleteYarn('bark')).toBe(false)
  expect(await database.yarns.get('bark')).toBeDefined()
  await removeProjects(['kettle-trivet'])
  expect(await deleteYarn('bark')).toBe(true)
})

test('one project goes out with every yarn held in it, and comes back', async () => {
  await heldTogether()
  const records = await recordsOf(['kettle-trivet'])
  expect(records.yarns.map(({ id }) => id).sort()).toEqual(['bark', 'fog', 'soot'])
  const read = readProjectFile(writeProjectFile(projectFile(records, demo.exportedAt)))
  expect(read).toMatchObject({ ok: true })
  if (!read.ok) return
  await removeProjects(['kettle-trivet'])
  await importFile(read.file, 'keepBoth', false)
  const back = (await database.pieces.toArray()).find(({ colours }) => colours[0]?.beside)
  expect(back!.colours[0]).toEqual({ fromRound: 1, yarn: 'fog', beside: ['bark'] })
})

test('a duplicate shares the yarns held together', async () => {
  await heldTogether()
  const id = await duplicateProject('kettle-trivet')
  const [copy] = (await recordsOf([id])).pieces
  expect(copy!.colours).toEqual([{ fromRound: 1, yarn: 'fog', beside: ['bark'] }])
})
