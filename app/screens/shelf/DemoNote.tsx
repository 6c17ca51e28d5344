import clsx from 'clsx'
import { placeDemo, putDemoBack, takeDemoAway } from '../../store/demo.ts'
import type { Demo } from '../../store/demoRecord.ts'
import { fetchDemo } from '../../store/demoAhead.ts'
import { demoIn, putDemo } from '../../store/putDemo.ts'
import { say } from '../../ui/toasts.tsx'

/** On the first visit: that what lies here is a demo, and the three things to do with it once it does. */
export function DemoNote({ demo }: { demo?: Demo }) {
  return (
    <section
      aria-label="About the demo"
      className="mt-1 mb-3 flex flex-wrap items-center gap-x-6 gap-y-2 border-2 rule bg-fog px-4 py-3"
    >
      <p className="min-w-0 grow basis-80 text-18 leading-snug">
        <strong>What lies here is a demo:</strong> a made-up mountain hut being kitted out. Work in it as you
        like; nothing of yours is in it.
      </p>
      <div className={clsx('flex flex-wrap gap-2', !demo && 'invisible')}>
        <DemoDeeds first />
        <button type="button" className="button-line" onClick={() => void placeDemo('among')}>
          Look around first
        </button>
      </div>
    </section>
  )
}

interface DemoDeedsProps {
  /** Whether it can be set aside: not what is aside already. */
  readonly aside?: boolean
  /** On the first visit taking it away is what to begin with; later it is one deed of others. */
  readonly first?: boolean
}

/** Taking the demo away, with a way back, or setting it aside. */
export function DemoDeeds({ aside = true, first = false }: DemoDeedsProps) {
  const takeAway = async () => {
    const taken = await takeDemoAway()
    if (taken) {
      say('The demo is off the shelf.', { label: 'Undo', run: () => void putDemoBack(taken) })
    }
  }
  return (
    <>
      <button type="button" className={first ? 'button-ink' : 'button-line'} onClick={() => void takeAway()}>
        {first ? 'Start with my own, empty' : 'Take the demo off the shelf'}
      </button>
      {aside && (
        <button type="button" className="button-line" onClick={() => void placeDemo('aside')}>
          Keep the demo aside
        </button>
      )}
    </>
  )
}

/** The demo fetched once more, beside what is the maker's own. */
export async function fetchDemoAside(): Promise<void> {
  try {
    await putDemo(demoIn(await fetchDemo()), 'aside')
    say('The demo is on the shelf, under “Demo”.')
  } catch (error) {
    say(error instanceof Error ? error.message : String(error))
  }
}
