import { useEffect, useState } from 'react'
import { useDevice } from '../../store/device.ts'
import { Modal } from '../../ui/Modal.tsx'
import { nameOfKey, WORK_KEYS, type WorkKeys } from './useWorkKeys.ts'
import { say } from '../../ui/toasts.tsx'

/** What every key does, and keys of one's own: whatever a pedal, a remote or a headset sends. */
export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [{ keys }, change] = useDevice(say)
  const [asked, setAsked] = useState<keyof WorkKeys>()
  useEffect(() => {
    if (!asked) return
    const take = (event: KeyboardEvent) => {
      if (['Shift', 'Control', 'Alt', 'Meta', 'Tab'].includes(event.key)) return
      event.preventDefault()
      event.stopPropagation()
      setAsked(undefined)
      if (event.key !== 'Escape') change({ keys: { ...keys, [nameOfKey(event)]: asked } })
    }
    window.addEventListener('keydown', take, true)
    return () => window.removeEventListener('keydown', take, true)
  }, [asked, keys, change])
  const ownFor = (does: keyof WorkKeys) => Object.keys(keys).filter((key) => keys[key] === does)
  return (
    <Modal open={open} onClose={onClose} title="Keys at the hook">
      <dl className="grid grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-5 gap-y-1 text-18 max-sm:grid-cols-1 max-sm:gap-y-3">
        {WORK_KEYS.map(({ does, keys: usual, says }) => (
          <div
            key={does}
            className="contents max-sm:flex max-sm:flex-wrap max-sm:items-center max-sm:justify-between"
          >
            <dt className="slab">
              {usual}
              {ownFor(does).map((key) => (
                <span key={key} className="block">
                  {sayKey(key)}
                </span>
              ))}
            </dt>
            <dd className="leading-snug max-sm:order-last max-sm:basis-full">{says}</dd>
            <dd>
              <button
                type="button"
                className="min-h-11 px-2 text-16 underline underline-offset-4"
                aria-label={`Another key: ${says}`}
                onClick={() => setAsked(does)}
              >
                {asked === does ? 'Press it' : 'Another'}
              </button>
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-16 text-ink-2" role="status">
        {asked
          ? 'Press the key, the pedal or the button that is to do it. Escape leaves it as it is.'
          : 'Page-turner pedals send the arrow keys, headsets their next and back. On glass: tap, or swipe for the repeat.'}
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-ink" onClick={onClose}>
          Close
        </button>
        {Object.keys(keys).length > 0 && (
          <button type="button" className="button-line" onClick={() => change({ keys: {} })}>
            Only the usual keys
          </button>
        )}
      </div>
    </Modal>
  )
}

/** A key as it is printed on it. */
const sayKey = (key: string): string => (key === ' ' ? 'Space' : key.length === 1 ? key.toUpperCase() : key)
