import { SAME_TOUCH, useDevice, type Device } from '../../store/device.ts'
import { Choices } from '../../ui/Choices.tsx'
import { say } from '../../ui/toasts.tsx'

type Switch = { readonly [K in keyof Device]: Device[K] extends boolean ? K : never }[keyof Device]

/** How this one device looks, sounds and is touched at the hook. */
export function AtTheHook() {
  const [device, change] = useDevice(say)
  const onOff = (key: Switch, label: string, on: string, off: string, detail?: string) => (
    <Choices
      heading
      label={label}
      value={device[key] ? 'on' : 'off'}
      onChange={(value) => change({ [key]: value === 'on' })}
      choices={[
        { value: 'off', label: off },
        { value: 'on', label: on, ...(detail ? { detail } : {}) },
      ]}
    />
  )
  return (
    <section className="grid max-w-5xl gap-3">
      <h2 className="text-24">At the hook, on this device</h2>
      <div className="grid border-2 rule lg:grid-cols-2 [&>*]:border-b [&>*]:border-ink lg:[&>*:nth-child(odd)]:border-r">
        <Choices<Device['light']>
          heading
          label="Light"
          value={device.light}
          onChange={(light) => change({ light })}
          choices={[
            { value: 'day', label: 'Day' },
            { value: 'evening', label: 'Evening', detail: 'Light signs on a dark ground.' },
            { value: 'system', label: 'As this device has it' },
          ]}
        />
        {onOff('contrast', 'Contrast', 'High', 'Usual', 'Black and white, heavier hues.')}
        <Choices<Device['voice']>
          heading
          label="Voice"
          value={device.voice}
          onChange={(voice) => change({ voice })}
          choices={[
            { value: 'off', label: 'Silent' },
            { value: 'rounds', label: 'Says the rounds', detail: 'As each begins, and when it is done.' },
            { value: 'counts', label: 'Says every count as well' },
          ]}
        />
        <Choices
          heading
          label="Double taps"
          value={String(device.sameTouch)}
          onChange={(value) => change({ sameTouch: Number(value) })}
          choices={SAME_TOUCH.map((ms) =>
            ms === 0
              ? { value: '0', label: 'Count twice' }
              : { value: String(ms), label: `Within ${ms / 1000} s count once` },
          )}
        />
        {onOff('sound', 'Sound', 'A tick for every stitch', 'None', 'Higher for an increase or decrease.')}
        {onOff('vibration', 'Vibration', 'For every stitch', 'None', 'Twice for an increase or decrease.')}
        {onOff('breaks', 'Rests', 'After 25 minutes', 'Not suggested')}
        {onOff('strands', 'Two strands', 'Every tenth stitch asks for both', 'Not asked for')}
      </div>
    </section>
  )
}
