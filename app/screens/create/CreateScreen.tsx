import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import {
  FAMILY_NAMES,
  familyOf,
  formOf,
  newPiece,
  roundedForm,
  sizesOf,
  specOf,
  UNMEASURED_GAUGE,
  usualForm,
  usualSizesOf,
  type FamilyName,
  type GaugeRecord,
  type StoredForm,
} from '../../../core/index.ts'
import { createPiece } from '../../store/mutations.ts'
import { useGauges, usePieces, useSettings } from '../../store/queries.ts'
import { usePlan } from '../../store/usePlan.ts'
import { NameField } from '../../ui/NameField.tsx'
import { refusalFrom } from '../../ui/refusal.ts'
import { Header } from '../../ui/Header.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { notStoredWords } from '../../store/mustFit.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { usePageTitle } from '../../ui/usePageTitle.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { wordsOf } from '../../words/formWords.ts'
import { FormChoice, FormQuestions } from './FormQuestions.tsx'
import { BareLines, discRadius, Sketch } from './Sketch.tsx'
import { formAsked, type Answers } from './formAsked.ts'
import { thousands } from '../../ui/thousands.ts'
import { roundsNoun } from '../../words/roundWords.ts'

const SKETCH = { id: 'sketch', projectId: 'sketch', gaugeId: 'sketch', yarnId: 'sketch' }

const familyIn = (search: URLSearchParams): FamilyName =>
  FAMILY_NAMES.find((name) => name === search.get('form')) ?? FAMILY_NAMES[0]!

/** A new piece: one sentence, the sizes it must have, one drawing that answers at once. */
export function CreateScreen() {
  const [search, setSearch] = useSearchParams()
  const joined = usePieces()?.find(({ project }) => project.id === search.get('project'))
  const family = familyIn(search)
  const words = wordsOf({ family })
  usePageTitle(joined ? 'Another piece' : `New ${words.unnamed.toLowerCase()}`, joined?.project.name)
  const navigate = useNavigate()
  const sizes = useSizes()
  const settings = useSettings()
  const gauges = useGauges()
  const [area, { width }] = useElementSize()
  const [answers, setAnswers] = useState<Answers>({})
  const [usual, setUsual] = useState<string>()
  const [name, setName] = useState('')
  const [nameRefused, setNameRefused] = useState(false)
  const [chosenGauge, setChosenGauge] = useState<string>()
  const [busy, setBusy] = useState(false)
  // What belongs together is most likely worked in one yarn, on one hook.
  const gaugeId = chosenGauge ?? joined?.gauge.id ?? ''
  const gauge: GaugeRecord = gauges?.find(({ id }) => id === gaugeId) ?? { ...UNMEASURED_GAUGE, id: 'sketch' }
  const asked = formAsked(usualForm(family), answers, sizes)
  const form = asked.form && withAngle(asked.form, asked.degrees, gauge, settings.pace)
  const spec = form && specOf(newPiece({ ...SKETCH, form }), gauge, settings.pace)
  const { plan, fault } = usePlan(spec)
  const refused = fault && refusalFrom(fault, sizes.speech)
  const problem = asked.problem ?? refused
  const begin = async () => {
    if (!form || problem || nameRefused || busy) return
    setBusy(true)
    try {
      const piece = await createPiece({
        form,
        uses: usualSizesOf(family).find(({ key }) => key === usual)?.uses ?? [],
        ...(gaugeId ? { gaugeId } : {}),
        ...(joined
          ? { name: name.trim() || `Piece ${joined.pieces.length + 1}`, projectId: joined.project.id }
          : { name: name.trim() || words.unnamed }),
      })
      await navigate(`/project/${piece.projectId}/piece/${piece.id}/plan`)
    } catch (error) {
      say(notStoredWords(error))
      setBusy(false)
    }
  }
  return (
    <div className="flex min-h-dvh flex-col">
      <Header />
      <main className="grid grow content-start gap-8 p-7 max-sm:p-4 lg:grid-cols-[26rem_1fr]">
        <form
          className="grid content-start gap-5"
          onSubmit={(event) => {
            event.preventDefault()
            void begin()
          }}
        >
          <h1 className="text-44 [overflow-wrap:anywhere] max-sm:text-36">
            {joined ? `Another piece of ${joined.project.name}` : words.title}
          </h1>
          <p className="text-18">Measure what it must fit, and see every round.</p>
          <FormChoice
            family={family}
            onChange={(next) => {
              search.set('form', next)
              setSearch(search, { replace: true })
            }}
          />
          {!joined && (
            <p className="text-18">
              Or{' '}
              <Link to="/new/together" className="underline underline-offset-4">
                several pieces made one
              </Link>
              : a pad, a filled pair, a box with its cover.
            </p>
          )}
          {!joined && (
            <p className="text-18">
              Or{' '}
              <Link to="/new/text" className="underline underline-offset-4">
                read a pattern
              </Link>{' '}
              that somebody wrote.
            </p>
          )}
          <FormQuestions
            family={family}
            answers={answers}
            onAnswer={(more) => setAnswers((known) => ({ ...known, ...more }))}
            usual={usual}
            onUsual={setUsual}
            fault={problem?.path}
          />
          <p id="how-wide-answer" role="status" className={problem ? 'fault text-18' : 'text-18'}>
            {problem?.text ??
              (plan
                ? `${plan.rounds.length} ${roundsNoun(plan)}, ${thousands(plan.stitches)} stitches in ${gauge.name}.`
                : `In ${sizes.unit}; ${sizes.unit === 'in' ? 'cm work too: 22 cm' : 'inches work too: 8 1/2 in'}.`)}
          </p>
          <div className="grid grid-cols-[repeat(auto-fit,minmax(11rem,1fr))] items-end gap-4">
            <NameField
              label={joined ? 'Which piece is it?' : 'What is it for?'}
              placeholder={joined ? 'Small trivet' : askingWordsOf({ family }).example}
              value={name}
              onChange={(next) => setName(next ?? '')}
              onRefused={setNameRefused}
            />
            <label className="grid min-w-0 gap-1">
              <span className="text-16">Gauge</span>
              <select
                className="field"
                value={gaugeId}
                onChange={(event) => setChosenGauge(event.target.value)}
              >
                <option value="">Not measured yet: medium yarn, 5 mm hook</option>
                {gauges?.map((known) => (
                  <option key={known.id} value={known.id}>
                    {known.name}
                  </option>
                ))}
              </select>
            </label>
          </div>
          <button
            type="submit"
            className="button-ink"
            disabled={!form || problem !== undefined || nameRefused || busy}
          >
            Plan it
          </button>
        </form>
        <div ref={area} className="min-w-0 self-start lg:sticky lg:top-4">
          {width > 0 &&
            (plan && spec ? (
              <Sketch
                plan={plan}
                width={width}
                mirrored={settings.hand === 'left'}
                guess={spec.gauge.certainty === 'guess'}
                fitWords={askingWordsOf({ family }).fitLine}
              />
            ) : (
              <BareLines radius={discRadius(width)} />
            ))}
        </div>
      </main>
    </div>
  )
}

/** A form whose length comes from an angle, in the stitches of a gauge. */
function withAngle(
  form: StoredForm,
  degrees: number | undefined,
  gauge: GaugeRecord,
  pace: number,
): StoredForm {
  const { angle } = familyOf(form)
  if (!angle || degrees === undefined) return form
  const sizes = sizesOf(specOf(newPiece({ ...SKETCH, form }), gauge, pace))
  return roundedForm(angle.towards(formOf(form), sizes, degrees))
}
