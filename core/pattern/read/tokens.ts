import { createToken, Lexer, type CustomPatternMatcherFunc, type IToken, type TokenType } from 'chevrotain'

/** Names of stitches, long and short, in either country’s words. */
const STITCH =
  'sl(?:ip)?[ .-]?st(?:itch)?(?:es)?|s\\.s\\.|ss|single crochets?|half[ -]double crochets?|half[ -]trebles?(?: crochets?)?|double trebles?(?: crochets?)?|double crochets?|treble crochets?|trebles?|hdc|htr|dtr|sc|dc|tr'
const SHORT = 'hdc|htr|dtr|sc|dc|tr'

/** No letter after it: where a word ends. */
const END = '(?![a-z])'
/** The rest of a clause. */
const CLAUSE = '[^,.;()\\[\\]]*'

/** Tokens in the order in which they are tried. */
const ALL: TokenType[] = []

const token = (name: string, source: string, flags = 'i'): TokenType => {
  const made = createToken({ name, pattern: new RegExp(source, flags), line_breaks: false })
  ALL.push(made)
  return made
}

/** What follows a total that stands in brackets: then it is none, but a repeat. */
const REPEATED = /^\s*(?:[x×*]|\d+\s*(?:x|×|more|times)|times|once|twice|thrice|around|rep|into?\b|all\b)/i
const TOTAL_IN_BRACKETS =
  /[([]\s*(?:total\s*:?\s*)?(\d+)\s*(?:sts?|stitches|st\.|sc|hdc|dc|tr|htr|dtr|total|in all)?\.?\s*(?:total|in total|around)?\s*[)\]]/iy
const TOTAL_AFTER_SIGN =
  /(?:=|—|–|-{1,2}|→|total\s*:?)\s*(\d+)\s*(?:sts?|stitches|sc|hdc|dc|tr|htr|dtr|in all|total)?(?=\s*[.,;]?\s*(?:$|join\b|do not\b|turn\b|fasten\b|sl ?st\b|ss\b))/iy
const TOTAL_AT_END =
  /(\d+)\s*(?:sts|stitches)(?:\s+(?:total|in all|in total|around))?(?=\s*[.,;]?\s*(?:$|join\b|do not\b|turn\b|fasten\b|sl ?st\b|ss\b))/iy

/** A total is known by where it stands: in brackets that nothing repeats, after a sign, or alone in a last sentence. */
const total: CustomPatternMatcherFunc = (text, offset, before) => {
  const at = (pattern: RegExp) => {
    pattern.lastIndex = offset
    return pattern.exec(text)
  }
  const inBrackets = at(TOTAL_IN_BRACKETS)
  if (inBrackets && !REPEATED.test(text.slice(offset + inBrackets[0].length))) return inBrackets
  const signed = at(TOTAL_AFTER_SIGN)
  if (signed && before.length > 0) return signed
  const last = before.at(-1)
  const opensSentence = last !== undefined && SENTENCE_ENDS.has(last.tokenType.name)
  return opensSentence ? at(TOTAL_AT_END) : null
}

const SENTENCE_ENDS = new Set(['Stop', 'Semicolon', 'Colon'])

const Space = createToken({ name: 'Space', pattern: /\s+/, group: Lexer.SKIPPED, line_breaks: true })
ALL.push(Space)
export const Total = createToken({ name: 'Total', pattern: { exec: total }, line_breaks: false })
ALL.push(Total)

export const CountsNot = token(
  'CountsNot',
  "\\([^()]*(?:not|n[’']t) count[^()]*\\)|(?:which\\s+)?(?:does|do)(?:\\s+not|n[’']t)\\s+count" + CLAUSE,
)
export const Counts = token(
  'Counts',
  '\\([^()]*counts?(?:\\s+here)?\\s+as[^()]*\\)|(?:the\\s+)?(?:\\d+\\s+)?(?:skipped\\s+|missed\\s+)?(?:ch(?:ain)?s?\\s+)?counts?\\s+as' +
    CLAUSE,
)
export const Leave = token(
  'Leave',
  '\\d+\\s+(?:sts?\\s+)?wait' +
    END +
    '|leav(?:e|ing)\\s+(?:the\\s+)?(?:last\\s+|remaining\\s+|next\\s+)?\\d+(?:\\s+sts?)?(?:\\s+unworked)?' +
    END,
)
export const RowEnds = token(
  'RowEnds',
  '(?:go\\s+on\\s+)?along\\s+the\\s+(?:row\\s+ends|ends\\s+of\\s+(?:the\\s+)?rows)' + END,
)
export const OverPart = token('OverPart', '(?:over|across)\\s+the\\s+(?:heel|front)' + END)
export const WithChain = token('WithChain', 'with\\s+ch\\s*1' + END)
export const EndFree = token('EndFree', '(?:the\\s+)?(?:end|first)\\s+ch(?:ain)?\\s+stays\\s+free' + CLAUSE)
export const NoJoin = token('NoJoin', "(?:do not|don[’']t|without|no)\\s+join(?:ing)?" + CLAUSE)
export const NoTurn = token(
  'NoTurn',
  "(?:do not|don[’']t|without|no)\\s+turn(?:ing)?" + CLAUSE + '(?:,\\s*go\\s+on\\s+along' + CLAUSE + ')?',
)
export const JoinTube = token(
  'JoinTube',
  '(?:join|sl[ .]?st|ss)' + END + CLAUSE + 'without twisting' + CLAUSE,
)
export const JoinRing = token(
  'JoinRing',
  '(?:(?:join|sl(?:ip)?[ .-]?st(?:itch)?|ss)' +
    END +
    CLAUSE +
    '\\b(?:ring|circle)' +
    END +
    CLAUSE +
    '|to\\s+form\\s+(?:a\\s+)?(?:ring|circle))',
)
export const JoinYarn = token(
  'JoinYarn',
  '(?:re-?)?join\\s+(?:the\\s+|new\\s+|a\\s+)*(?:yarn|colou?r|cotton|wool)' + CLAUSE,
)
export const Join = token(
  'Join',
  `(?:join${END}${CLAUSE}|(?:sl(?:ip)?[ .-]?st(?:itch)?|ss)\\s+(?:in(?:to)?\\s+|to\\s+|in\\s+the\\s+|to\\s+the\\s+)(?:the\\s+)?(?:top|first|1st|beg)${CLAUSE}|(?:sl(?:ip)?[ .-]?st(?:itch)?|ss)\\s+to\\s+(?:join|close)${CLAUSE})`,
)
export const OtherSide = token(
  'OtherSide',
  '(?:(?:now|then)\\s+)?(?:turn(?:ing)?\\s+and\\s+)?(?:work(?:ing)?\\s+)?(?:(?:on|along|down|up|in)\\s+)?(?:the\\s+)?(?:other|opposite)\\s+side(?:\\s+of\\s+(?:the\\s+)?(?:foundation\\s+|starting\\s+)?ch(?:ain)?s?)?',
)
export const Turn = token('Turn', 'turn(?:\\s+(?:the\\s+)?(?:work|piece))?' + END)
export const FastenOff = token(
  'FastenOff',
  '(?:fasten|finish|bind)\\s+off' +
    CLAUSE +
    '|(?:cut|break)\\s+(?:the\\s+)?(?:yarn|thread)' +
    CLAUSE +
    '|f\\.?o\\.?' +
    END +
    '|weave\\s+in' +
    CLAUSE,
)
export const Marker = token(
  'Marker',
  '(?:move|place|put|replace|use|keep)\\s+(?:[a-z]+\\s+){0,4}?(?:marker|mkr|pm|sm)' +
    END +
    CLAUSE +
    '|pm' +
    END +
    '|sm' +
    END +
    '|mark\\s+(?:the\\s+)?(?:first|last|this)' +
    CLAUSE +
    '|\\d+\\s+sts?\\s+more' +
    CLAUSE +
    '|marker' +
    END +
    CLAUSE +
    '|from\\s+here\\s+on\\s+in\\s+a\\s+spiral',
)
export const YarnTo = token(
  'YarnTo',
  '(?:change|switch)\\s+(?:(?:yarn|colou?r)s?\\s+)?to\\s+(?:colou?r\\s+)?[^,.;:()\\[\\]]+',
)
export const WithYarn = token('WithYarn', '[Ww]ith\\s+(?:[Cc]olou?r\\s+|[Yy]arn\\s+)?[A-Z][\\w-]*', '')
export const FromHook = token(
  'FromHook',
  '(?:begin(?:ning)?\\s+)?(?:in(?:to)?\\s+)?(?:the\\s+)?(?:\\d+(?:st|nd|rd|th)|second|third|fourth|fifth|sixth)\\s+ch(?:ain)?(?:\\s+st)?\\s+from\\s+(?:the\\s+|your\\s+)?hook',
)
export const Ring = token(
  'Ring',
  '(?:(?:in(?:to)?|with)\\s+)?(?:(?:a|the)\\s+)?(?:(?:magic|adjustable|sliding)\\s+(?:ring|circle|loop)|a?mr' +
    END +
    ')|(?:in(?:to)?\\s+)(?:the\\s+)?(?:ring|circle|centre|center)' +
    END,
)
export const EndChain = token(
  'EndChain',
  'in(?:to)?\\s+(?:the\\s+)?(?:last|first)\\s+ch(?:ain)?(?:\\s+st)?' + '(?![a-z-])',
)
export const LastChain = token('LastChain', 'last\\s+ch(?:ain)?\\s*:')
export const AlongChain = token('AlongChain', 'back\\s+along\\s+(?:it|the\\s+ch(?:ain)?s?)\\s*:?')
export const ToRow = token('ToRow', 'of\\s+(?:rnd|round|row)\\s+\\d+')
export const BackLoops = token(
  'BackLoops',
  '(?:all\\s+)?(?:(?:in(?:to)?|through|thru|by)\\s+)?(?:the\\s+)?(?:blo' +
    END +
    '|back\\s+loops?(?:\\s+only)?(?:\\s*\\(blo\\))?)',
)
export const FrontLoops = token(
  'FrontLoops',
  '(?:all\\s+)?(?:(?:in(?:to)?|through|thru|by)\\s+)?(?:the\\s+)?(?:flo' +
    END +
    '|front\\s+loops?(?:\\s+only)?(?:\\s*\\(flo\\))?)',
)
export const Bunch = token(
  'Bunch',
  '\\d+[ -](?:' + SHORT + ')[ -](?:popcorn|cluster|bobble|shell|puff|cl|pc)(?:s|\\s*st)?' + END,
)
export const Together = token(
  'Together',
  '(?:(?:' + SHORT + ')\\s?\\d\\s?tog|\\d\\s?(?:' + SHORT + ')\\s?tog)' + END,
)
export const Post = token(
  'Post',
  '(?:[fb]p[ -]?(?:' + SHORT + ')|(?:front|back)[ -]post\\s+(?:' + STITCH + '))' + END,
)
export const Spike = token('Spike', 'spike' + END)
export const Reverse = token('Reverse', '(?:reverse|crab)' + END)
export const Picot = token('Picot', 'with\\s+an?\\s+ch-?3\\s+picot')
export const Popcorn = token('Popcorn', 'popcorns?(?:\\s+st)?' + END)
export const Inc = token('Inc', '(?:inc(?:rease)?s?|inc\\.)' + END)
export const Dec = token('Dec', '(?:inv(?:isible)?[ -]?)?(?:dec(?:rease)?s?|dec\\.)' + END)
export const Stitch = token('Stitch', '(?:' + STITCH + ')s?' + END)
export const ChainSpace = token('ChainSpace', '(?:ch(?:ain)?[ -]?\\d*[ -]?sp(?:ace)?s?|sp(?:ace)?s?)' + END)
export const Ch = token('Ch', 'ch(?:ain)?s?(?![a-z])-?')
export const Skip = token('Skip', '(?:skip(?:ped)?|sk|miss(?:ed)?)' + END)
export const Over = token('Over', 'over' + END)
export const Often = token('Often', '(?:once|twice|thrice)' + END)
export const Times = token('Times', '(?:times?|x|×)' + END)
export const Rep = token('Rep', '(?:rep(?:eat(?:ing)?)?s?\\.?)' + END)
export const FromStar = token(
  'FromStar',
  'from\\s+(?:the\\s+)?(?:\\*+|beg(?:inning)?|start)(?:\\s+to\\s+\\*+)?|\\*+\\s+to\\s+\\*+',
)
export const More = token('More', '(?:more|additional)' + END)
export const Around = token(
  'Around',
  '(?:all\\s+)?(?:the\\s+way\\s+)?(?:a?round|across)' +
    END +
    '|to\\s+(?:the\\s+)?end(?:\\s+of\\s+(?:the\\s+)?(?:rnd|round|row))?' +
    END +
    '|evenly' +
    END,
)
export const ToLast = token('ToLast', '(?:to|until)\\s+(?:the\\s+)?last' + END)
export const Same = token('Same', 'same' + END)
export const Each = token('Each', '(?:each|every|ea)' + END)
export const Next = token('Next', '(?:next|foll(?:owing)?|nxt)' + END)
export const First = token('First', '(?:first|1st)' + END)
export const Last = token('Last', 'last' + END)
export const In = token('In', '(?:into|in)' + END)
export const Of = token('Of', 'of' + END)
export const And = token('And', '(?:and|&|\\+|then|plus)' + '(?![a-z])')
export const St = token('St', '(?:stitch(?:es)?|sts?(?:\\.(?=\\s+[a-z]))?)' + END)
export const One = token('One', '(?:one|a single)' + END)
export const NumberWord = token('NumberWord', '(?:two|three|four|five|six|seven|eight|nine|ten|twelve)' + END)
export const Numeral = token('Numeral', '\\d{1,6}(?:st|nd|rd|th)?(?!\\d)', 'i')
/** Words that change nothing of what is worked. */
export const Filler = createToken({
  name: 'Filler',
  pattern: /(?:the|an?|now|work|make|crochet|your|all|begin(?:ning)?|as before|standing)(?![a-z])/i,
  group: Lexer.SKIPPED,
  line_breaks: false,
})
ALL.push(Filler)
export const Star = token('Star', '\\*+|†')
export const Open = token('Open', '[([{<]')
export const Close = token('Close', '[)\\]}>]')
export const Comma = token('Comma', ',')
export const Semicolon = token('Semicolon', ';')
export const Colon = token('Colon', ':')
export const Stop = token('Stop', '\\.')
export const Dash = token('Dash', '[—–-]+|[=/]')
export const Word = createToken({
  name: 'Word',
  pattern: /[^\s,.;:()[\]{}<>*†\d—–=/-]+|\d+|[^\s]/,
  line_breaks: false,
})
ALL.push(Word)

export const TOKENS: readonly TokenType[] = ALL

const lexer = (): Lexer => new Lexer(ALL, { positionTracking: 'onlyOffset', ensureOptimizations: false })
let made: Lexer | undefined

/** The tokens of a line. Whatever it is, it becomes tokens: nothing is left out but spaces and filling words. */
export function tokenize(text: string): IToken[] {
  made ??= lexer()
  return made.tokenize(text).tokens
}
