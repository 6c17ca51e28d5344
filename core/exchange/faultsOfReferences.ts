import { yarnsIn } from '../yarn/strands.ts'
import type { FileFault } from './fileFault.ts'
import { RECORD_TABLES, type ProjectFile } from './records.ts'

/** Every id once, every id that is named there, and no number given twice. */
export function* faultsOfReferences(file: ProjectFile): Generator<FileFault> {
  for (const table of RECORD_TABLES) {
    yield* twice<{ readonly id: string }>(
      file[table],
      ({ id }) => id,
      (index) => ({
        path: `${table}[${index}].id`,
        message: 'The same id stands twice.',
      }),
    )
  }
  yield* faultsOfProjects(file)
  yield* twice(
    file.planVersions,
    ({ pieceId, version }) => `${pieceId} ${version}`,
    (index) => ({
      path: `planVersions[${index}].version`,
      message: 'The piece has another plan of this version.',
    }),
  )
  yield* twice(
    file.copies,
    ({ pieceId, number }) => `${pieceId} ${number}`,
    (index) => ({
      path: `copies[${index}].number`,
      message: 'The piece has another copy of this number.',
    }),
  )
  yield* faultsOfNames(file)
}

/** A project is made of something. */
function* faultsOfProjects({ projects, pieces }: ProjectFile): Generator<FileFault> {
  const withPiece = new Set(pieces.map(({ projectId }) => projectId))
  for (const [index, { id }] of projects.entries()) {
    if (withPiece.has(id)) continue
    yield { path: `projects[${index}]`, message: 'No piece in the file belongs to this project.' }
  }
}

function* faultsOfNames(file: ProjectFile): Generator<FileFault> {
  const ids = {
    projects: new Set(file.projects.map(({ id }) => id)),
    pieces: new Set(file.pieces.map(({ id }) => id)),
    gauges: new Set(file.gauges.map(({ id }) => id)),
    yarns: new Set(file.yarns.map(({ id }) => id)),
    copies: new Set(file.copies.map(({ id }) => id)),
  }
  function* need(known: ReadonlySet<string>, id: string, path: string): Generator<FileFault> {
    if (!known.has(id)) yield { path, message: `Nothing in the file has the id “${id}”.` }
  }
  for (const [index, { id, finish }] of file.projects.entries()) {
    const its = new Set(file.pieces.filter(({ projectId }) => projectId === id).map((piece) => piece.id))
    for (const [at, { edges }] of (finish?.joints ?? []).entries()) {
      for (const [side, { pieceId }] of edges.entries())
        yield* need(its, pieceId, `projects[${index}].finish.joints[${at}].edges[${side}].pieceId`)
    }
    for (const [at, { pieces }] of (finish?.steps ?? []).entries()) {
      for (const [place, pieceId] of pieces.entries())
        yield* need(its, pieceId, `projects[${index}].finish.steps[${at}].pieces[${place}]`)
    }
  }
  for (const [index, { projectId, gaugeId, sections = {}, colours }] of file.pieces.entries()) {
    yield* need(ids.projects, projectId, `pieces[${index}].projectId`)
    yield* need(ids.gauges, gaugeId, `pieces[${index}].gaugeId`)
    for (const [name, work] of Object.entries(sections)) {
      if (work?.gaugeId !== undefined)
        yield* need(ids.gauges, work.gaugeId, `pieces[${index}].sections.${name}.gaugeId`)
    }
    for (const [run, { yarn, beside = [] }] of colours.entries()) {
      const path = `pieces[${index}].colours[${run}]`
      yield* need(ids.yarns, yarn, `${path}.yarn`)
      for (const [strand, other] of beside.entries())
        yield* need(ids.yarns, other, `${path}.beside[${strand}]`)
    }
  }
  for (const [index, { pieceId, plan, spec }] of file.planVersions.entries()) {
    const path = `planVersions[${index}]`
    yield* need(ids.pieces, pieceId, `${path}.pieceId`)
    for (const [list, runs] of [
      ['spec.colours', spec.colours],
      ['plan.rounds', plan.rounds],
    ] as const) {
      for (const [at, run] of runs.entries()) {
        for (const yarn of yarnsIn(run)) yield* need(ids.yarns, yarn, `${path}.${list}[${at}]`)
      }
    }
  }
  const versions = new Set(file.planVersions.map(({ pieceId, version }) => `${pieceId} ${version}`))
  for (const [index, { pieceId, planVersion }] of file.copies.entries()) {
    yield* need(ids.pieces, pieceId, `copies[${index}].pieceId`)
    if (versions.has(`${pieceId} ${planVersion}`)) continue
    yield { path: `copies[${index}].planVersion`, message: `Plan version ${planVersion} is missing.` }
  }
  for (const table of ['events', 'readings', 'photos'] as const) {
    for (const [index, { copyId }] of file[table].entries()) {
      if (!ids.copies.has(copyId)) yield* need(ids.copies, copyId, `${table}[${index}].copyId`)
    }
  }
}

function* twice<T>(
  records: readonly T[],
  key: (record: T) => string,
  fault: (index: number) => FileFault,
): Generator<FileFault> {
  const seen = new Set<string>()
  for (const [index, record] of records.entries()) {
    const own = key(record)
    if (seen.has(own)) yield fault(index)
    seen.add(own)
  }
}
