import { UNMEASURED_GAUGE } from '../exchange/newPiece.ts'
import type { Records } from '../exchange/records.ts'
import { pin } from '../plan/pinnedPlan.ts'
import { planPiece } from '../plan/planPiece.ts'
import type { LogEvent } from '../worklog/logEvent.ts'
import { workOn } from '../worklog/moves.ts'
import { replay } from '../worklog/replay.ts'
import { discSpec } from './specs.ts'

/** One set of mats with everything a file can have: a copy begun, a few taps, a measurement. */
export function smallWorkshop(spec = discSpec(110), name = 'Tin-mug mats', taps = 3): Records {
  const plan = planPiece(spec)
  const entry = { copyId: 'copy', at: 1000 }
  let log: LogEvent[] = [
    { ...entry, id: 'e1', seq: 1, type: 'start', planVersion: 1, to: { round: 'r1', unit: 0 } },
  ]
  for (let tap = 0; tap < taps; tap++) {
    const event = workOn(plan.rounds, replay(log), 'stitch')
    if (event) log = [...log, { ...event, ...entry, id: `e${log.length + 1}`, seq: log.length + 1 }]
  }
  return {
    projects: [{ id: 'project', name, createdAt: 0, updatedAt: 1 }],
    pieces: [
      {
        id: 'piece',
        projectId: 'project',
        name: 'Mat',
        place: 1,
        quantity: 8,
        form: spec.form,
        tolerance: spec.tolerance,
        stitch: spec.stitch,
        gaugeId: 'gauge',
        construction: spec.construction,
        colours: spec.colours,
        constraints: spec.constraints ?? {},
        rhythm: spec.rhythm,
        fitness: { uses: ['hot', 'wet'], layers: 1, hardware: [], read: ['hotDamp'] },
      },
    ],
    gauges: [{ ...UNMEASURED_GAUGE, id: 'gauge' }],
    yarns: [{ id: 'fog', name: 'Fog', colour: '#FAFCFB', weight: 4, fibre: 'cotton', balls: 2 }],
    copies: [{ id: 'copy', pieceId: 'piece', number: 1, planVersion: 1, startedAt: 1000 }],
    planVersions: [{ id: 'v1', pieceId: 'piece', version: 1, at: 1000, spec, plan: pin(plan) }],
    events: log,
    readings: [
      {
        id: 'reading',
        copyId: 'copy',
        at: 2000,
        planVersion: 1,
        afterRound: 2,
        seen: [{ of: 'across', at: 2, values: [31, 32] }],
        edge: { kind: 'standsUp', by: 4 },
        counts: [{ round: 2, count: 12 }],
      },
    ],
    photos: [
      {
        id: 'photo',
        copyId: 'copy',
        at: 3000,
        position: { round: 'r1', unit: 2 },
        data: 'data:image/jpeg;base64,/9j/4AAQ',
      },
    ],
  }
}
