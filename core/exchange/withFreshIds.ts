import type { Finish } from '../finish/finish.ts'
import type { HeldYarns } from '../yarn/strands.ts'
import type { PieceRecord, Records } from './records.ts'

/**
 * The same records under new ids, so that they can stand beside the old ones.
 * @param freshId gives an id that is used nowhere yet
 * @param keep ids that stay as they are (shared gauges and yarns that are already here)
 */
export function withFreshIds<R extends Records>(
  records: R,
  freshId: () => string,
  keep: ReadonlySet<string> = new Set(),
): R {
  const renamed = new Map<string, string>()
  const fresh = (id: string): string => {
    if (keep.has(id)) return id
    const known = renamed.get(id) ?? freshId()
    renamed.set(id, known)
    return known
  }
  const colours = <C extends HeldYarns>(runs: readonly C[]) =>
    runs.map((run) => ({
      ...run,
      yarn: fresh(run.yarn),
      ...(run.beside ? { beside: run.beside.map(fresh) } : {}),
    }))
  const sections = (works: NonNullable<PieceRecord['sections']>) =>
    Object.fromEntries(
      Object.entries(works).map(([id, work]) => [
        id,
        work?.gaugeId === undefined ? work : { ...work, gaugeId: fresh(work.gaugeId) },
      ]),
    )
  return {
    ...records,
    projects: records.projects.map((project) => ({
      ...project,
      id: fresh(project.id),
      ...(project.finish ? { finish: finishUnder(project.finish, fresh) } : {}),
    })),
    pieces: records.pieces.map((piece) => ({
      ...piece,
      id: fresh(piece.id),
      projectId: fresh(piece.projectId),
      gaugeId: fresh(piece.gaugeId),
      ...(piece.sections ? { sections: sections(piece.sections) } : {}),
      colours: colours(piece.colours),
    })),
    gauges: records.gauges.map((gauge) => ({ ...gauge, id: fresh(gauge.id) })),
    yarns: records.yarns.map((yarn) => ({ ...yarn, id: fresh(yarn.id) })),
    copies: records.copies.map((copy) => ({ ...copy, id: fresh(copy.id), pieceId: fresh(copy.pieceId) })),
    planVersions: records.planVersions.map((pinned) => ({
      ...pinned,
      id: fresh(pinned.id),
      pieceId: fresh(pinned.pieceId),
      spec: { ...pinned.spec, colours: colours(pinned.spec.colours) },
      plan: { ...pinned.plan, rounds: colours(pinned.plan.rounds) },
    })),
    readings: records.readings.map((reading) => ({
      ...reading,
      id: fresh(reading.id),
      copyId: fresh(reading.copyId),
    })),
    photos: records.photos.map((photo) => ({
      ...photo,
      id: fresh(photo.id),
      copyId: fresh(photo.copyId),
    })),
    events: records.events.map((event) => ({
      ...event,
      id: fresh(event.id),
      copyId: fresh(event.copyId),
      ...(event.type === 'undo' ? { undoes: fresh(event.undoes) } : {}),
    })),
  }
}

/** The same joints and steps, of pieces that have other names. */
function finishUnder(finish: Finish, fresh: (id: string) => string): Finish {
  // What follows from a piece or a joint is named by it: `make:lid`.
  const step = (id: string) => {
    const [kind, of] = id.split(':')
    return of === undefined ? (own.has(id) ? fresh(id) : id) : `${kind}:${fresh(of)}`
  }
  const own = new Set(finish.steps.map(({ id }) => id))
  return {
    joints: finish.joints.map((joint) => ({
      ...joint,
      id: fresh(joint.id),
      edges: [
        { ...joint.edges[0], pieceId: fresh(joint.edges[0].pieceId) },
        { ...joint.edges[1], pieceId: fresh(joint.edges[1].pieceId) },
      ],
    })),
    steps: finish.steps.map((one) => ({ ...one, id: fresh(one.id), pieces: one.pieces.map(fresh) })),
    order: finish.order.map(step),
    links: finish.links.map(([before, after]) => [step(before), step(after)]),
    done: finish.done.map(step),
  }
}
