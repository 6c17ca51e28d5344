import { EmbeddedActionsParser, type IToken, type TokenType } from 'chevrotain'
import * as T from './tokens.ts'
import type { Again, FlatItem, Item, Mark, Place, Several, Span, StitchWord, Work } from './syntax.ts'

/** A line as it was understood, or the place at which it stopped to make sense. */
export type Parsed = { readonly items: readonly Item[] } | { readonly at: Span }

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  once: 1,
  one: 1,
  twice: 2,
  two: 2,
  second: 2,
  thrice: 3,
  three: 3,
  third: 3,
  four: 4,
  fourth: 4,
  five: 5,
  fifth: 5,
  six: 6,
  sixth: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
}

const numberIn = (text: string): number => {
  const digits = /\d+/.exec(text)
  if (digits) return Number(digits[0])
  const word = /[a-z]+/i.exec(text)
  return (word && NUMBER_WORDS[word[0].toLowerCase()]) ?? 1
}

const LONG: readonly (readonly [RegExp, StitchWord])[] = [
  [/^(?:sl|ss|s\.s)/i, 'slst'],
  [/^half[ -]double/i, 'hdc'],
  [/^half[ -]treble/i, 'htr'],
  [/^double treble/i, 'dtr'],
  [/^double/i, 'dc'],
  [/^single/i, 'sc'],
  [/^treble/i, 'tr'],
]

/** The stitch that a word or its short form names. */
function stitchIn(text: string): StitchWord {
  const word = text.trim()
  const long = LONG.find(([pattern]) => pattern.test(word))
  return long ? long[1] : (/(?:hdc|htr|dtr|sc|dc|tr)/i.exec(word)![0].toLowerCase() as StitchWord)
}

type Worked = Pick<Work, 'shape' | 'together'> & Partial<Work>

/** What opens, closes and stands between is one character; all marks are a token of their own. */
const MARKS = {
  EndFree: 'endFree',
  NoJoin: 'noJoin',
  Leave: 'leave',
  RowEnds: 'rowEnds',
  OverPart: 'overPart',
  NoTurn: 'noTurn',
  JoinTube: 'joinTube',
  JoinRing: 'joinRing',
  JoinYarn: 'joinYarn',
  Join: 'join',
  OtherSide: 'otherSide',
  Turn: 'turn',
  FastenOff: 'fastenOff',
  Marker: 'marker',
  FromHook: 'fromHook',
  Ring: 'ring',
  Counts: 'counts',
  CountsNot: 'countsNot',
  BackLoops: 'backLoops',
  FrontLoops: 'frontLoops',
  LastChain: 'lastChain',
  AlongChain: 'alongChain',
  ToRow: 'toRow',
} as const satisfies Readonly<Record<string, Mark['kind']>>

/** What says nothing where it stands alone. */
const STRAY = [
  T.WithChain,
  T.Word,
  T.In,
  T.Next,
  T.First,
  T.Last,
  T.Each,
  T.Same,
  T.St,
  T.Over,
  T.More,
  T.ChainSpace,
  T.Picot,
]

/** What a place begins with. */
const BEGINS_PLACE: ReadonlySet<TokenType> = new Set([
  T.In,
  T.Each,
  T.Next,
  T.Same,
  T.Around,
  T.Of,
  T.Over,
  T.Ring,
  T.FromHook,
  T.EndChain,
  T.ToLast,
])

const MARK_TOKENS = Object.keys(MARKS).map((name) => T[name as keyof typeof MARKS])

/**
 * The grammar of a round: things to do in a row, in any separators, brackets in brackets. Stars and what says how often
 * stay where they stand; `foldRepeats` makes repeats of them.
 */
class RoundParser extends EmbeddedActionsParser {
  constructor() {
    super([...T.TOKENS], { maxLookahead: 3, recoveryEnabled: false, nodeLocationTracking: 'none' })
    this.performSelfAnalysis()
  }

  readonly round = this.RULE('round', (): FlatItem[] => {
    const items: FlatItem[] = []
    this.MANY(() => {
      this.OR([
        { ALT: () => this.SUBRULE(this.separator) },
        {
          ALT: () => {
            const more = this.SUBRULE(this.item)
            this.ACTION(() => items.push(...more))
          },
        },
      ])
    })
    return items
  })

  private readonly separator = this.RULE('separator', () => {
    this.OR([
      { ALT: () => this.CONSUME(T.Comma) },
      { ALT: () => this.CONSUME(T.Semicolon) },
      { ALT: () => this.CONSUME(T.Stop) },
      { ALT: () => this.CONSUME(T.Colon) },
      { ALT: () => this.CONSUME(T.And) },
      { ALT: () => this.CONSUME(T.Dash) },
    ])
  })

  private readonly item = this.RULE('item', (): FlatItem[] =>
    this.OR<FlatItem[]>([
      { ALT: () => [this.SUBRULE(this.bracket)] },
      { ALT: () => [this.SUBRULE(this.again)] },
      { ALT: () => [this.SUBRULE(this.chain)] },
      { ALT: () => this.SUBRULE(this.work) },
      { ALT: () => [this.SUBRULE(this.skip)] },
      { ALT: () => [this.SUBRULE(this.total)] },
      { ALT: () => [this.SUBRULE(this.yarn)] },
      { ALT: () => [this.SUBRULE(this.mark)] },
      {
        ALT: () => {
          const token = this.CONSUME(T.Star)
          return [{ kind: 'star', span: spanOf(token) }]
        },
      },
      { ALT: () => [this.SUBRULE(this.unread)] },
    ]),
  )

  /** "(sc, inc) × 6", "(hdc, dc) in next st", "(2 sc in next st)". */
  private readonly bracket = this.RULE('bracket', (): Several => {
    const open = this.CONSUME(T.Open)
    const items: FlatItem[] = []
    this.MANY(() => {
      this.OR([
        { ALT: () => this.SUBRULE(this.separator) },
        {
          ALT: () => {
            const more = this.SUBRULE(this.item)
            this.ACTION(() => items.push(...more))
          },
        },
      ])
    })
    const close = this.CONSUME(T.Close)
    const into = this.OPTION(() => this.SUBRULE(this.place))
    // Folding is no business of a recording.
    return this.ACTION(() => ({
      kind: 'several' as const,
      span: { from: open.startOffset, to: close.startOffset + 1 },
      items: foldRepeats(items),
      ...(into ? { into } : {}),
    }))
  })

  /** "× 6", "6 times", "rep from * around", "repeat 5 more times", "twice", "rep from * to last 2 sts". */
  private readonly again = this.RULE('again', (): Again => {
    const first = this.LA(1)
    let often: Again['often'] = { kind: 'around', left: 0 }
    this.OR([
      {
        ALT: () => {
          this.CONSUME(T.Rep)
          this.OPTION(() => {
            this.OR2([{ ALT: () => this.CONSUME(T.FromStar) }, { ALT: () => this.CONSUME(T.Star) }])
          })
          this.OPTION2(() => (often = this.SUBRULE(this.oftenAgain)))
        },
      },
      { ALT: () => (often = this.SUBRULE(this.oftenOf)) },
    ])
    const last = this.LA(0)
    return this.ACTION(() => ({
      kind: 'again' as const,
      span: spanFrom(first, last),
      often,
      said: first.tokenType === T.Rep,
    }))
  })

  /** After "repeat": so many times again, or as far as the round goes. */
  private readonly oftenAgain = this.RULE('oftenAgain', (): Again['often'] =>
    this.OR<Again['often']>([
      { ALT: () => this.SUBRULE(this.asFarAs) },
      {
        ALT: () => {
          const count = this.SUBRULE(this.count)
          let more = false
          this.OPTION(() => {
            this.CONSUME(T.More)
            more = true
          })
          this.OPTION2(() => this.CONSUME(T.Times))
          this.OPTION3(() => {
            this.CONSUME2(T.More)
            more = true
          })
          this.OPTION4(() => this.CONSUME(T.Around))
          return this.ACTION(() => ({ kind: 'again' as const, times: numberIn(count.image), more }))
        },
      },
      {
        ALT: () => {
          const count = this.CONSUME(T.Often)
          let more = false
          this.OPTION5(() => {
            this.CONSUME3(T.More)
            more = true
          })
          return { kind: 'again', times: numberIn(count.image), more }
        },
      },
    ]),
  )

  private readonly oftenOf = this.RULE('oftenOf', (): Again['often'] =>
    this.OR<Again['often']>([
      { ALT: () => this.SUBRULE(this.asFarAs) },
      {
        ALT: () => {
          this.CONSUME(T.Times)
          const count = this.SUBRULE(this.count)
          this.OPTION(() => this.CONSUME2(T.Times))
          return this.ACTION(() => ({ kind: 'times' as const, times: numberIn(count.image) }))
        },
      },
      {
        ALT: () => {
          const count = this.SUBRULE2(this.count)
          let more = false
          this.OPTION2(() => {
            this.CONSUME(T.More)
            more = true
          })
          this.CONSUME3(T.Times)
          return this.ACTION(() => oftenOf(numberIn(count.image), more))
        },
      },
      {
        ALT: () => {
          const count = this.CONSUME(T.Often)
          let more = false
          this.OPTION3(() => {
            this.CONSUME2(T.More)
            more = true
          })
          return oftenOf(numberIn(count.image), more)
        },
      },
    ]),
  )

  private readonly asFarAs = this.RULE('asFarAs', (): Again['often'] =>
    this.OR<Again['often']>([
      {
        ALT: () => {
          this.CONSUME(T.Around)
          return { kind: 'around', left: 0 }
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.ToLast)
          let left = 1
          this.OPTION(() => {
            const count = this.SUBRULE(this.count)
            this.ACTION(() => (left = numberIn(count.image)))
          })
          this.OPTION2(() => this.CONSUME(T.St))
          return { kind: 'around', left }
        },
      },
    ]),
  )

  private readonly count = this.RULE('count', (): IToken =>
    this.OR([
      { ALT: () => this.CONSUME(T.Numeral) },
      { ALT: () => this.CONSUME(T.NumberWord) },
      { ALT: () => this.CONSUME(T.One) },
    ]),
  )

  /** "ch 3", "3 ch", "ch 3 over 4 skipped sts". */
  private readonly chain = this.RULE('chain', (): FlatItem => {
    const first = this.LA(1)
    let count: IToken | undefined
    this.OR([
      {
        ALT: () => {
          this.CONSUME(T.Ch)
          this.OPTION(() => (count = this.SUBRULE(this.count)))
        },
      },
      {
        ALT: () => {
          count = this.SUBRULE2(this.count)
          this.CONSUME2(T.Ch)
        },
      },
    ])
    let over: IToken | undefined
    this.OPTION2(() => {
      this.CONSUME(T.Over)
      over = this.SUBRULE3(this.count)
      this.CONSUME(T.Skip)
      this.CONSUME(T.St)
    })
    const last = this.LA(0)
    return this.ACTION(() => ({
      kind: 'chain' as const,
      span: spanFrom(first, last),
      times: count ? numberIn(count.image) : 1,
      ...(over ? { over: numberIn(over.image) } : {}),
    }))
  })

  private readonly skip = this.RULE('skip', (): FlatItem => {
    const first = this.CONSUME(T.Skip)
    let count: IToken | undefined
    this.OPTION(() => {
      this.OR([
        { ALT: () => this.CONSUME(T.Next) },
        { ALT: () => this.CONSUME(T.First) },
        { ALT: () => this.CONSUME(T.Each) },
      ])
    })
    this.OPTION2(() => (count = this.SUBRULE(this.count)))
    this.OPTION3(() => {
      this.OR2([
        { ALT: () => this.CONSUME(T.St) },
        { ALT: () => this.CONSUME(T.Stitch) },
        { ALT: () => this.CONSUME(T.Ch) },
        { ALT: () => this.CONSUME(T.ChainSpace) },
      ])
    })
    const last = this.LA(0)
    return this.ACTION(() => ({
      kind: 'skip' as const,
      span: spanFrom(first, last),
      times: count ? numberIn(count.image) : 1,
    }))
  })

  /** "2 sc in next st", "sc 2", "sc2tog", "in each st around": what is said of a second place is a work of its own. */
  private readonly work = this.RULE('work', (): FlatItem[] => {
    const first = this.LA(1)
    let count: IToken | undefined
    let loops: Work['loops']
    let picot = false
    const places: Placed[] = []
    this.OPTION(() => (count = this.SUBRULE(this.count)))
    const worked = this.SUBRULE(this.unit)
    this.OPTION2(() => (count = this.SUBRULE2(this.count)))
    this.OPTION7(() => this.CONSUME(T.WithChain))
    this.OPTION3(() => (loops = this.SUBRULE(this.loopsHere)))
    this.OPTION4(() => {
      places.push(this.SUBRULE(this.placed))
      this.MANY({
        // "and in each of the next" goes on, "and two sc" is something else.
        GATE: () => BEGINS_PLACE.has(this.LA(2).tokenType),
        DEF: () => {
          this.CONSUME(T.And)
          places.push(this.SUBRULE2(this.placed))
        },
      })
    })
    this.OPTION5(() => (loops = this.SUBRULE2(this.loopsHere)))
    this.OPTION6(() => {
      this.CONSUME(T.Picot)
      picot = true
    })
    const last = this.LA(0)
    return this.ACTION(() => {
      const one = (to: IToken, place?: Place): Work => ({
        kind: 'work',
        span: spanFrom(first, to),
        ...worked,
        ...(picot ? { manner: 'picot' as const } : {}),
        ...(count ? { number: numberIn(count.image) } : {}),
        ...(loops ? { loops } : {}),
        ...(place ? { place } : {}),
      })
      return places.length > 0 ? places.map(({ place, last: to }) => one(to, place)) : [one(last)]
    })
  })

  private readonly loopsHere = this.RULE('loopsHere', (): 'back' | 'front' => {
    const found = this.OR<'back' | 'front'>([
      {
        ALT: () => {
          this.CONSUME(T.BackLoops)
          return 'back'
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.FrontLoops)
          return 'front'
        },
      },
    ])
    return found
  })

  private readonly unit = this.RULE('unit', (): Worked => {
    let before: IToken | undefined
    this.OPTION(() => {
      this.OR([
        { ALT: () => (before = this.CONSUME(T.Spike)) },
        { ALT: () => (before = this.CONSUME(T.Reverse)) },
      ])
    })
    let worked: Worked = { shape: 'plain', together: 1 }
    this.OR2([
      {
        ALT: () => {
          const token = this.CONSUME(T.Stitch)
          let shape: Work['shape'] = 'plain'
          this.OPTION2(() => {
            this.OR3([
              {
                ALT: () => {
                  this.CONSUME2(T.Inc)
                  shape = 'inc'
                },
              },
              {
                ALT: () => {
                  this.CONSUME2(T.Dec)
                  shape = 'dec'
                },
              },
            ])
          })
          this.ACTION(() => {
            worked = { shape, stitch: stitchIn(token.image), together: shape === 'dec' ? 2 : 1 }
          })
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Inc)
          worked = { shape: 'inc', together: 1 }
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Dec)
          worked = { shape: 'dec', together: 2 }
        },
      },
      {
        ALT: () => {
          const { image } = this.CONSUME(T.Together)
          this.ACTION(() => {
            worked = { shape: 'dec', stitch: stitchIn(image), together: numberIn(image) }
          })
        },
      },
      {
        ALT: () => {
          const { image } = this.CONSUME(T.Post)
          this.ACTION(() => (worked = postOf(image)))
        },
      },
      {
        ALT: () => {
          const { image } = this.CONSUME(T.Bunch)
          this.ACTION(() => (worked = bunchOf(image)))
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Popcorn)
          worked = { shape: 'plain', together: 1, manner: 'popcorn', of: 5, stitch: 'dc' }
        },
      },
    ])
    return this.ACTION(() =>
      before ? { ...worked, manner: before.tokenType === T.Spike ? 'spike' : 'reverse' } : worked,
    )
  })

  private readonly placed = this.RULE('placed', (): Placed => {
    const place = this.SUBRULE(this.place)
    return { place, last: this.LA(0) }
  })

  /** "in next 5 sts", "in each st around", "in same st", "in ring", "in 2nd ch from hook", "in last ch", "around". */
  private readonly place = this.RULE('place', (): Place => {
    const seen: IToken[] = []
    const take = (token: IToken) => seen.push(token)
    this.OR([
      { ALT: () => take(this.CONSUME(T.In)) },
      { ALT: () => take(this.CONSUME(T.Each)) },
      { ALT: () => take(this.CONSUME(T.Next)) },
      { ALT: () => take(this.CONSUME(T.Same)) },
      { ALT: () => take(this.CONSUME(T.Around)) },
      { ALT: () => take(this.CONSUME(T.Of)) },
      { ALT: () => take(this.CONSUME(T.Over)) },
      { ALT: () => take(this.CONSUME(T.Ring)) },
      { ALT: () => take(this.CONSUME(T.FromHook)) },
      { ALT: () => take(this.CONSUME(T.EndChain)) },
      { ALT: () => take(this.CONSUME(T.ToLast)) },
    ])
    this.MANY({
      GATE: () => goesOnPlace(seen, this.LA(1)),
      DEF: () => {
        this.OR2([
          { ALT: () => take(this.CONSUME2(T.In)) },
          { ALT: () => take(this.CONSUME2(T.Each)) },
          { ALT: () => take(this.CONSUME2(T.Next)) },
          { ALT: () => take(this.CONSUME2(T.Same)) },
          { ALT: () => take(this.CONSUME2(T.Around)) },
          { ALT: () => take(this.CONSUME2(T.Of)) },
          { ALT: () => take(this.CONSUME2(T.One)) },
          { ALT: () => take(this.CONSUME2(T.First)) },
          { ALT: () => take(this.CONSUME2(T.Last)) },
          { ALT: () => take(this.CONSUME2(T.Numeral)) },
          { ALT: () => take(this.CONSUME2(T.NumberWord)) },
          { ALT: () => take(this.CONSUME2(T.St)) },
          { ALT: () => take(this.CONSUME2(T.Stitch)) },
          { ALT: () => take(this.CONSUME2(T.Ch)) },
          { ALT: () => take(this.CONSUME2(T.ChainSpace)) },
          { ALT: () => take(this.CONSUME2(T.ToLast)) },
        ])
      },
    })
    return this.ACTION(() => placeOf(seen))
  })

  private readonly total = this.RULE('total', (): FlatItem => {
    const token = this.CONSUME(T.Total)
    return this.ACTION(() => ({ kind: 'total' as const, span: spanOf(token), count: numberIn(token.image) }))
  })

  private readonly yarn = this.RULE('yarn', (): FlatItem => {
    const token = this.OR<IToken>([
      { ALT: () => this.CONSUME(T.YarnTo) },
      { ALT: () => this.CONSUME(T.WithYarn) },
    ])
    return this.ACTION(() => ({ kind: 'yarn' as const, span: spanOf(token), yarn: yarnIn(token.image) }))
  })

  private readonly mark = this.RULE('mark', (): FlatItem => {
    const token = this.OR(MARK_TOKENS.map((type) => ({ ALT: () => this.CONSUME(type) })))
    return this.ACTION(() => ({
      kind: MARKS[token.tokenType.name as keyof typeof MARKS],
      span: spanOf(token),
      ...(/\d|second|third|fourth|fifth|sixth/i.test(token.image) ? { number: numberIn(token.image) } : {}),
    }))
  })

  private readonly unread = this.RULE('unread', (): FlatItem => {
    const first = this.LA(1)
    this.OR([
      {
        ALT: () =>
          this.AT_LEAST_ONE(() => this.OR2(STRAY.map((type) => ({ ALT: () => this.CONSUME(type) })))),
      },
      { ALT: () => this.SUBRULE(this.count) },
    ])
    const last = this.LA(0)
    return this.ACTION(() => ({
      kind: 'unread' as const,
      span: spanFrom(first, last),
      ...(first === last && /^\d+$/.test(first.image) ? { number: Number(first.image) } : {}),
    }))
  })
}

interface Placed {
  readonly place: Place
  readonly last: IToken
}

const oftenOf = (times: number, more: boolean): Again['often'] =>
  more ? { kind: 'again', times, more } : { kind: 'times', times }

const endOf = ({ startOffset, image }: IToken): number => startOffset + image.length
const spanFrom = (first: IToken, last: IToken): Span => ({ from: first.startOffset, to: endOf(last) })
const spanOf = (token: IToken): Span => ({ from: token.startOffset, to: endOf(token) })

/** What has named a stitch, so that nothing but "around" or "of" can follow in a place. */
const NAMED = new Set(['St', 'Stitch', 'Ch', 'ChainSpace', 'EndChain', 'FromHook', 'Ring'])

function goesOnPlace(seen: readonly IToken[], next: IToken): boolean {
  const last = seen.at(-1)?.tokenType.name ?? ''
  const name = next.tokenType.name
  if (NAMED.has(last)) return name === 'Around' || name === 'Of' || name === 'ToLast'
  if (last === 'Around') {
    // "around each st" of a post, and nothing after "sc around".
    return seen.length === 1 && (name === 'Each' || name === 'Next' || name === 'Same')
  }
  if (last === 'Numeral' || last === 'NumberWord') return NAMED.has(name)
  if (name === 'Numeral' || name === 'NumberWord') {
    return ['Next', 'Last', 'First', 'Of', 'ToLast', 'Over', 'In', 'Each'].includes(last)
  }
  return true
}

function placeOf(seen: readonly IToken[]): Place {
  const has = (name: string) => seen.some(({ tokenType }) => tokenType.name === name)
  const first = (name: string) => seen.find(({ tokenType }) => tokenType.name === name)
  const counted = seen.find(({ tokenType: { name } }) => name === 'Numeral' || name === 'NumberWord')
  const number = counted ? numberIn(counted.image) : undefined
  if (has('Ring')) return { kind: 'ring' }
  const hook = first('FromHook')
  if (hook) return { kind: 'fromHook', nth: numberIn(hook.image) }
  const end = first('EndChain')
  if (end) return { kind: 'endChain', which: /last/i.test(end.image) ? 'last' : 'first' }
  const space = first('ChainSpace')
  if (space) {
    const chains = /\d+/.exec(space.image)
    return { kind: 'space', times: number ?? 1, ...(chains ? { chains: Number(chains[0]) } : {}) }
  }
  if (has('Same')) return { kind: 'same' }
  if (has('ToLast')) return { kind: 'rest', left: number ?? 1 }
  if (has('One') && !has('Next')) return { kind: 'one' }
  if (has('Next') || has('Over') || has('First') || has('Last')) {
    return { kind: 'next', times: number ?? 1, each: has('Each') }
  }
  if (number !== undefined) return { kind: 'next', times: number, each: has('Each') }
  return { kind: 'rest', left: 0 }
}

function postOf(image: string): Worked {
  const manner = /^f/i.test(image) ? 'frontPost' : 'backPost'
  const stitch = stitchIn(image.replace(/^(?:front|back)[ -]post\s+|^[fb]p[ -]?/i, ''))
  return { shape: 'plain', together: 1, manner, stitch }
}

const BUNCHES = { pop: 'popcorn', pc: 'popcorn', cl: 'cluster', bob: 'cluster', puf: 'cluster' } as const

function bunchOf(image: string): Worked {
  const [, of, stitch, kind] = /^(\d+)[ -]([a-z]+)[ -]([a-z]+)/i.exec(image)!
  const manner = Object.entries(BUNCHES).find(([begins]) => kind!.toLowerCase().startsWith(begins))?.[1]
  const worked = { shape: 'plain', together: 1, stitch: stitchIn(stitch!) } as const
  // A shell is so many in one stitch.
  return manner ? { ...worked, manner, of: Number(of) } : { ...worked, shape: 'inc', of: Number(of) }
}

const yarnIn = (image: string): string =>
  image
    .replace(
      /^(?:change|switch)\s+(?:(?:yarn|colou?r)s?\s+)?to\s+(?:colou?r\s+)?|^with\s+(?:colou?r\s+|yarn\s+)?/i,
      '',
    )
    .trim()

/** Stars, brackets and what says how often, as repeats. */
function foldRepeats(flat: readonly FlatItem[]): Several['items'] {
  const out: Several['items'][number][] = []
  /** Index of the first thing after an open star, and the star; what a second star has closed waits for how often. */
  let open: { at: number; span: Span } | undefined
  let closed: number | undefined
  const close = (to: number, often?: Several['often']) => {
    const items = out.splice(open!.at)
    const span = { from: open!.span.from, to }
    open = undefined
    if (items.length > 0) out.push({ kind: 'several', span, items, ...(often ? { often } : {}) })
  }
  for (const item of flat) {
    if (item.kind === 'star') {
      if (open) {
        close(item.span.to)
        closed = out.length - 1
      } else open = { at: out.length, span: item.span }
      continue
    }
    if (item.kind !== 'again') {
      if (closed !== undefined && out[closed]?.kind === 'several')
        out[closed] = around(out[closed] as Several)
      closed = undefined
      out.push(item)
      continue
    }
    if (open && closed === undefined && isRepeatOfStar(out, open.at)) close(item.span.to, item.often)
    else {
      const last = out.at(-1)
      if (last?.kind === 'several' && !last.often) {
        out[out.length - 1] = { ...last, often: item.often, span: { ...last.span, to: item.span.to } }
      } else if (last?.kind === 'work' && !last.place) {
        out[out.length - 1] = {
          kind: 'several',
          span: { from: last.span.from, to: item.span.to },
          items: [last],
          often: item.often,
        }
      } else if (item.said) repeatAll(out, item)
      else out.push({ kind: 'unread', span: item.span })
    }
    closed = undefined
  }
  if (open) close(flat.at(-1)!.span.to, { kind: 'around', left: 0 })
  else if (closed !== undefined && out[closed]?.kind === 'several')
    out[closed] = around(out[closed] as Several)
  return out
}

/** "sc in next st, 2 sc in next st, repeat around": everything that is worked before it. */
function repeatAll(out: Item[], { span, often }: Again): void {
  const from = out.findIndex(({ kind }) => kind === 'work' || kind === 'several')
  if (from < 0) {
    out.push({ kind: 'unread', span })
    return
  }
  const items = out.splice(from)
  out.push({ kind: 'several', span: { from: items[0]!.span.from, to: span.to }, items, often })
}

const around = (several: Several): Several =>
  several.often ? several : { ...several, often: { kind: 'around', left: 0 } }

/** Whether something stands after an open star that is to be repeated: brackets beside it have their own "× 2". */
function isRepeatOfStar(out: readonly { readonly kind: string }[], at: number): boolean {
  return out.length > at
}

let parser: RoundParser | undefined

/** Lines read lately: while a text is typed all but one stay the same. */
const known = new Map<string, Parsed>()
const MOST_KNOWN = 3000

/** Reads a line of a pattern, without the words at its head. */
export function parseRound(text: string): Parsed {
  const before = known.get(text)
  if (before) return before
  if (known.size >= MOST_KNOWN) known.clear()
  const parsed = parsedAnew(text)
  known.set(text, parsed)
  return parsed
}

/** Brackets in brackets deeper than this are no pattern. */
const DEEPEST = 16

/** Where brackets go deeper than anybody writes them. */
function tooDeep(text: string): Span | undefined {
  let depth = 0
  for (let at = 0; at < text.length; at++) {
    if ('([{<'.includes(text[at]!)) depth++
    else if (')]}>'.includes(text[at]!)) depth = Math.max(0, depth - 1)
    if (depth > DEEPEST) return { from: at, to: at + 1 }
  }
  return undefined
}

function parsedAnew(text: string): Parsed {
  const deep = tooDeep(text)
  if (deep) return { at: deep }
  parser ??= new RoundParser()
  const tokens = T.tokenize(text)
  parser.input = tokens
  const items = parser.round()
  const [error] = parser.errors
  if (!error) return { items: foldRepeats(items) }
  const at = Number.isNaN(error.token.startOffset) ? tokens.at(-1) : error.token
  return { at: at ? spanOf(at) : { from: 0, to: text.length } }
}
