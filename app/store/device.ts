import { useRemembered } from './remembered.ts'

/** What a maker wants of this one device at the hook: another lies elsewhere, and is handled otherwise. */
export interface Device {
  readonly light: 'day' | 'evening' | 'system'
  readonly contrast: boolean
  readonly sound: boolean
  readonly vibration: boolean
  /** What the browser says aloud: nothing, each round as it begins and ends, or every count as well. */
  readonly voice: 'off' | 'rounds' | 'counts'
  /** A second touch sooner than this, ms, is the same one. */
  readonly sameTouch: number
  /** Whether a rest is suggested after 25 minutes. */
  readonly breaks: boolean
  /** With two strands: whether every tenth stitch asks that both are there. */
  readonly strands: boolean
  /** What keys do that the maker chose, by their names as events have them. */
  readonly keys: Readonly<Record<string, string>>
}

export const USUAL_DEVICE: Device = {
  light: 'day',
  contrast: false,
  sound: false,
  vibration: false,
  voice: 'off',
  sameTouch: 0,
  breaks: false,
  strands: false,
  keys: {},
}

/** Waits between touches that may be chosen, ms: none, and as long as a slip or a slow hand makes two. */
export const SAME_TOUCH = [0, 150, 300] as const

const isDevice = (value: unknown): value is Device =>
  typeof value === 'object' && value !== null && typeof (value as Device).keys === 'object'

/** What is kept for this device, and how to change some of it; as usual until it is read. */
export function useDevice(
  notStored: (text: string) => void,
): readonly [Device, (change: Partial<Device>) => void] {
  const [kept, keep] = useRemembered<Device>('device', USUAL_DEVICE, notStored, isDevice)
  const device = { ...USUAL_DEVICE, ...kept }
  return [device, (change) => keep({ ...device, ...change })]
}
