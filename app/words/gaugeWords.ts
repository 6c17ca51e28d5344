import { format } from 'date-fns'
import {
  FIBRES,
  hookLetter,
  meanOf,
  YARN_WEIGHTS,
  type Conflict,
  type Evidence,
  type GaugeRecord,
  type Measurement,
  type Terms,
  type Working,
} from '../../core/index.ts'
import type { Sizes } from '../ui/useSizes.ts'
import { percent, shortName } from './wording.ts'

export const WORKING_WORDS: Record<Working, string> = {
  joined: 'in joined rounds',
  spiral: 'in a spiral',
  turned: 'in joined rounds, turned',
  rows: 'in rows',
}

/** "sc in joined rounds, 2 strands of medium cotton, 6.5 mm hook (K)" */
export function belongsTo(gauge: GaugeRecord, terms: Terms): string {
  const { stitch, working, strands, weight, fibre, hook } = gauge
  const letter = hookLetter(hook)
  const yarn = `${YARN_WEIGHTS[weight]!.name}${fibre === 'unknown' ? ' yarn' : ` ${FIBRES[fibre].name}`}`
  return `${shortName(stitch, terms)} ${WORKING_WORDS[working]}, ${
    strands === 1 ? 'one strand' : `${strands} strands`
  } of ${yarn}, ${hook} mm hook${letter ? ` (${letter})` : ''}`
}

export const EVIDENCE_NAMES: Record<Evidence['kind'], string> = {
  swatch: 'Flat swatch',
  round: 'Round swatch',
  marks: 'Two marks',
}

export function evidenceName(evidence: Evidence): string {
  if (evidence.from) return evidence.from
  if (evidence.kind === 'swatch' && evidence.worked === 'rounds') return 'Counted on rounds'
  return EVIDENCE_NAMES[evidence.kind]
}

/** "12 sts 8.5, 12 rows 7.8 cm" */
export function evidenceDetail(evidence: Evidence, sizes: Sizes): string {
  switch (evidence.kind) {
    case 'swatch': {
      const { stitches, rounds, worked } = evidence
      return `${stitches.count} sts ${sizes.bare(stitches.over)}, ${rounds.count} ${worked === 'rows' ? 'rows' : 'rnds'} ${sizes.full(rounds.over)}`
    }
    case 'marks':
      return [
        evidence.along && `${evidence.along.count} sts ${sizes.full(evidence.along.over)}`,
        evidence.out && `${evidence.out.count} rnds ${sizes.full(evidence.out.over)}`,
      ]
        .filter(Boolean)
        .join(', ')
    case 'round': {
      const { counts, across, edge } = evidence
      const mean = meanOf(across)
      const lies =
        edge.kind === 'flat'
          ? 'flat'
          : edge.kind === 'standsUp'
            ? `stands up ${sizes.full(edge.by)}`
            : edge.much === 'lot'
              ? 'waves a lot'
              : 'waves a little'
      return `${counts.length} rnds, ${sizes.full(mean)}, ${lies}`
    }
  }
}

/** What sets one item apart: other stitch, loops, washed, when. */
export function evidenceAside(evidence: Evidence, main: GaugeRecord, terms: Terms): string {
  const { stitch, loops, state, at } = evidence
  return [
    stitch !== main.stitch && `in ${shortName(stitch, terms)}`,
    loops === 'single' && 'one loop',
    loops === 'post' && 'around the post',
    state === 'washed' && 'washed',
    at > 0 && format(at, 'd MMM'),
    evidence.setAside && 'put aside',
  ]
    .filter(Boolean)
    .join(', ')
}

const ABOUT: Record<Conflict['about'], readonly [more: string, less: string]> = {
  width: ['wider', 'narrower'],
  height: ['taller', 'shorter'],
  size: ['larger', 'smaller'],
  edge: ['fuller at the edge', 'shorter at the edge'],
}

/** "9.0% wider than all the rest says, 4.2 times its doubt." */
export function conflictSentence({ about, off, sigmas }: Conflict, alone: boolean): string {
  const [more, less] = ABOUT[about]
  return `${percent(Math.abs(off))} ${off > 0 ? more : less} than ${
    alone ? 'the label' : 'all the rest'
  } says, ${sigmas.toFixed(1)} times the doubt.`
}

export const MEASUREMENT_WORDS: Record<Measurement, string> = {
  flatSwatch: 'Work a flat swatch and count stitches and rows',
  roundSwatch: 'Work a round swatch and measure it across',
  alongRound: 'Count stitches between two marks along a round',
  outward: 'Count rounds between two marks, outward from the centre',
}
