import { Tabs } from 'radix-ui'
import type { GaugeModel } from './gaugeModel.ts'
import { HookPanel } from './HookPanel.tsx'
import { OneTarget } from './OneTarget.tsx'
import { StitchesPanel } from './StitchesPanel.tsx'
import { YarnPerStitch } from './YarnPerStitch.tsx'

const PANELS = [
  ['target', 'One target', OneTarget],
  ['stitches', 'All stitches', StitchesPanel],
  ['hook', 'Another hook', HookPanel],
  ['yarn', 'Yarn per stitch', YarnPerStitch],
] as const

/** What a gauge comes to: for a target, in other stitches, on another hook, in yarn. */
export function Outcomes({ model }: { model: GaugeModel }) {
  return (
    <Tabs.Root defaultValue="target" className="min-w-0">
      <Tabs.List aria-label="What it comes to" className="flex flex-wrap gap-x-5">
        {PANELS.map(([key, name]) => (
          <Tabs.Trigger
            key={key}
            value={key}
            className="slab min-h-11 border-b-4 border-transparent text-18 text-ink-2 data-[state=active]:border-ink data-[state=active]:text-ink"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {PANELS.map(([key, , Panel]) => (
        <Tabs.Content key={key} value={key} className="pt-3">
          <Panel model={model} />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  )
}
