import { Popover } from 'radix-ui'
import { useNavigate } from 'react-router'
import {
  ALL_FIBRES,
  BODY_STITCHES,
  FIBRES,
  hookLetter,
  LIMITS,
  STITCHES,
  YARN_WEIGHTS,
  type Fibre,
  type StitchName,
  type Working,
  type YarnWeight,
} from '../../../core/index.ts'
import { deleteGauge, saveGauge } from '../../store/mutations.ts'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount, parseWhole } from '../../ui/parseCount.ts'
import { Select } from '../../ui/Select.tsx'
import { say } from '../../ui/toasts.tsx'
import type { GaugeModel } from './gaugeModel.ts'
import { belongsTo, WORKING_WORDS } from '../../words/gaugeWords.ts'
import { NameField } from '../../ui/NameField.tsx'

/** What the gauge belongs to, as a sentence that opens to be changed. */
export function BelongsEditor({ model }: { model: GaugeModel }) {
  const { gauge, settings, change, usedBy } = model
  const navigate = useNavigate()
  const remove = async () => {
    await deleteGauge(gauge.id)
    await navigate('/gauges')
    say(`${gauge.name} is out of the book.`, {
      label: 'Undo',
      run: () => void saveGauge(gauge).then(() => navigate(`/gauges/${gauge.id}`)),
    })
  }
  return (
    <Popover.Root>
      <Popover.Trigger className="min-h-9 text-left text-18 underline decoration-1 underline-offset-4 hover:bg-film-2 data-[state=open]:bg-tape">
        {belongsTo(gauge, settings.terms)}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          collisionPadding={12}
          aria-label="What the gauge belongs to"
          className="z-30 grid max-h-[var(--radix-popover-content-available-height)] w-[min(30rem,calc(100vw-1.5rem))] gap-3 overflow-y-auto border-2 rule bg-film p-4"
        >
          <NameField
            label="Name"
            must
            value={gauge.name}
            onChange={(name) => change({ ...gauge, name: name! })}
          />
          <div className="grid grid-cols-2 gap-3">
            <Select
              label="Stitch"
              value={gauge.stitch}
              onChange={(stitch) => change({ ...gauge, stitch: stitch as StitchName })}
              choices={BODY_STITCHES.map((stitch) => [stitch, STITCHES[stitch].short[settings.terms]])}
            />
            <Select
              label="Worked"
              value={gauge.working}
              onChange={(working) => change({ ...gauge, working: working as Working })}
              choices={Object.entries(WORKING_WORDS)}
            />
            <Select
              label="Yarn weight"
              value={String(gauge.weight)}
              onChange={(weight) => change({ ...gauge, weight: Number(weight) as YarnWeight })}
              choices={YARN_WEIGHTS.map(({ weight, name: words }) => [String(weight), `${weight} ${words}`])}
            />
            <Select
              label="Fibre"
              value={gauge.fibre}
              onChange={(fibre) => change({ ...gauge, fibre: fibre as Fibre })}
              choices={ALL_FIBRES.map((fibre) => [fibre, FIBRES[fibre].name])}
            />
          </div>
          <div className="grid grid-cols-2 border-2 rule">
            <NumberCell
              label="Strands together"
              value={gauge.strands}
              format={String}
              parse={parseWhole(...LIMITS.strands, 'a number of strands')}
              step={1}
              onChange={(strands) => change({ ...gauge, strands })}
            />
            <NumberCell
              className="border-l rule"
              label="Hook"
              value={gauge.hook}
              format={String}
              parse={parseCount(...LIMITS.hook, 'a hook size in mm')}
              step={0.5}
              unit={`mm${hookLetter(gauge.hook) ? `, ${hookLetter(gauge.hook)}` : ''}`}
              onChange={(hook) => change({ ...gauge, hook })}
            />
          </div>
          {usedBy.length > 0 ? (
            <p className="text-16">
              {usedBy.join(', ')} {usedBy.length === 1 ? 'goes' : 'go'} by it and will change with it; what is
              on the hook keeps its plan.
            </p>
          ) : (
            <button type="button" className="button-line justify-self-start" onClick={() => void remove()}>
              Take it out of the book
            </button>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
