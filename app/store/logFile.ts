import { csvFormat } from 'd3-dsv'
import { format } from 'date-fns'
import type { PieceLog } from './workshopLog.ts'

/** What a spreadsheet would take for a formula is told as the words it is. */
const asWords = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)

/** The sittings of a workshop as a table that any spreadsheet reads: one a row, oldest first. */
export const logFile = (logs: readonly PieceLog[]): string =>
  csvFormat(
    logs
      .flatMap(({ view: { project, piece }, copies }) =>
        copies.flatMap(({ copy, sittings }) =>
          sittings.map((sitting) => ({ project, piece, copy, sitting })),
        ),
      )
      .toSorted((one, other) => one.sitting.from - other.sitting.from)
      .map(({ project, piece, copy, sitting }) => ({
        date: format(sitting.from, 'yyyy-MM-dd'),
        from: format(sitting.from, 'HH:mm'),
        to: format(sitting.to, 'HH:mm'),
        project: asWords(project.name),
        piece: asWords(piece.name ?? ''),
        copy: copy.number,
        'first round': sitting.rounds[0],
        'last round': sitting.rounds[1],
        'stitches made': sitting.stitches,
        'stitches taken out': sitting.out,
        'minutes at work': (sitting.worked / 60_000).toFixed(1),
      })),
  )
