import type { FamilyName, TapePlace } from '../../core/index.ts'
import { AROUND_CHAIN_WORDS } from './aroundChainWords.ts'
import type { AskingWords } from './askingWords.ts'
import { IN_ROWS_WORDS } from './inRowsWords.ts'
import { MEASURE_WORDS } from './measureWords.ts'

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
  ...AROUND_CHAIN_WORDS,
  ...IN_ROWS_WORDS,
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
          earFlaps: {
            label: 'Ear flaps',
            detail: 'Two flaps in rows on the edge, narrowed as they go down. Ties short, none for babies.',
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
    if (again) return place.of === 'toTheCurve' ? 'At another place' : 'A quarter turn on'
    if (place.at === 'start') return 'Near the start'
    return place.of === 'around' && !place.needed ? 'Around, if you can' : MEASURE_WORDS[place.of].field
  })
}
