import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { LIMITS, type WorkshopSettings } from '../../../core/index.ts'
import { useDemo } from '../../store/demo.ts'
import { exportFile } from '../../store/exporting.ts'
import { say } from '../../ui/toasts.tsx'
import { changeSettings } from '../../store/onTheWay.ts'
import { useSettings } from '../../store/queries.ts'
import { DemoDeeds, fetchDemoAside } from '../shelf/DemoNote.tsx'
import { AtTheHook } from './AtTheHook.tsx'
import { Choices } from '../../ui/Choices.tsx'
import { Header } from '../../ui/Header.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount } from '../../ui/parseCount.ts'
import { NameField } from '../../ui/NameField.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'

/** The workshop: its name, words, units, hand and print. Stored values never change with them. */
export function SettingsScreen() {
  usePageTitle('Settings')
  const settings = useSettings()
  const set = (change: Partial<WorkshopSettings>) => void changeSettings(change)
  return (
    <div className="flex min-h-dvh flex-col">
      <Header />
      <main className="grid content-start gap-6 p-7 max-sm:p-4">
        <h1 className="text-44 max-sm:text-36">Settings</h1>
        <div className="grid max-w-5xl border-2 rule lg:grid-cols-2 [&>*]:border-b [&>*]:border-ink lg:[&>*:nth-child(odd)]:border-r">
          <WorkshopName key={settings.name} name={settings.name} onChange={(name) => set({ name })} />
          <NumberCell
            label="Your pace, until the log knows better"
            value={settings.pace}
            format={String}
            parse={parseCount(...LIMITS.pace, 'stitches a minute')}
            step={1}
            unit="sc a minute"
            onChange={(pace) => set({ pace: Math.min(120, pace) })}
          />
          <Choices<WorkshopSettings['units']>
            heading
            label="Lengths"
            value={settings.units}
            onChange={(units) => set({ units })}
            choices={[
              { value: 'cm', label: 'Centimetres' },
              { value: 'mm', label: 'Millimetres' },
              { value: 'in', label: 'Inches', detail: 'In eighths.' },
            ]}
          />
          <Choices<WorkshopSettings['gaugeOver']>
            heading
            label="Gauge over"
            value={settings.gaugeOver}
            onChange={(gaugeOver) => set({ gaugeOver })}
            choices={[
              { value: '10cm', label: '10 cm' },
              { value: '4in', label: '4 in', detail: '10.16 cm: not quite the same.' },
            ]}
          />
          <Choices<WorkshopSettings['yarnLengths']>
            heading
            label="Yarn in"
            value={settings.yarnLengths}
            onChange={(yarnLengths) => set({ yarnLengths })}
            choices={[
              { value: 'm', label: 'Metres' },
              { value: 'yd', label: 'Yards' },
            ]}
          />
          <Choices<WorkshopSettings['masses']>
            heading
            label="Weights in"
            value={settings.masses}
            onChange={(masses) => set({ masses })}
            choices={[
              { value: 'g', label: 'Grams' },
              { value: 'oz', label: 'Ounces' },
            ]}
          />
          <Choices<WorkshopSettings['terms']>
            heading
            label="Crochet terms"
            value={settings.terms}
            onChange={(terms) => set({ terms })}
            choices={[
              { value: 'US', label: 'US', detail: 'sc, hdc, dc, tr' },
              { value: 'UK', label: 'UK', detail: 'dc, htr, tr, dtr for the same stitches' },
            ]}
          />
          <Choices<WorkshopSettings['hand']>
            heading
            label="Hand"
            value={settings.hand}
            onChange={(hand) => set({ hand })}
            choices={[
              { value: 'right', label: 'Right-handed', detail: 'Rounds run anticlockwise.' },
              { value: 'left', label: 'Left-handed', detail: 'Rounds run clockwise; drawings are mirrored.' },
            ]}
          />
          <Choices
            heading
            label="Print"
            value={String(settings.print)}
            onChange={(print) => set({ print: Number(print) as WorkshopSettings['print'] })}
            choices={[
              { value: '100', label: 'Normal' },
              { value: '125', label: 'Large', detail: 'Drawing and rounds one below the other.' },
              { value: '150', label: 'Largest' },
            ]}
          />
        </div>
        <AtTheHook />
        <section className="grid max-w-5xl gap-3">
          <h2 className="text-24">Measuring, and other devices</h2>
          <div className="flex flex-wrap gap-3">
            <Link to="/measure" className="button-line">
              Ruler on this screen
            </Link>
            <Link to="/sheet" className="button-line">
              Sheet to print
            </Link>
            <Link to="/carry" className="button-line">
              Go on from another device
            </Link>
          </div>
        </section>
        <DemoPlace />
        <Storage />
      </main>
    </div>
  )
}

/** Where the demo is, and the way to be without it, or to have it back. */
function DemoPlace() {
  const demo = useDemo()
  if (demo === undefined) return null
  return (
    <section className="grid max-w-5xl gap-3">
      <h2 className="text-24">The demo</h2>
      <p className="text-18">
        {demo === null
          ? 'Skarn Hut, a made-up mountain hut with a trivet under way, is not on the shelf.'
          : `${demo.workshop}, a made-up mountain hut, is ${demo.place === 'aside' ? 'kept aside, under “Demo” on the shelf' : 'on the shelf'}.`}
      </p>
      <div className="flex flex-wrap gap-3">
        {demo === null ? (
          <button type="button" className="button-line" onClick={() => void fetchDemoAside()}>
            Put the demo on the shelf
          </button>
        ) : (
          <DemoDeeds aside={demo.place !== 'aside'} />
        )}
      </div>
    </section>
  )
}

function WorkshopName({ name, onChange }: { name: string; onChange: (name: string) => void }) {
  return (
    <div className="px-3 py-2">
      <NameField
        label="Workshop"
        must
        className="slab w-full bg-transparent text-24 outline-none focus:bg-tape"
        value={name}
        onChange={(next) => onChange(next!)}
      />
    </div>
  )
}

/** Where everything is, and a copy of it to keep. */
function Storage() {
  const [kept, setKept] = useState<boolean>()
  useEffect(() => {
    void navigator.storage?.persisted?.().then(setKept)
  }, [])
  return (
    <section className="grid max-w-5xl gap-3">
      <h2 className="text-24">Where it is kept</h2>
      <p className="text-18">
        In this browser only; nothing is sent anywhere.{' '}
        {kept === false && 'The browser may clear it when the disk is full: keep a file now and then.'}
      </p>
      <button
        type="button"
        className="button-line justify-self-start"
        onClick={() => void exportFile({ say })}
      >
        Export the whole workshop
      </button>
    </section>
  )
}
