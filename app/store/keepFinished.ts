import type { Evidence, GaugeRecord, PieceReading } from '../../core/index.ts'
import { database } from './database.ts'
import { mustFit } from './mustFit.ts'

/** Keeps what a finished piece measures and, with evidence, teaches it to the gauge in one go. */
export async function keepFinished(
  reading: PieceReading,
  gauge: GaugeRecord,
  evidence?: Evidence,
): Promise<void> {
  const others = evidence ? gauge.evidence.filter(({ id }) => id !== evidence.id) : gauge.evidence
  const taught = { ...gauge, evidence: evidence ? [...others, evidence] : others }
  await mustFit('readings', reading)
  await mustFit('gauges', taught)
  await database.transaction('rw', database.readings, database.gauges, async () => {
    await database.readings.put(reading)
    await database.gauges.put(taught)
  })
}
