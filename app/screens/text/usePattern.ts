import { useEffect, useState } from 'react'
import type { GaugeRecord } from '../../../core/index.ts'
import type { Mend } from '../../../core/pattern/check/mends.ts'
import type { Readings } from '../../../core/pattern/readings.ts'
import type { Studied, Study } from '../../../core/pattern/studyPattern.ts'
import { askReader } from '../../store/patternReader.ts'

/** A text as it was read last, and whether that is as it stands. */
export interface PatternNow {
  readonly study: Study | undefined
  readonly refused: { readonly message: string; readonly valid: string } | undefined
  /** What was read is what stands there now. */
  readonly settled: boolean
}

/** Reads a text away from the screen whenever it changes; the last reading stays until the next is there. */
export function usePattern(
  text: string,
  readings: Readings,
  gauge: GaugeRecord | undefined,
  pace: number,
): PatternNow {
  const key = JSON.stringify([text, readings, gauge, pace])
  const [found, setFound] = useState<{ readonly key: string; readonly studied: Studied }>()
  useEffect(() => {
    if (!gauge) return
    let wanted = true
    const failed = (error: unknown): Studied => ({
      ok: false,
      message: `The text could not be read: ${error instanceof Error ? error.message : 'something broke'}.`,
      valid: 'It is kept as it is. Reload the page to try again.',
    })
    void askReader(async (reader): Promise<Studied> => reader.study(text, readings, gauge, pace))
      .catch(failed)
      .then((studied) => wanted && setFound({ key, studied }))
    return () => {
      wanted = false
    }
    // The key stands for all that it is read from.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  return {
    study: found?.studied.ok ? found.studied.study : undefined,
    refused: found && !found.studied.ok ? found.studied : undefined,
    settled: found?.key === key,
  }
}

/** Ways to mend the finding in hand; nothing until they are found. */
export function useMends(
  study: Study | undefined,
  readings: Readings,
  gauge: GaugeRecord | undefined,
  pace: number,
  finding: number,
): readonly Mend[] | undefined {
  const [found, setFound] = useState<{
    readonly of: Study
    readonly finding: number
    readonly mends: readonly Mend[]
  }>()
  useEffect(() => {
    if (!study || !gauge || finding < 0) return
    let wanted = true
    void askReader((reader) => reader.mends(study.read.text, readings, gauge, pace, finding))
      .catch((): readonly Mend[] => [])
      .then((mends) => wanted && setFound({ of: study, finding, mends }))
    return () => {
      wanted = false
    }
    // A study is read with the same readings and gauge.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [study, finding])
  return found && found.of === study && found.finding === finding ? found.mends : undefined
}
