import { useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { newMat, specOf, UNMEASURED_GAUGE, type GaugeRecord } from '../../../core/index.ts'
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx'
import { UNROLL_CUT } from '../../drawing/unrolledDisc.ts'
import { createMat } from '../../store/mutations.ts'
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

const SKETCH = { id: 'sketch', projectId: 'sketch', gaugeId: 'sketch', yarnId: 'sketch' }

/** A new piece: one sentence, one field, one drawing that answers at once. */
export function CreateScreen() {
  const [search] = useSearchParams()
  const joined = usePieces()?.find(({ project }) => project.id === search.get('project'))
  usePageTitle(joined ? 'Another piece' : 'New round mat', joined?.project.name)
  const navigate = useNavigate()
  const sizes = useSizes()
  const settings = useSettings()
  const gauges = useGauges()
  const [area, { width }] = useElementSize()
  const [text, setText] = useState('')
  const [name, setName] = useState('')
  const [nameRefused, setNameRefused] = useState(false)
  const [chosenGauge, setChosenGauge] = useState<string>()
  const [busy, setBusy] = useState(false)
  // What belongs together is most likely worked in one yarn, on one hook.
  const gaugeId = chosenGauge ?? joined?.gauge.id ?? ''
  const gauge: GaugeRecord = gauges?.find(({ id }) => id === gaugeId) ?? { ...UNMEASURED_GAUGE, id: 'sketch' }
  const read = text.trim() === '' ? undefined : sizes.parse(text)
  const spec = read?.ok ? specOf(newMat({ ...SKETCH, across: read.value }), gauge, settings.pace) : undefined
  const { plan, fault } = usePlan(spec)
  const problem = read && !read.ok ? read.message : fault && refusalFrom(fault, sizes.speech).text
  const radius = Math.max(60, Math.min(250, (width - 8) / (2 + Math.PI / 2 - 1)))
  const begin = async () => {
    if (!read?.ok || problem || nameRefused || busy) return
    setBusy(true)
    try {
      const piece = await createMat({
        across: read.value,
        ...(gaugeId ? { gaugeId } : {}),
        ...(joined
          ? { name: name.trim() || `Piece ${joined.pieces.length + 1}`, projectId: joined.project.id }
          : { name: name.trim() || 'Round mat' }),
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
            {joined ? `Another piece of ${joined.project.name}` : 'A round mat'}
          </h1>
          <p className="text-18">Measure what it must fit, and see every round.</p>
          <label className="grid gap-1 bg-tape p-4">
            <span className="slab text-21">How wide?</span>
            <input
              className="slab w-full border-b-2 rule bg-transparent text-36 outline-none placeholder:text-ink/60"
              placeholder={sizes.full(sizes.unit === 'in' ? 8.625 * 25.4 : 220)}
              inputMode="decimal"
              autoComplete="off"
              autoFocus
              value={text}
              aria-invalid={problem !== undefined}
              aria-describedby="how-wide-answer"
              onChange={(event) => setText(event.target.value)}
            />
          </label>
          <p id="how-wide-answer" role="status" className={problem ? 'fault text-18' : 'text-18'}>
            {problem ??
              (plan
                ? `${plan.rounds.length} rounds, ${plan.stitches.toLocaleString('en')} stitches in ${gauge.name}.`
                : `In ${sizes.unit}; ${sizes.unit === 'in' ? 'cm work too: 22 cm' : 'inches work too: 8 1/2 in'}.`)}
          </p>
          <NameField
            label={joined ? 'Which piece is it?' : 'What is it for?'}
            placeholder={joined ? 'Small trivet' : 'Kettle trivet'}
            value={name}
            onChange={(next) => setName(next ?? '')}
            onRefused={setNameRefused}
          />
          <label className="grid gap-1">
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
          <button
            type="submit"
            className="button-ink"
            disabled={!read?.ok || problem !== undefined || nameRefused || busy}
          >
            Plan it
          </button>
        </form>
        <div ref={area} className="min-w-0">
          {width > 0 &&
            (plan && spec ? (
              <PlanDrawing
                plan={plan}
                width={width}
                height={2 * radius + 24}
                radius={radius}
                centre={{ x: settings.hand === 'left' ? width - radius - 4 : radius + 4, y: radius + 12 }}
                cut={UNROLL_CUT}
                mirrored={settings.hand === 'left'}
                turned={false}
                guess={spec.gauge.certainty === 'guess'}
                yarns={new Map()}
                target={read?.ok ? read.value : 0}
                roundHeight={spec.gauge.h}
                sizeLabel={sizes.full}
                onPoint={() => undefined}
              />
            ) : (
              <BareLines radius={radius} />
            ))}
        </div>
      </main>
    </div>
  )
}

/** Before the first size: only the start line and the flat line. */
function BareLines({ radius }: { radius: number }) {
  return (
    <svg width={radius * 2.6} height={2 * radius + 24} aria-hidden className="max-w-full">
      <g stroke="var(--color-ink)" fill="none">
        <path d={`M${radius} ${radius}H${2 * radius}`} strokeWidth={2.2} />
        <path d={`M${radius} ${radius}l${(radius * Math.PI) / 2} ${radius}`} strokeWidth={1.6} />
        <path
          d={`M${2 * radius} ${radius}A${radius} ${radius} 0 1 0 ${radius} ${2 * radius}h${(radius * Math.PI) / 2}`}
          strokeDasharray="6 6"
        />
      </g>
    </svg>
  )
}
