import type { AskingWords } from './askingWords.ts'

/** How what grows around both sides of a chain is asked for and measured. */
export const AROUND_CHAIN_WORDS = {
  oval: {
    fields: {
      length: { label: 'Long', question: 'How long, end to end?' },
      width: { label: 'Wide', question: 'How wide, side to side?' },
      edge: {
        label: 'Its edge',
        question: 'How does it end?',
        choices: {
          crisp: { label: 'Crisp wall', detail: 'One round in the back loops turns it up sharply.' },
          rounded: { label: 'Soft wall', detail: 'It turns up by itself, in a round or two.' },
          flat: { label: 'No wall', detail: 'It lies flat: a mat.' },
        },
      },
      height: { label: 'High', question: 'How high is the wall?' },
      of: {
        label: 'Measured',
        question: 'Is that its outside, or room inside?',
        choices: {
          outside: { label: 'Outside', detail: 'Over the fabric.' },
          inside: { label: 'Inside', detail: 'Room for what goes in: the fabric comes on top.' },
        },
      },
      ends: {
        label: 'In each end chain',
        question: 'How many in each end chain?',
        choices: {
          exact: {
            label: 'Exact',
            detail: 'As many as lie flat: usually sc 4, hdc 5, dc 7.',
          },
          fewer: {
            label: 'One fewer',
            detail: 'As is custom, sc 3, hdc 4, dc 6: a stitch shorter.',
          },
        },
      },
    },
    handle: 'Outer edge: width',
    fitLine: { name: 'Flat line', says: 'rows short of it cup, rows past it ruffle' },
    example: 'Bench mat',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; from end to end, and across the middle.',
    measuring:
      'Take the loop off the hook, lay the piece on a hard table, pat it, wait a minute, do not stretch. From end to end along the chain; from side to side across its middle. A wall: the tape around it, and up from the table. A count of the last round tells more than any tape.',
  },
  case: {
    fields: {
      long: { label: 'It is long', question: 'How long is it?' },
      thick: { label: 'Thick', question: 'How thick?' },
      high: { label: 'High', question: 'How high does it stand?' },
      corners: {
        label: 'Its corners',
        question: 'What corners, from above?',
        choices: {
          boxy: { label: 'Square', detail: 'A box.' },
          rounded: { label: 'Rounded', detail: 'By a radius.' },
          round: { label: 'Round ends', detail: 'Each end is half a circle.' },
        },
      },
      radius: { label: 'Corner radius', question: 'Rounded by how much?' },
      ease: { label: 'Smaller by', question: 'How much smaller than it?' },
      base: {
        label: 'Stands on',
        question: 'What does it stand on?',
        choices: {
          full: { label: 'A base', detail: 'An oval as large as the object, walls turned up from it.' },
          slim: { label: 'A line', detail: 'Walls go up from both sides of a chain: flat when empty.' },
        },
      },
      closing: {
        label: 'Closes',
        question: 'How does it close?',
        choices: {
          lid: {
            label: 'A lid',
            detail: 'A second piece with as many stitches, on a hinge at the back.',
          },
          flap: {
            label: 'A flap',
            detail: 'Rows on the back of its edge, over the top and down the front.',
          },
          none: { label: 'Open', detail: 'A sleeve as high as the object.' },
        },
      },
      opens: { label: 'Opens at', question: 'Where does it open, of its height?' },
      hinge: { label: 'Hinge', question: 'How much of the way around is hinge?' },
      part: {
        label: 'Which part',
        question: 'Which part?',
        choices: {
          body: { label: 'Body', detail: 'Up to where the object opens.' },
          lid: { label: 'Lid', detail: 'From there over its top; as many stitches as the body.' },
        },
      },
    },
    handle: 'Open edge: height',
    fitLine: { name: 'Girth line', says: 'rows short of it are tight, rows past it loose' },
    example: 'Headlamp case',
    measureNow: 'Take the loop off the hook, do not stretch; the base from end to end, a wall around.',
    measuring:
      'Take the loop off the hook, stand the piece on a table, do not stretch. The tape around its wall, over the fabric; up from the table to its edge. A base from end to end along its chain. A count of the last round tells more than any tape.',
  },
  pouch: {
    fields: {
      wide: { label: 'Wide', question: 'How wide, laid flat?' },
      high: { label: 'High', question: 'How high, up to the cord?' },
      cord: {
        label: 'Closes',
        question: 'How does it close?',
        choices: {
          drawstring: { label: 'A cord', detail: 'Of chain, through holes every two to three centimetres.' },
          none: { label: 'It stays open', detail: 'No holes.' },
        },
      },
      edge: {
        label: 'Edge',
        question: 'What edge over it?',
        choices: {
          frilled: { label: 'Frilled', detail: 'More stitches at once: it waves.' },
          plain: { label: 'Plain', detail: 'As many as below.' },
        },
      },
      edgeHeight: { label: 'Edge high', question: 'How high is the edge?' },
      flare: { label: 'Frill', question: 'How many more in the frill?' },
      lining: {
        label: 'Lining',
        question: 'Is it lined?',
        choices: {
          none: { label: 'None', detail: 'As it is worked.' },
          lined: { label: 'Lined', detail: 'What to cut is said with the plan.' },
        },
      },
    },
    handle: 'Open edge: height',
    fitLine: { name: 'Girth line', says: 'rows short of it are narrow, rows past it wide' },
    example: 'Compass pouch',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; from fold to fold, and up from the chain.',
    measuring:
      'Take the loop off the hook, lay the pouch flat on a table, pat it, do not stretch. Its width from fold to fold; its length from the chain to the edge. A count of the last round tells more than any tape.',
  },
  bootie: {
    fields: {
      foot: { label: 'Foot', question: 'How long is the foot?' },
      room: { label: 'Toe room', question: 'How much longer than the foot?' },
      wide: { label: 'Sole wide', question: 'How wide, for its length?' },
      opening: { label: 'Opening', question: 'Around the opening, for its length?' },
      cuffHeight: { label: 'Cuff high', question: 'How high is the cuff?' },
      cuff: {
        label: 'Cuff',
        question: 'What cuff?',
        choices: {
          plain: { label: 'Plain', detail: 'Even rounds to the edge.' },
          ribbed: {
            label: 'Ribbed',
            detail: 'Front and back post stitches in turn: it draws in and stretches.',
          },
          folded: { label: 'Folded', detail: 'A rib twice as high, folded down once it is done.' },
        },
      },
      side: {
        label: 'Which foot',
        question: 'Which foot first?',
        choices: {
          left: { label: 'Left', detail: 'Rounds begin at the inner side of its heel.' },
          right: { label: 'Right', detail: 'Its mirror image: every round the other way round.' },
        },
      },
    },
    usual: {
      question: 'Whose foot, if it cannot be measured?',
      of: {
        threeMonths: '0 to 3 months',
        sixMonths: '3 to 6 months',
        nineMonths: '6 to 9 months',
        oneYear: '9 to 12 months',
        eighteenMonths: '12 to 18 months',
        twoYears: '2 years',
        threeYears: '3 years',
      },
    },
    handle: 'Cuff: how high',
    fitLine: { name: 'Flat line', says: 'rows short of it cup, rows past it ruffle' },
    example: 'Cradle booties',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; the sole from end to end, and across it.',
    measuring:
      'Take the loop off the hook, lay the sole on a hard table, pat it, wait a minute, do not stretch. From end to end along the chain; from side to side where it is widest. A wall: the tape around it, and up from the table at the heel. A count of the last round tells more than any tape.',
  },
} satisfies Readonly<Record<string, AskingWords>>
