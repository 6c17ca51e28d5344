import {
  familyOf,
  formOf,
  gaugesUsed,
  LONGEST_NAME,
  metresAtHand,
  NO_USE_YET,
  newPiece,
  UNMEASURED_GAUGE,
  withFreshIds,
  unfinished,
  withoutPiece,
  yarnsOf,
  type Finish,
  type Fitness,
  type GaugeRecord,
  type PieceRecord,
  type ProjectRecord,
  type Records,
  type StoredForm,
  type WorkshopSettings,
  type Use,
  type YarnRecord,
} from '../../core/index.ts'
import { database, freshId } from './database.ts'
import { readDemo } from './demoRecord.ts'
import { mustFit } from './mustFit.ts'
import { piecesOf, readSettings } from './queries.ts'
import { putRecords, recordsOf, removePieces, removeProjects } from './records.ts'

const DAY_MS = 86_400_000

/** A new piece, and what it is for: a project of its own, or one that is there already. */
export interface PieceToCreate {
  readonly form: StoredForm
  readonly gaugeId?: string
  /** The project's name, or the piece's where it joins a project. */
  readonly name: string
  readonly projectId?: string
  /** What it is known to be for. */
  readonly uses?: readonly Use[]
}

/** A new piece, and those that it is made with where a form has several. */
export async function createPiece({ form, uses, ...others }: PieceToCreate): Promise<PieceRecord> {
  const family = familyOf(form)
  const meantFor = uses?.length ? uses : (family.uses ?? [])
  return createPieces({
    ...others,
    pieces: (family.pieces?.(formOf(form)) ?? [{ form }]).map((piece) => ({
      ...piece,
      fitness: { ...NO_USE_YET, uses: meantFor },
    })),
  })
}

/** A piece to be, of a project that may have others. */
export interface PieceToBe {
  readonly form: StoredForm
  readonly fitness: Fitness
  readonly name?: string
  /** As its family is usually made where nothing is said. */
  readonly quantity?: number
  /** How it is worked, where that is settled already. */
  readonly as?: Partial<Pick<PieceRecord, 'stitch' | 'construction' | 'constraints' | 'sections' | 'source'>>
  /** From which rounds on it is of another yarn, by their names; the first is the usual one where it has none. */
  readonly yarns?: readonly { readonly fromRound: number; readonly name?: string }[]
}

interface PiecesToCreate extends Pick<PieceToCreate, 'gaugeId' | 'name' | 'projectId'> {
  readonly pieces: readonly PieceToBe[]
  /** How they become one, once it is known in which stitches they are worked. */
  readonly finishOf?: (pieces: readonly PieceRecord[], gauge: GaugeRecord) => Finish
}

/**
 * New pieces, with a yarn and, unless one is named, a gauge that is known from the label only.
 * @returns the first of them
 */
export async function createPieces({
  pieces: toBe,
  gaugeId,
  name,
  projectId,
  finishOf,
}: PiecesToCreate): Promise<PieceRecord> {
  const now = Date.now()
  const project: ProjectRecord | undefined =
    projectId === undefined ? { id: freshId(), name, createdAt: now, updatedAt: now } : undefined
  if (project) await mustFit('projects', project)
  const demo = await readDemo()
  return database.transaction(
    'rw',
    database.projects,
    database.pieces,
    database.gauges,
    database.yarns,
    async () => {
      const known = gaugeId === undefined ? undefined : await database.gauges.get(gaugeId)
      const gauge: GaugeRecord = known ?? { ...UNMEASURED_GAUGE, id: freshId() }
      const strange = new Set(gaugeId === undefined ? demo?.yarns : [])
      const others = projectId === undefined ? [] : await piecesOf(projectId)
      const fitting = await database.yarns
        .filter(({ id, weight }) => weight === gauge.weight && !strange.has(id))
        .toArray()
      // A piece that joins others is most likely of their yarn.
      const theirs = fitting.find(({ id }) => id === others[0]?.colours[0]?.yarn)
      const yarn = theirs ??
        mostAtHand(fitting) ?? {
          id: freshId(),
          name: 'My yarn',
          colour: '#FAFCFB',
          weight: gauge.weight,
          fibre: gauge.fibre,
        }
      await database.gauges.put(gauge)
      await database.yarns.put(yarn)
      if (project) await database.projects.add(project)
      else await database.projects.update(projectId!, { updatedAt: now })
      const named = namedYarns(fitting, yarn, gauge)
      const pieces = toBe.map((one, index): PieceRecord => {
        const own = one.name ?? (project ? undefined : name)
        const piece = newPiece({
          id: freshId(),
          projectId: project?.id ?? projectId!,
          gaugeId: gauge.id,
          yarnId: yarn.id,
          form: one.form,
          ...(own === undefined ? {} : { name: own }),
          place: (others.at(-1)?.place ?? 0) + 1 + index,
        })
        return {
          ...piece,
          ...one.as,
          fitness: one.fitness,
          quantity: one.quantity ?? piece.quantity,
          ...(one.yarns ? { colours: named.coloursOf(one.yarns) } : {}),
        }
      })
      await database.yarns.bulkPut(named.added)
      await database.pieces.bulkAdd(pieces)
      if (project && finishOf) await database.projects.update(project.id, { finish: finishOf(pieces, gauge) })
      return pieces[0]!
    },
  )
}

/** Colours for yarns that a text names and the shelf has not: told apart, and changed there. */
const COLOURS = ['#FAFCFB', '#2E5B50', '#55656C', '#B98A3B', '#6E4A5E', '#3F5F86']

/** Yarns by the names that a text has for them: those on the shelf, and new ones of the same kind. */
function namedYarns(known: readonly YarnRecord[], usual: YarnRecord, gauge: GaugeRecord) {
  const added: YarnRecord[] = []
  const yarnNamed = (name: string): YarnRecord => {
    const same = (one: YarnRecord) => one.name.toLowerCase() === name.toLowerCase()
    const found = known.find(same) ?? added.find(same)
    if (found) return found
    const made: YarnRecord = {
      id: freshId(),
      name: name.slice(0, LONGEST_NAME),
      colour: COLOURS[added.length % COLOURS.length]!,
      weight: gauge.weight,
      fibre: gauge.fibre,
    }
    added.push(made)
    return made
  }
  return {
    added,
    coloursOf: (runs: NonNullable<PieceToBe['yarns']>) =>
      runs.map(({ fromRound, name }) => ({
        fromRound,
        yarn: name === undefined ? usual.id : yarnNamed(name).id,
      })),
  }
}

/** The yarn there is most of: the likeliest to be meant, and to do. */
const mostAtHand = (yarns: readonly YarnRecord[]): YarnRecord | undefined =>
  [...yarns].sort((one, other) => (metresAtHand(other) ?? 0) - (metresAtHand(one) ?? 0))[0]

export async function renameProject(id: string, name: string): Promise<void> {
  const updatedAt = Date.now()
  await mustFit('projects', { id, name, createdAt: updatedAt, updatedAt })
  await database.projects.update(id, { name, updatedAt })
}

/** How a project's pieces become one, as it was changed on its screen. */
export async function saveFinish({ id, name, createdAt, finish }: ProjectRecord): Promise<void> {
  const updatedAt = Date.now()
  await mustFit('projects', { id, name, createdAt, updatedAt, ...(finish ? { finish } : {}) })
  await database.projects.update(id, { finish, updatedAt })
}

export async function renamePiece(piece: PieceRecord, name: string): Promise<void> {
  await savePiece({ ...piece, name })
}

/**
 * Takes one piece of several out of its project, with all its work; a last one stays, since a project is made of
 * something. Returns what brings it back, for as long as there is its project.
 */
export async function removePiece(id: string): Promise<() => Promise<void>> {
  const piece = (await database.pieces.get(id))!
  const all = await recordsOf([piece.projectId], { photos: true })
  const copies = all.copies.filter(({ pieceId }) => pieceId === id)
  const own = new Set(copies.map((copy) => copy.id))
  const finish = all.projects[0]?.finish
  const ofIt: Records = {
    projects: [],
    pieces: [piece],
    gauges: [],
    yarns: [],
    copies,
    planVersions: all.planVersions.filter(({ pieceId }) => pieceId === id),
    events: all.events.filter(({ copyId }) => own.has(copyId)),
    readings: all.readings.filter(({ copyId }) => own.has(copyId)),
    photos: all.photos.filter(({ copyId }) => own.has(copyId)),
  }
  await database.transaction('rw', database.tables, async () => {
    if ((await piecesOf(piece.projectId)).length <= 1) return
    await removePieces([id])
    if (finish) await database.projects.update(piece.projectId, { finish: withoutPiece(finish, id) })
  })
  return async () => {
    if (!(await database.projects.get(piece.projectId))) return
    await putRecords(ofIt)
    if (finish) await database.projects.update(piece.projectId, { finish })
  }
}

/** The same thing once more: its plan, not its work. Gauges and yarns are shared. Returns the new id. */
export async function duplicateProject(id: string): Promise<string> {
  const all = await recordsOf([id])
  const shared = new Set([...all.gauges, ...all.yarns].map((record) => record.id))
  const fresh = withFreshIds(
    { ...all, copies: [], planVersions: [], events: [], readings: [], photos: [] },
    freshId,
    shared,
  )
  const now = Date.now()
  const project = {
    ...fresh.projects[0]!,
    ...(fresh.projects[0]!.finish ? { finish: unfinished(fresh.projects[0]!.finish) } : {}),
    name: `${all.projects[0]!.name.slice(0, LONGEST_NAME - 2)} 2`,
    createdAt: now,
    updatedAt: now,
  }
  await putRecords({ ...fresh, projects: [project] })
  return project.id
}

export async function deleteProject(id: string): Promise<void> {
  await database.projects.update(id, { deletedAt: Date.now() })
}

export async function restoreProject(id: string): Promise<void> {
  await database.projects.update(id, { deletedAt: undefined })
}

/** Removes for good what was deleted more than a day ago. */
export async function sweepDeleted(now: number): Promise<void> {
  const old = await database.projects
    .filter(({ deletedAt }) => deletedAt !== undefined && now - deletedAt > DAY_MS)
    .primaryKeys()
  if (old.length > 0) await removeProjects(old)
}

export async function savePiece(piece: PieceRecord): Promise<void> {
  await mustFit('pieces', piece)
  await database.transaction('rw', database.pieces, database.projects, async () => {
    await database.pieces.put(piece)
    await database.projects.update(piece.projectId, { updatedAt: Date.now() })
  })
}

export async function saveGauge(gauge: GaugeRecord): Promise<void> {
  await mustFit('gauges', gauge)
  await database.gauges.put(gauge)
}

/** Takes a gauge out of the book. Pieces that go by it keep it: nothing is deleted while one does. */
export async function deleteGauge(id: string): Promise<void> {
  await database.transaction('rw', database.gauges, database.pieces, async () => {
    const used = await database.pieces.filter((piece) => gaugesUsed(piece).includes(id)).count()
    if (used === 0) await database.gauges.delete(id)
  })
}

/** Takes a yarn off the shelf; one that a piece is planned with stays. Returns whether it is gone. */
export async function deleteYarn(id: string): Promise<boolean> {
  return database.transaction('rw', database.yarns, database.pieces, database.planVersions, async () => {
    const used =
      (await database.pieces.filter(({ colours }) => yarnsOf(colours).includes(id)).count()) +
      (await database.planVersions.filter(({ spec }) => yarnsOf(spec.colours).includes(id)).count())
    if (used === 0) await database.yarns.delete(id)
    return used === 0
  })
}

export async function saveYarn(yarn: YarnRecord): Promise<void> {
  await mustFit('yarns', yarn)
  await database.yarns.put(yarn)
}

export async function saveSettings(change: Partial<WorkshopSettings>): Promise<void> {
  await mustFit('settings', { ...(await readSettings()), ...change })
  await database.transaction('rw', database.settings, async () => {
    await database.settings.put({ ...(await readSettings()), ...change, key: 'workshop' })
  })
}
