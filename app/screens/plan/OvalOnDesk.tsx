import { useCallback, useMemo } from 'react'
import { mainOf } from '../../drawing/views/view.ts'
import { familyOf, measured, sizesOf, zonesOf, type Plan, type PlannedRound } from '../../../core/index.ts'
import { CountStory } from '../../drawing/CountStory.tsx'
import { OvalSection, OvalSizes } from '../../drawing/OvalSection.tsx'
import { ChainBeads, FaceZones, WallZones } from '../../drawing/ZoneMarks.tsx'
import { goesTheOtherWay, ovalFace, reachOfOval, sizeOfOval } from '../../drawing/views/oval.ts'
import { rows } from '../../drawing/views/rows.ts'
import { partsOfOval, sizeCutOpen } from '../../drawing/views/viewOf.ts'
import { useYarnColours } from '../../store/queries.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { closingWords } from '../../words/closingWords.ts'
import type { OnDeskProps } from './FlatOnDesk.tsx'
import { Legend } from './Legend.tsx'
import { PieceDrawing } from './PieceDrawing.tsx'
import { MARGIN } from './planLayout.ts'

const TOP = 20
/** Room for the names of zones beside the oval, and over the rows of its wall. */
const ZONES = 56
const OVER_ROWS = 34
const BELOW = 40
/** Under everything: how a round comes to its count. */
const STORY = 64
/** Over that: what is done at its end. */
const WORDS = 32
const ONE_MORE_LINE = 150
/** Of the height that an oval has whose wall is drawn under it, and of the width beside its section. */
const LEAST_HIGH = 0.42
const MOST_HIGH = 0.72
const OF_WIDTH = 0.46
const LEGEND = 120
/** Lines to the ledger go down between the drawing and the title block, px. */
const LANES = 56
/** Under a section: its tape and what that says, clear of the rows that leave the oval. */
const UNDER_SECTION = 56

/** The round whose count is told: the one pointed at, or else the first that is shaped last. */
function toldRound({ rounds }: Plan, lit: number | undefined): PlannedRound {
  const shaped = (round: PlannedRound) => round.count !== round.from && zonesOf(round).length > 0
  const pointed = rounds.find(({ number }) => number === lit)
  if (pointed && zonesOf(pointed).length > 0) return pointed
  const last = rounds.findLast(shaped) ?? rounds[0]!
  return rounds.find((round) => shaped(round) && round.section === last.section && round.number > 1) ?? last
}

/** An oval on a desk: its base around the chain, cut through beside it, its wall cut open below. */
export function OvalOnDesk({ model, plan, spec, layout, lit, onPoint, leaderTo }: OnDeskProps) {
  const colours = useYarnColours()
  const sizes = useSizes()
  const { piece, settings } = model
  const { width, height, mirrored, blockWidth } = layout
  const guess = spec.gauge.certainty === 'guess'
  const closing = closingWords(spec, plan, sizes)
  const under = BELOW + STORY + (closing === '' ? 0 : closing.length > ONE_MORE_LINE ? 1.5 * WORDS : WORDS)
  const { base, wall } = useMemo(() => partsOfOval(plan), [plan])
  const room = width - blockWidth - 2 * MARGIN - LANES
  const { wide, long } = sizeOfOval(base)
  const { before, after } = reachOfOval(base, true)
  const otherWay = goesTheOtherWay(base)
  const open = wall && sizeCutOpen(wall)
  // The wall takes the width that there is; the oval has the height that is left.
  const faceHigh = open
    ? Math.max(
        height * LEAST_HIGH,
        Math.min(height * MOST_HIGH, height - (open.long * room) / open.wide - OVER_ROWS - under),
      )
    : height - under
  // Rows that run out toward the section lie below it.
  const beside = wall && !otherWay ? wide : before + after
  const scale = Math.min(
    (faceHigh - TOP - 16) / long,
    wall ? (room * OF_WIDTH - ZONES) / beside : (room - ZONES - LEGEND) / beside,
  )
  const from = (left: number) => (mirrored ? width - left : left)
  const [x, y] = [from(MARGIN + (otherWay ? 0 : ZONES) + before * scale), TOP + (long - wide / 2) * scale]
  const faceEnds = MARGIN + ZONES + (otherWay ? before + after : wide) * scale
  const faceAt = useCallback(
    (held?: number) =>
      ovalFace(base, {
        scale: held ?? scale,
        x,
        y,
        mirrored,
        unrolls: true,
        walled: wall !== undefined,
      }),
    [base, wall, scale, x, y, mirrored],
  )
  const rowsTop = faceHigh + OVER_ROWS
  const rowsScale = open ? Math.min(room / open.wide, (height - rowsTop - under) / open.long) : 1
  const rowsAt = useCallback(
    (held?: number) =>
      rows(wall ?? base, {
        scale: held ?? rowsScale,
        x: mirrored ? width - MARGIN : MARGIN,
        y: rowsTop,
        mirrored,
      }),
    [wall, base, rowsScale, rowsTop, width, mirrored],
  )
  const table = y - UNDER_SECTION
  const family = familyOf(spec.form)
  const holds = family.holds?.(spec.form)
  const sectionLeft = faceEnds + 76
  const last = mainOf(plan).at(-1)!
  const { radius, spine = 0 } = base.rounds.at(-1)!.at
  const sectionScale = Math.min(
    (room - sectionLeft + MARGIN) / (2 * radius + spine),
    (table - 92) / Math.max(last.at.z, holds?.high ?? 0),
  )
  const { thickness } = sizesOf(spec)
  const bare = (mm: number) => sizes.bare(mm)
  return (
    <>
      <div className="absolute inset-0">
        <PieceDrawing {...{ model, spec, width, height, lit, onPoint, leaderTo }} viewAt={faceAt}>
          {(view) => (
            <>
              <ChainBeads view={view} />
              <FaceZones
                view={view}
                round={base.rounds.at(-1)!}
                x={from(otherWay ? faceEnds : MARGIN)}
                mirrored={mirrored !== otherWay}
              />
              {wall && (
                <g pointerEvents="none">
                  <OvalSizes
                    plan={plan}
                    scale={sectionScale}
                    x={from(sectionLeft + radius * sectionScale)}
                    table={table}
                    mirrored={mirrored}
                    foot={family.onFoot?.(spec.form)}
                    holds={holds}
                    says={{
                      long: `${bare(measured('endToEnd', base.rounds.at(-1)!.at) + thickness)} long`,
                      high: `${bare(measured('height', last.at, thickness))} high`,
                    }}
                  />
                  <OvalSection
                    plan={plan}
                    scale={sectionScale}
                    x={from(sectionLeft + radius * sectionScale)}
                    table={table}
                    mirrored={mirrored}
                    yarns={colours}
                    guess={guess}
                    {...(lit === undefined ? {} : { lit })}
                  />
                </g>
              )}
            </>
          )}
        </PieceDrawing>
      </div>
      {wall && (
        <div className="pointer-events-none absolute inset-0 [&_[role=slider]]:pointer-events-auto">
          <PieceDrawing {...{ model, spec, width, height, lit, onPoint, leaderTo }} viewAt={rowsAt}>
            {(view) => <WallZones view={view} round={wall.rounds[0]!} />}
          </PieceDrawing>
        </div>
      )}
      <div
        className="absolute bottom-3"
        style={mirrored ? { right: MARGIN, width: room } : { left: MARGIN, width: room }}
      >
        {closing && <p className="pb-1 text-14 leading-tight text-ink-2">{closing}</p>}
        <CountStory round={toldRound(plan, lit)} width={room} />
      </div>
      <Legend
        terms={settings.terms}
        stitch={piece.stitch}
        newYarn={plan.yarn.length > 1}
        decreases={plan.rounds.some((round) => round.count < round.from)}
        radius={LEGEND}
        centre={{ x: from(faceEnds + 20 + LEGEND), y }}
      />
    </>
  )
}
