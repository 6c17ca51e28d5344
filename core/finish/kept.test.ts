import { faultsOfReferences } from '../exchange/faultsOfReferences.ts'
import { readProjectFile } from '../exchange/readProjectFile.ts'
import type { Records } from '../exchange/records.ts'
import { withFreshIds } from '../exchange/withFreshIds.ts'
import { projectFile, writeProjectFile } from '../exchange/writeProjectFile.ts'
import { smallWorkshop } from '../testing/smallWorkshop.ts'
import { spreadMotifs } from '../rounds/edge.ts'
import { USUAL_MOTIFS, usualMotif } from '../rounds/motif.ts'
import { unfinished, type Finish } from './finish.ts'
import type { SmallPart } from './smallParts.ts'

const FINISH: Finish = {
  joints: [
    {
      id: 'around',
      way: 'throughBoth',
      edges: [
        { pieceId: 'piece', copy: 1, of: 'last', from: 0, count: 42 },
        { pieceId: 'piece', copy: 2, of: 'last', from: 0, count: 42 },
      ],
      filledThrough: 9,
    },
  ],
  steps: [{ id: 'mine', kind: 'mark', name: 'Mark the loop', pieces: ['piece'] }],
  order: ['make:piece', 'mine', 'join:around'],
  links: [['mine', 'join:around']],
  done: ['mine'],
}
const plain = smallWorkshop()
const joined: Records = { ...plain, projects: plain.projects.map((one) => ({ ...one, finish: FINISH })) }
const NOW = '2026-11-24T08:00:00.000Z'

test('how pieces become one is read back as it was written', () => {
  const file = projectFile(joined, NOW)
  expect(readProjectFile(writeProjectFile(file))).toEqual({
    ok: true,
    file: JSON.parse(JSON.stringify(file)),
  })
})

test('motifs, places, a count to end with and every small part are read back; what cannot be has a path', () => {
  const parts: readonly SmallPart[] = [
    { kind: 'cord', long: 300, firm: true },
    { kind: 'loop', opening: 25, over: false },
    { kind: 'braid', long: 250, strands: 9 },
    { kind: 'tassel', long: 80, turns: 25 },
    { kind: 'pompom', across: 50 },
    { kind: 'dot', stitches: 12 },
  ]
  const steps = parts.map((part, index) => ({
    id: `part${index}`,
    kind: 'part' as const,
    name: part.kind,
    pieces: ['piece'],
    part,
  }))
  const constraints = {
    lastCount: 60,
    places: [{ name: 'eye', kind: 'hole' as const, along: 40.5, at: 0.25, mirrored: true }],
    edge: {
      motifs: spreadMotifs(USUAL_MOTIFS.map((kind) => ({ name: kind, ops: usualMotif(kind) }))),
      mirrored: false,
      axis: 0.25,
      alike: true,
    },
  }
  const full: Records = {
    ...joined,
    projects: joined.projects.map((one) => ({
      ...one,
      finish: { ...FINISH, steps, photo: 'data:image/jpeg;base64,/9j/4AAQ' },
    })),
    pieces: joined.pieces.map((piece) => ({ ...piece, constraints })),
  }
  const file = projectFile(full, NOW)
  const read = readProjectFile(writeProjectFile(file))
  expect(read).toEqual({ ok: true, file: JSON.parse(JSON.stringify(file)) })
  const tooLong = writeProjectFile(file).replace(/"long":\s*300\b/, '"long":300000')
  expect(readProjectFile(tooLong)).toMatchObject({ ok: false })
  const script = writeProjectFile(file).replace('data:image/jpeg;base64,/9j', 'data:text/html,<p>')
  expect(readProjectFile(script)).toMatchObject({ ok: false })
  // A duplicate is another thing: its photo is not taken along.
  expect(unfinished(file.projects[0]!.finish!).photo).toBeUndefined()
})

test('under fresh ids joints and steps are those of the pieces beside them', () => {
  let next = 0
  const fresh = withFreshIds(joined, () => `fresh${next++}`)
  const [{ id }] = fresh.pieces as [Records['pieces'][number]]
  const finish = fresh.projects[0]!.finish!
  const joint = finish.joints[0]!
  expect(joint.edges.map(({ pieceId }) => pieceId)).toEqual([id, id])
  expect(joint.id).not.toBe('around')
  const own = finish.steps[0]!
  expect(own.pieces).toEqual([id])
  expect(finish.order).toEqual([`make:${id}`, own.id, `join:${joint.id}`])
  expect(finish.links).toEqual([[own.id, `join:${joint.id}`]])
  expect(finish.done).toEqual([own.id])
  expect([...faultsOfReferences(projectFile(fresh, NOW))]).toEqual([])
})

test('a joint with a piece of another project is refused with its path', () => {
  const [joint] = FINISH.joints
  const strange = {
    ...FINISH,
    joints: [{ ...joint!, edges: [joint!.edges[0], { ...joint!.edges[1], pieceId: 'other' }] as const }],
    steps: [{ ...FINISH.steps[0]!, pieces: ['other'] }],
  }
  const faults = [
    ...faultsOfReferences(
      projectFile({ ...joined, projects: [{ ...joined.projects[0]!, finish: strange }] }, NOW),
    ),
  ]
  expect(faults.map(({ path }) => path)).toEqual([
    'projects[0].finish.joints[0].edges[1].pieceId',
    'projects[0].finish.steps[0].pieces[0]',
  ])
})
