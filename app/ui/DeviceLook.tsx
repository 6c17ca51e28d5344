import { useEffect, useSyncExternalStore } from 'react'
import { useDevice } from '../store/device.ts'
import { say } from './toasts.tsx'

const DARK = '(prefers-color-scheme: dark)'

const subscribe = (listener: () => void) => {
  const query = matchMedia(DARK)
  query.addEventListener('change', listener)
  return () => query.removeEventListener('change', listener)
}

/** Light and contrast of this device, on all of the page. */
export function DeviceLook() {
  const [{ light, contrast }] = useDevice(say)
  const dark = useSyncExternalStore(subscribe, () => matchMedia(DARK).matches)
  const evening = light === 'evening' || (light === 'system' && dark)
  useEffect(() => {
    const look = [evening ? 'evening' : '', contrast ? 'contrast' : ''].filter(Boolean).join(' ')
    document.documentElement.dataset['look'] = look
    document
      .querySelector('meta[name="theme-color"]')
      ?.setAttribute('content', evening ? '#0b1e25' : '#e5ecea')
  }, [evening, contrast])
  return null
}
