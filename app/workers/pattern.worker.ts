import { expose } from 'comlink'
import { gaugeOf } from '../../core/index.ts'
import type { GaugeRecord } from '../../core/index.ts'
import { mendsFor, type Mend } from '../../core/pattern/check/mends.ts'
import type { Readings } from '../../core/pattern/readings.ts'
import { studyPattern, type Studied } from '../../core/pattern/studyPattern.ts'
import { gaugeForStitch } from '../../core/gauge/gaugeForStitch.ts'

/** Reads patterns away from the screen: a text may be long, or no pattern at all, and typing must not wait. */
const reader = {
  study: (text: string, readings: Readings, gauge: GaugeRecord, pace: number): Studied =>
    studyPattern(text, readings, { gauge: gaugeOf(gauge), hook: gauge.hook, pace }),
  /** Ways to mend the finding of that index. */
  mends: (
    text: string,
    readings: Readings,
    gauge: GaugeRecord,
    pace: number,
    finding: number,
  ): readonly Mend[] => {
    const own = gaugeOf(gauge)
    const studied = studyPattern(text, readings, { gauge: own, hook: gauge.hook, pace })
    const found = studied.ok ? studied.study.findings[finding] : undefined
    if (!studied.ok || !found) return []
    return mendsFor(studied.study.read, found, {
      ...readings,
      heightOf: (stitch) => gaugeForStitch(own, stitch).h,
    })
  },
}

export type PatternReader = typeof reader

expose(reader)
