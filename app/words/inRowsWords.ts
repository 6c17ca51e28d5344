import type { AskingWords } from './askingWords.ts'

/** How what is worked back and forth is asked for and measured. */
export const IN_ROWS_WORDS = {
  strap: {
    fields: {
      wide: { label: 'Wide', question: 'How wide?' },
      long: { label: 'Long', question: 'How long, its end with it?' },
      end: {
        label: 'Its end',
        question: 'How does it end?',
        choices: {
          square: { label: 'Square', detail: 'The last row as long as the first.' },
          pointed: {
            label: 'Pointed',
            detail: 'A stitch fewer at each edge in every row; its sizes are told up to there.',
          },
          slanted: {
            label: 'Slanted',
            detail: 'A stitch fewer at one edge in every row; the other stays straight. For tails and tabs.',
          },
        },
      },
    },
    handle: 'End: length',
    fitLine: { name: 'Width line', says: 'rows short of it are narrow, rows past it wide' },
    example: 'Lantern strap',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; along a row, and from the chain up.',
    measuring:
      'Take the loop off the hook, lay the strap flat on a table, pat it, do not stretch. Along its last row; from its chain to its edge. A count of the last row tells more than any tape.',
  },
  slipper: {
    fields: {
      foot: { label: 'Foot', question: 'How long is the foot?' },
      around: { label: 'Foot around', question: 'Around the foot, at its widest?' },
      ease: { label: 'Smaller by', question: 'How much smaller than the foot around?' },
      closed: { label: 'Closed for', question: 'How much of its length is closed?' },
      open: { label: 'Open over', question: 'How much stays open over the instep?' },
    },
    handle: 'Back edge: length',
    fitLine: { name: 'Girth line', says: 'rows short of it are tight, rows past it loose' },
    example: 'Drying-room slippers',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; from fold to fold, and from the tip of the toe along the sole.',
    measuring:
      'Take the loop off the hook, lay the slipper flat on a table, do not stretch. While it is closed, from fold to fold near the edge; and from the tip of its toe along the sole to the edge. A count of the last round tells more than any tape.',
  },
  sock: {
    fields: {
      foot: { label: 'Foot', question: 'How long is the foot?' },
      around: { label: 'Foot around', question: 'Around the foot, at its widest?' },
      ease: { label: 'Smaller by', question: 'How much smaller than the foot around?' },
      leg: { label: 'Leg', question: 'How high, up from the heel?' },
      heel: {
        label: 'Heel',
        question: 'What heel?',
        choices: {
          full: { label: 'Full', detail: 'Rows until the leg stands straight up from the foot.' },
          soft: { label: 'Soft', detail: 'Two thirds of that: easy to get into, for lying down.' },
        },
      },
      cuff: {
        label: 'Cuff',
        question: 'What cuff?',
        choices: {
          plain: { label: 'Plain', detail: 'Even rounds to the edge.' },
          ribbed: {
            label: 'Ribbed',
            detail: 'Front and back post stitches in turn: it draws in and stretches.',
          },
        },
      },
      cuffHeight: { label: 'Cuff high', question: 'How high is the cuff?' },
    },
    handle: 'Edge: leg',
    fitLine: { name: 'Girth line', says: 'rows short of it are tight, rows past it loose' },
    example: 'Bed socks',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; from fold to fold, and from the tip of the toe along the sole.',
    measuring:
      'Take the loop off the hook, lay the sock flat on a table, do not stretch. From fold to fold near the edge; a foot from the tip of its toe along the sole; a leg up from the last row of the heel. A count of the last round tells more than any tape.',
  },
  offCentre: {
    fields: {
      across: { label: 'Target across', question: 'How wide, with its rows?' },
      off: { label: 'Off its centre', question: 'How far off its centre does it begin?' },
    },
    handle: 'Edge of its rounds: target across',
    fitLine: { name: 'Flat line', says: 'rows short of it cup, rows past it ruffle' },
    example: 'Lamp-hook rest',
    measureNow: 'Take the loop off the hook, lay it flat, do not stretch; twice, at right angles.',
    measuring:
      'Before its rows: take the loop off the hook, lay the piece on a hard table, pat it, wait a minute, do not stretch. Across through where it began, then a quarter turn, and again. A count of the last round tells more than any tape.',
  },
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
