import type { AskingWords } from './askingWords.ts'

/** How what is worked back and forth is asked for and measured. */
export const IN_ROWS_WORDS = {
  wedge: {
    fields: {
      radius: { label: 'Middle to curve', question: 'How far from its middle to the curve?' },
      share: { label: 'Of a full round', question: 'How much of a full round?' },
      finish: {
        label: 'Straight edge',
        question: 'What along its straight edge?',
        choices: {
          plain: { label: 'One row', detail: 'sc along the ends of the rows: firm and even.' },
          bowed: {
            label: 'Bowed',
            detail: 'Slip stitches at its corners, taller ones toward its middle: it curves outward.',
          },
          none: { label: 'None', detail: 'As the rows leave it.' },
        },
      },
      bow: { label: 'Bows out by', question: 'How far does it bow out?' },
    },
    handle: 'Curved edge: size',
    fitLine: { name: 'Flat line', says: 'rows short of it cup, rows past it ruffle' },
    example: 'Half-round pot rest',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; from where the rows began to the curve, twice.',
    measuring:
      'Take the loop off the hook, lay the piece on a hard table, pat it, wait a minute, do not stretch. From the middle, where its rows began, straight out to the curve; then at another place. A count of the last row tells more than any tape.',
  },
} satisfies Readonly<Record<string, AskingWords>>
