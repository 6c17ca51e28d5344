import { ToggleGroup } from 'radix-ui'
import {
  FAMILY_NAMES,
  familyOf,
  fieldsOf,
  isAsked,
  isOfStart,
  usualForm,
  usualSizesOf,
  type AnyField,
  type FamilyName,
  type OutlinePoint,
} from '../../../core/index.ts'
import { FormSilhouette } from '../../drawing/FormSilhouette.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { wordsOf } from '../../words/formWords.ts'
import { OutlineEditor } from '../shape/OutlineEditor.tsx'
import { ANGLE, type Answers } from './formAsked.ts'

/** What it must fit: one of the families. */
export function FormChoice({
  family,
  onChange,
}: {
  family: FamilyName
  onChange: (family: FamilyName) => void
}) {
  return (
    <ToggleGroup.Root
      type="single"
      value={family}
      onValueChange={(next) => next && onChange(next as FamilyName)}
      aria-label="What it is"
      className="grid grid-cols-4 gap-2 max-sm:large:grid-cols-3"
    >
      {FAMILY_NAMES.map((name) => (
        <ToggleGroup.Item
          key={name}
          value={name}
          className="slab grid min-h-11 justify-items-center gap-1 border-2 rule px-1 py-2 text-16 leading-tight data-[state=on]:bg-film-2 data-[state=on]:shadow-[inset_0_-5px_0_var(--color-ink)]"
        >
          <FormSilhouette family={name} size={40} />
          {wordsOf({ family: name }).offer}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}

interface FormQuestionsProps {
  readonly family: FamilyName
  readonly answers: Answers
  readonly onAnswer: (answers: Answers) => void
  /** The usual size that is taken, and what to do when another is. */
  readonly usual: string | undefined
  readonly onUsual: (key: string | undefined) => void
  /** The field that is at fault. */
  readonly fault: string | undefined
}

/** The sizes that a family asks for, the lengths large, on tape; what else it asks below them. */
export function FormQuestions({ family, answers, onAnswer, usual, onUsual, fault }: FormQuestionsProps) {
  const others = usualForm(family) as unknown as Readonly<Record<string, unknown>>
  const valueOf = (key: string) => answers[key] ?? others[key]
  const fields = fieldsOf(family).filter((field) => !isOfStart(field) && isAsked(field, valueOf))
  const [main, further] = [fields.filter(isMain), fields.filter((field) => !isMain(field))]
  const { angle } = familyOf(usualForm(family))
  const question = (field: AnyField, index: number) => (
    <Question
      key={`${family} ${field.key}`}
      field={field}
      family={family}
      text={answers[field.key] ?? ''}
      first={index === 0}
      wrong={fault === `form.${field.key}`}
      valueOf={valueOf}
      onAnswer={(text) =>
        onAnswer({ [field.key]: text, ...(field.key === angle?.insteadOf ? { [ANGLE]: '' } : {}) })
      }
    />
  )
  return (
    <>
      <div className="grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] items-end gap-x-6 gap-y-3 bg-tape p-4">
        {main.map(question)}
        {angle && (
          <SizeQuestion
            question="Or opens by, °"
            placeholder="40"
            text={answers[ANGLE] ?? ''}
            wrong={fault === `form.${ANGLE}`}
            onAnswer={(text) => onAnswer({ [ANGLE]: text, [angle.insteadOf]: '' })}
          />
        )}
      </div>
      {usualSizesOf(family).length > 0 && <UsualSizes {...{ family, onAnswer, usual, onUsual }} />}
      {further.length > 0 && (
        <div className="grid grid-cols-[repeat(auto-fit,minmax(7.4rem,1fr))] items-end gap-4">
          {further.map((field) => question(field, -1))}
        </div>
      )}
    </>
  )
}

/** Asked large, on tape: what the piece must fit. */
const isMain = (field: AnyField): boolean =>
  field.kind === 'outline' || (field.kind === 'length' && !field.while && !field.mayBeUsual)

/** The sizes of somebody who cannot be measured just now; they stand in the fields, to be changed. */
function UsualSizes({
  family,
  onAnswer,
  usual,
  onUsual,
}: Pick<FormQuestionsProps, 'family' | 'onAnswer' | 'usual' | 'onUsual'>) {
  const sizes = useSizes()
  const words = askingWordsOf({ family }).usual!
  return (
    <label className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <span className="text-16">{words.question}</span>
      <select
        className="field w-auto grow"
        value={usual ?? ''}
        onChange={({ target: { value } }) => {
          const size = usualSizesOf(family).find(({ key }) => key === value)
          onUsual(size?.key)
          if (!size) return
          const lengths = Object.entries(size.lengths as Record<string, number>)
          onAnswer(Object.fromEntries(lengths.map(([key, mm]) => [key, sizes.bare(mm)])))
        }}
      >
        <option value="">Take a usual size</option>
        {usualSizesOf(family).map(({ key }) => (
          <option key={key} value={key}>
            {words.of[key]}
          </option>
        ))}
      </select>
    </label>
  )
}

interface QuestionProps {
  readonly field: AnyField
  readonly family: FamilyName
  readonly text: string
  readonly first: boolean
  readonly wrong: boolean
  /** What the other fields have by now. */
  readonly valueOf: (key: string) => unknown
  readonly onAnswer: (text: string) => void
}

function Question({ field, family, text, first, wrong, valueOf, onAnswer }: QuestionProps) {
  const sizes = useSizes()
  const words = askingWordsOf({ family }).fields[field.key]!
  if (field.kind === 'outline') {
    return (
      <section aria-label={words.question} className="col-span-full grid gap-1">
        <h2 className="text-18">{words.question}</h2>
        <OutlineEditor
          field={field}
          outline={text === '' ? field.usual : (JSON.parse(text) as OutlinePoint[])}
          curved={valueOf(field.curved.key) === field.curved.is}
          onChange={(outline) => onAnswer(JSON.stringify(outline))}
        />
      </section>
    )
  }
  if (field.kind === 'choice') {
    return (
      <label className="grid gap-1">
        <span className="text-16">{words.question}</span>
        <select
          className="field"
          value={text || field.choices[0]}
          onChange={(event) => onAnswer(event.target.value)}
        >
          {field.choices.map((name) => (
            <option key={name} value={name}>
              {words.choices![name]!.label}
            </option>
          ))}
        </select>
      </label>
    )
  }
  if (field.kind === 'share') {
    return (
      <label className="grid gap-1">
        <span className="text-16">{words.question}</span>
        <input
          className="field"
          placeholder={`${Math.round(field.usual * 100)}%`}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          aria-invalid={wrong}
          aria-describedby="how-wide-answer"
          onChange={(event) => onAnswer(event.target.value)}
        />
      </label>
    )
  }
  return (
    <SizeQuestion
      question={words.question}
      placeholder={sizes.full(sizes.unit === 'in' ? Math.round(field.usual / 12.7) * 12.7 : field.usual)}
      {...{ text, first, wrong, onAnswer }}
    />
  )
}

interface SizeQuestionProps extends Pick<QuestionProps, 'text' | 'wrong' | 'onAnswer'> {
  readonly question: string
  readonly placeholder: string
  readonly first?: boolean
}

/** A size, asked large. */
function SizeQuestion({ question, placeholder, text, first = false, wrong, onAnswer }: SizeQuestionProps) {
  return (
    <label className="grid gap-1">
      <span className="slab text-18 leading-tight">{question}</span>
      <input
        className="slab w-full border-b-2 rule bg-transparent text-36 outline-none placeholder:text-ink/60"
        placeholder={placeholder}
        inputMode="decimal"
        autoComplete="off"
        autoFocus={first}
        value={text}
        aria-invalid={wrong}
        aria-describedby="how-wide-answer"
        onChange={(event) => onAnswer(event.target.value)}
      />
    </label>
  )
}
