import { readFileSync } from 'node:fs'
import Ajv from 'ajv/dist/2019.js'
import { pin } from '../plan/pinnedPlan.ts'
import type { Plan } from '../plan/plan.ts'
import { planPiece } from '../plan/planPiece.ts'
import { withEvenRound } from '../plan/workedOtherwise.ts'
import { jsonSchemaText } from '../../tools/jsonSchema.ts'
import { readProjectFile } from './readProjectFile.ts'
import { writeProjectFile } from './writeProjectFile.ts'

const demoText = readFileSync('demo/skarn-hut.uzel.json', 'utf8')
const published = readFileSync('docs/uzel-file.schema.json', 'utf8')

test('the published JSON Schema is the one files are read by', () => {
  expect(published).toBe(jsonSchemaText())
})

test('the demo workshop passes both, and is written as Uzel writes', () => {
  const read = readProjectFile(demoText)
  expect(read).toMatchObject({ ok: true })
  if (!read.ok) return
  expect(writeProjectFile(read.file)).toBe(demoText)
  const validate = new Ajv({ strict: false, validateFormats: false }).compile(JSON.parse(published))
  expect(validate(JSON.parse(demoText))).toBe(true)
  expect(validate({ ...(JSON.parse(demoText) as object), pieces: [{ id: 1 }] })).toBe(false)
})

test('the demo is the kitchen of the hut: a trivet under way, eight mats with three made and one half, a sleeve, a cap, a basket, a ball, handle sleeves, a cover, booties, a case, a pouch, a pot rest, bed socks, a pot holder, a mat with points and one from the hut book to come', () => {
  const read = readProjectFile(demoText)
  if (!read.ok) throw new Error('The demo cannot be read.')
  const { projects, pieces, copies, planVersions } = read.file
  // A hinge; two layers, and the two ends of a loop.
  expect(projects.flatMap(({ finish }) => (finish ? [finish.joints.length] : []))).toEqual([1, 3])
  expect(
    pieces.map(({ form, quantity }) => [form.family, Object.values(form)[1] as unknown, quantity]),
  ).toEqual([
    ['disc', 220, 1],
    ['disc', 110, 8],
    ['tube', 251, 1],
    ['cap', 570, 1],
    ['vessel', 240, 1],
    ['ball', 120, 1],
    ['vessel', 38, 2],
    ['vessel', 95, 1],
    ['bootie', 105, 2],
    ['case', 90, 1],
    ['case', 90, 1],
    ['pouch', 95, 1],
    ['wedge', 105, 1],
    ['sock', 250, 2],
    ['disc', 180, 2],
    ['strap', 20, 1],
    ['disc', 240, 1],
    ['disc', 135, 1],
  ])
  expect(copies.filter(({ pieceId, finishedAt }) => pieceId === 'mats' && finishedAt)).toHaveLength(3)
  // Pinned plans are what the core computes today; run `npm run demo` after changing the core.
  const kept = (plan: Plan) => JSON.parse(JSON.stringify(pin(plan))) as unknown
  const firsts = planVersions.filter(({ version }) => version === 1)
  for (const { spec, plan } of firsts) expect(kept(planPiece(spec))).toEqual(plan)
  // The first bootie has a round more, and so has the other one, which is its mirror image.
  const otherwise = planVersions.filter(({ version }) => version > 1)
  expect(otherwise.map(({ pieceId, version }) => [pieceId, version])).toEqual([
    ['booties', 2],
    ['booties', 3],
  ])
  for (const { spec, plan } of otherwise) {
    const more = withEvenRound(spec, planPiece(spec), 20)!
    expect(plan.rounds.map(({ steps, yarn }) => [steps, yarn])).toEqual(
      more.plan.rounds.map(({ steps, yarn }) => [steps, yarn]),
    )
  }
})
