import type { FamilyName, TapePlace } from '../../core/index.ts'
import { MEASURE_WORDS } from './measureWords.ts'

interface FieldWords {
  readonly label: string
  /** What is asked of somebody who begins a piece. */
  readonly question: string
  /** Words for each of its choices, where it is one. */
  readonly choices?: Readonly<Record<string, { readonly label: string; readonly detail: string }>>
}

interface AskingWords {
  readonly fields: Readonly<Record<string, FieldWords>>
  /** Whose usual sizes it knows. */
  readonly usual?: { readonly question: string; readonly of: Readonly<Record<string, string>> }
  /** What the handle on its edge is called, and the line that its row ends meet. */
  readonly handle: string
  readonly fitLine: { readonly name: string; readonly says: string }
  /** What one may be for. */
  readonly example: string
  /** How it is measured, for somebody who is at the hook. */
  readonly measureNow: string
  /** How it is measured, for somebody who has the tape in hand. */
  readonly measuring: string
}

const END = {
  label: 'Its end',
  question: 'What becomes of its end?',
  choices: {
    open: { label: 'Open', detail: 'It stays as the last round leaves it.' },
    gathered: { label: 'Gathered', detail: 'A thread through every second stitch draws it in.' },
    flat: { label: 'Joined flat', detail: 'Laid double, both edges are joined stitch to stitch: a pad.' },
  },
} as const

/** How every family of forms is asked for, drawn and measured, in a maker's words. */
const ASKING_WORDS: Readonly<Record<FamilyName, AskingWords>> = {
  disc: {
    fields: { across: { label: 'Target across', question: 'How wide?' } },
    handle: 'Outer edge: target across',
    fitLine: { name: 'Flat line', says: 'rows short of it cup, rows past it ruffle' },
    example: 'Kettle trivet',
    measureNow: 'Take the loop off the hook, lay it flat, do not stretch; twice, at right angles.',
    measuring:
      'Take the loop off the hook, lay the piece on a hard table, pat it, wait a minute, do not stretch. Across through the centre, clear of the seam; then a quarter turn, and again. A count of the last round tells more than any tape.',
  },
  cap: {
    fields: {
      head: { label: 'Head around', question: 'Around the head?' },
      depth: { label: 'Deep', question: 'How deep, crown to edge?' },
      ease: { label: 'Smaller by', question: 'How much smaller than the head?' },
      crown: {
        label: 'Crown',
        question: 'What crown?',
        choices: {
          rounded: {
            label: 'Rounded',
            detail: 'Even rounds between the last wider ones, so that it turns over softly.',
          },
          flat: { label: 'Flat', detail: 'A disc as wide as the cap, then straight down.' },
          dome: { label: 'Dome', detail: 'Half a ball. It takes more of the depth.' },
          tall: { label: 'Tall', detail: 'Four more a round from a point. It takes most of the depth.' },
        },
      },
      brim: {
        label: 'Brim',
        question: 'What brim?',
        choices: {
          plain: { label: 'Plain', detail: 'Straight to the edge.' },
          tightened: { label: 'Tightened', detail: 'Three rounds at the edge, 5% smaller, to hold on.' },
          ribbed: {
            label: 'Ribbed',
            detail: 'Front and back post stitches in turn, 5% fewer: it draws in and stretches.',
          },
          folded: { label: 'Folded', detail: 'A rib twice as high, turned up once it is done.' },
          flared: {
            label: 'Flared',
            detail: 'Three rounds at the edge with a third more stitches: it stands out nearly flat.',
          },
        },
      },
      brimHeight: { label: 'Rib, as worn', question: 'How high is the rib?' },
    },
    usual: {
      question: 'No head to measure?',
      of: {
        newborn: 'Newborn',
        threeMonths: '3 months',
        sixMonths: '6 months',
        oneYear: '1 year',
        twoToThree: '2 to 3 years',
        fourToSix: '4 to 6 years',
        sevenToTen: '7 to 10 years',
        teen: 'Teen',
        adultSmall: 'Adult, small',
        adultMedium: 'Adult, medium',
        adultLarge: 'Adult, large',
        adultExtraLarge: 'Adult, extra large',
      },
    },
    handle: 'Edge: depth',
    fitLine: { name: 'Crown line', says: 'rows short of it draw in' },
    example: 'Warden’s cap',
    measureNow:
      'Take the loop off the hook, do not stretch; a crown across its middle, below it laid flat from fold to fold, and from the crown’s middle down.',
    measuring:
      'Take the loop off the hook, pat it, wait a minute, do not stretch. While it is a crown: across through its middle, then a quarter turn, and again. Below the crown: lay it flat, double, and measure from fold to fold near the edge; and its depth, from the middle of the crown down along the surface. A count of the last round tells more than any tape.',
  },
  vessel: {
    fields: {
      base: { label: 'Base across', question: 'How wide is the base?' },
      height: { label: 'High', question: 'How high?' },
      of: {
        label: 'Measured',
        question: 'Measured where?',
        choices: {
          outside: { label: 'Outside', detail: 'Over the fabric, as it must fit on a shelf.' },
          inside: {
            label: 'Inside',
            detail: 'Between the walls, as what goes in it. The fabric’s own thickness is added.',
          },
        },
      },
      lean: { label: 'Wider on top by', question: 'How much wider on top?' },
      edge: {
        label: 'Edge of the base',
        question: 'What edge?',
        choices: {
          crisp: {
            label: 'Crisp',
            detail: 'The first round of the wall goes into the back loops: it turns sharply and stands.',
          },
          rounded: { label: 'Rounded', detail: 'Worked on as before: it turns over two or three rounds.' },
          lip: {
            label: 'Lip',
            detail:
              'A round in the front loops stands out as a foot; the wall goes up behind it, from the back loops.',
          },
        },
      },
    },
    handle: 'Edge: height',
    fitLine: { name: 'Base line', says: 'rows short of it draw in, rows past it ruffle' },
    example: 'Kindling basket',
    measureNow:
      'Take the loop off the hook, do not stretch; a base lying flat, across its middle; a wall with the tape around it outside, and from the table up.',
    measuring:
      'Take the loop off the hook, wait a minute, do not stretch. While it is a base: lay it flat, pat it, measure across through its middle, then a quarter turn, and again. Once the wall is begun: stand it on a table, lay the tape around the wall outside, just under its edge; and measure from the table up to the edge. A count of the last round tells more than any tape.',
  },
  ball: {
    fields: {
      across: { label: 'Across, filled', question: 'How wide, filled?' },
      longer: { label: 'Longer by', question: 'How much longer than wide?' },
      widest: { label: 'Widest at', question: 'Where is it widest?' },
      filling: {
        label: 'Filling',
        question: 'How is it filled?',
        choices: {
          firm: {
            label: 'Firmly',
            detail: 'It grows 4% in girth: worked so much smaller, so that it comes as asked.',
          },
          soft: { label: 'Softly', detail: 'It grows 2% in girth.' },
          none: { label: 'Not at all', detail: 'Around something hard, or left empty.' },
        },
      },
    },
    handle: 'Edge: how wide',
    fitLine: { name: 'Line of its shape', says: 'rows short of it draw in' },
    example: 'Door-stop ball',
    measureNow:
      'Take the loop off the hook, do not stretch; the tape around it outside, just under the hook’s edge.',
    measuring:
      'Take the loop off the hook, wait a minute, do not stretch. While it still widens: the tape around it outside, just under its edge. Once it closes: stand it on a table and measure up to its edge. A count of the last round tells more than any tape.',
  },
  cone: {
    fields: {
      to: { label: 'Across its end', question: 'How wide at its end?' },
      length: { label: 'Along its side', question: 'How long, along its side?' },
      begins: {
        label: 'Begins',
        question: 'How does it begin?',
        choices: {
          point: { label: 'In a point', detail: 'A few stitches in a ring, a steady few more each round.' },
          open: { label: 'Open', detail: 'On a chain joined into a ring: a funnel, or a pad.' },
        },
      },
      from: { label: 'Across its start', question: 'How wide where it begins?' },
      end: END,
    },
    handle: 'Edge: length',
    fitLine: { name: 'Line of its side', says: 'rows short of it are tight, rows past it loose' },
    example: 'Oil funnel cover',
    measureNow:
      'Take the loop off the hook, lay it flat, do not stretch; from fold to fold, and along its side.',
    measuring:
      'Take the loop off the hook, lay the piece flat on a hard table, double, pat it, wait a minute, do not stretch. From fold to fold at its edge; and along a fold from where it began to the edge. A count of the last round tells more than any tape.',
  },
  drawn: {
    fields: {
      outline: { label: 'Shape', question: 'What shape?' },
      of: {
        label: 'Drawn',
        question: 'What is drawn?',
        choices: {
          object: {
            label: 'The thing',
            detail: 'What it goes over: a jar, a lantern, a last: the fabric’s own thickness is allowed for.',
          },
          itself: { label: 'The piece', detail: 'As it stands when it is done, measured outside.' },
        },
      },
      ease: { label: 'Narrower by', question: 'How much narrower than that?' },
      between: {
        label: 'From point to point',
        question: 'From point to point?',
        choices: {
          curved: { label: 'Curved', detail: 'It swings through its points, and beyond none of them.' },
          straight: { label: 'Straight', detail: 'With a corner at every point.' },
        },
      },
      foot: {
        label: 'Foot',
        question: 'What foot?',
        choices: {
          rounded: {
            label: 'Rounded',
            detail: 'Closed: it turns over into its side in two or three rounds.',
          },
          crisp: {
            label: 'Crisp',
            detail: 'Closed: the first round of its side goes into the back loops, and stands.',
          },
          open: { label: 'Open', detail: 'On a chain joined into a ring.' },
        },
      },
    },
    handle: 'Edge: height',
    fitLine: { name: 'Line of its shape', says: 'rows short of it draw in, rows past it stand out' },
    example: 'Lantern cover',
    measureNow:
      'Take the loop off the hook, do not stretch; a foot lying flat, across its middle; a side with the tape around it outside, and from the table up.',
    measuring:
      'Take the loop off the hook, wait a minute, do not stretch. While it is a foot: lay it flat, pat it, measure across through its middle, then a quarter turn, and again. Once its side is begun: stand it on a table, lay the tape around it outside, just under its edge; and measure from the table up to the edge. A count of the last round tells more than any tape.',
  },
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
  tube: {
    fields: {
      girth: { label: 'Around', question: 'How far around?' },
      of: {
        label: 'Around what',
        question: 'Around what?',
        choices: {
          object: {
            label: 'What it goes over',
            detail: 'The tape around the object. The fabric’s own thickness is allowed for.',
          },
          tube: {
            label: 'The tube itself',
            detail: 'Twice as far as the finished tube is wide when it is laid flat.',
          },
        },
      },
      ease: { label: 'Smaller by', question: 'How much smaller than that?' },
      length: { label: 'Long', question: 'How long?' },
      end: END,
    },
    handle: 'Open edge: length',
    fitLine: { name: 'Girth line', says: 'rows short of it are tight, rows past it loose' },
    example: 'Lamp-glass sleeve',
    measureNow: 'Take the loop off the hook, lay it flat, do not stretch; from fold to fold, and along it.',
    measuring:
      'Take the loop off the hook, lay the tube flat on a hard table, pat it, wait a minute, do not stretch. Its width from fold to fold, near the edge and near the start; its length along it, from the chain to the edge. A count of the last round tells more than any tape.',
  },
}

export const askingWordsOf = ({ family }: { readonly family: FamilyName }): AskingWords =>
  ASKING_WORDS[family]

/** What the fields are called that take what a tape finds, in order: the same place twice is a second time. */
export function tapeLabels(tape: readonly TapePlace[]): string[] {
  return tape.map((place, index) => {
    const again = tape.slice(0, index).some(({ of, at }) => of === place.of && at === place.at)
    if (again) return 'A quarter turn on'
    if (place.at === 'start') return 'Near the start'
    return place.of === 'around' && !place.needed ? 'Around, if you can' : MEASURE_WORDS[place.of].field
  })
}
