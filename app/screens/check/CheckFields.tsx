import {
  LIMITS,
  promisesOf,
  tapeAt,
  type PieceSpec,
  type Plan,
  type TapePlace,
  titleOf,
} from '../../../core/index.ts'
import { SoFar } from '../../drawing/SoFar.tsx'
import { LaidFlat } from '../../drawing/LaidFlat.tsx'
import { MeasuredSection } from '../../drawing/MeasuredSection.tsx'
import { isDisc, isWall } from '../../drawing/views/viewOf.ts'
import { useSettings, useYarnColours } from '../../store/queries.ts'
import { EdgeFields } from '../../ui/EdgeFields.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseWhole } from '../../ui/parseCount.ts'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { wordsOf } from '../../words/formWords.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { EMPTY_CHECK, sizeIn, withSize, type CheckDraft } from './checkDraft.ts'
import { TapeFields } from './TapeFields.tsx'

interface CheckFieldsProps {
  readonly draft: CheckDraft
  readonly setDraft: (draft: CheckDraft) => void
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly afterRound: number
  readonly fault?: { readonly path: string; readonly text: string }
}

/** What is filled in of a tube's own sizes, at its edge. */
function foundIn(draft: CheckDraft, tape: readonly TapePlace[]) {
  const at = (of: TapePlace['of']) =>
    sizeIn(
      draft,
      tape.findIndex((place) => place.of === of && place.at === 'edge'),
    )
  return { width: at('width'), length: at('length') }
}

/** Where the tape lies, and what it reads. */
export function CheckFields({ draft, setDraft, plan, spec, afterRound, fault }: CheckFieldsProps) {
  const round = plan.rounds[afterRound - 1]!
  const tape = tapeAt(spec.form, round.section)
  const [lies, wall] = [isDisc(plan), isWall(plan)]
  const colours = useYarnColours()
  const { hand } = useSettings()
  const expected = promisesOf(spec, round)
  const sizes = useSizes()
  const [area, { width }] = useElementSize()
  const set = (part: Partial<CheckDraft>) => setDraft({ ...draft, ...part })
  const at = (path: string) => (fault?.path === path ? fault.text : undefined)
  const length = {
    format: sizes.bare,
    unit: sizes.unit,
    step: sizes.unit === 'in' ? sizes.step : 1,
    takes: 'length' as const,
  }
  const counted = draft.counts[afterRound]
  return (
    <section aria-label="What is measured" className="min-w-0">
      <div ref={area}>
        {width > 0 && !lies && (
          <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-1 pb-1">
            {wall ? (
              <LaidFlat
                plan={plan}
                upTo={afterRound}
                width={Math.min(width, LAID_WIDTH)}
                height={150}
                found={foundIn(draft, tape)}
                yarns={colours}
                guess={false}
                mirrored={hand === 'left'}
                sizes={sizes}
                label={`Laid flat; the plan expects ${sayAllPromised(expected, sizes)}.`}
              />
            ) : (
              <SoFar
                plan={plan}
                upTo={afterRound}
                width={Math.min(width, LAID_WIDTH)}
                height={190}
                yarns={colours}
                mirrored={hand === 'left'}
                hangs={wordsOf(spec.form).hangs === true}
                label={`The piece so far; the plan expects ${sayAllPromised(expected, sizes)}.`}
              />
            )}
            <div className="flex min-w-0 grow basis-44 flex-col text-16">
              <p>Expected: {sayAllPromised(expected, sizes)}.</p>
              <Clear {...{ draft, setDraft }} />
            </div>
          </div>
        )}
        {width > 0 && lies && (
          <MeasuredSection
            width={width}
            rounds={plan.rounds.slice(0, afterRound)}
            measured={sizeIn(draft, 0)}
            standsUp={draft.edge === 'standsUp' ? (draft.standsUp ?? 0) : 0}
            sizes={sizes}
          />
        )}
      </div>
      <div className="grid auto-cols-fr border-2 sm:grid-flow-col rule max-sm:grid-cols-2 [&>*+*]:border-l [&>*]:rule max-sm:[&>*:nth-child(3)]:border-l-0 max-sm:[&>*:nth-child(n+3)]:border-t">
        <TapeFields
          tape={tape}
          sizeAt={(place) => sizeIn(draft, place)}
          faultAt={at}
          onSize={(place, size) => setDraft(withSize(draft, place, size))}
        />
        <NumberCell
          label={`${titleOf(round)}, planned ${round.count}`}
          value={counted}
          format={String}
          parse={parseWhole(1, 100_000, 'what you count')}
          unit="sts"
          fault={at('count')}
          onChange={(count) => set({ counts: { ...draft.counts, [afterRound]: count } })}
          onClear={() => {
            const { [afterRound]: _, ...counts } = draft.counts
            set({ counts })
          }}
        />
      </div>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2 pt-2">
        {lies && <EdgeFields draft={draft} set={set} fault={at('edge')} />}
        {lies && (
          <div className="border-2 rule">
            <NumberCell
              {...length}
              label="Hole, if any"
              parse={sizes.between(...LIMITS.hole)}
              value={draft.hole}
              fault={at('hole')}
              onChange={(hole) => set({ hole })}
              onClear={() => set({ hole: undefined })}
            />
          </div>
        )}
        {lies && <Clear {...{ draft, setDraft }} />}
      </div>
    </section>
  )
}

/** Room for a tube laid flat beside what is expected of it, px. */
const LAID_WIDTH = 400

function Clear({ draft, setDraft }: Pick<CheckFieldsProps, 'draft' | 'setDraft'>) {
  if (draft.sizes.every((size) => size === null) && Object.keys(draft.counts).length === 0) return null
  return (
    <button
      type="button"
      className="min-h-11 self-start text-16 underline"
      onClick={() => setDraft(EMPTY_CHECK)}
    >
      Clear
    </button>
  )
}
