import { useEffect, useRef } from 'react'
import { titleOf, writeRoundBody, type Terms, type WorkView } from '../../../core/index.ts'
import type { Device } from '../../store/device.ts'
import { say } from '../../ui/toasts.tsx'

/** A tick is as short as it can be heard. */
const TICK_S = 0.03
const [PLAIN_HZ, SHAPED_HZ, DONE_HZ] = [880, 1320, 660]
const [SHORT_MS, BETWEEN_MS, LONG_MS] = [12, 40, 120]

let sounds: AudioContext | undefined

function tick(pitch: number, length = TICK_S): void {
  sounds ??= new AudioContext()
  const tone = sounds.createOscillator()
  const loud = sounds.createGain()
  tone.frequency.value = pitch
  loud.gain.setValueAtTime(0.12, sounds.currentTime)
  loud.gain.exponentialRampToValueAtTime(0.001, sounds.currentTime + length)
  tone.connect(loud).connect(sounds.destination)
  tone.start()
  tone.stop(sounds.currentTime + length)
}

function speak(text: string): void {
  if (!('speechSynthesis' in window)) return
  // What is behind what the hands do helps nobody.
  speechSynthesis.cancel()
  const said = new SpeechSynthesisUtterance(text)
  said.lang = 'en'
  speechSynthesis.speak(said)
}

/** What a pattern abbreviates, as it is said aloud. */
export const aloud = (text: string): string =>
  text
    .replace(/×/g, ' times ')
    .replace(/\bsc2tog\b/g, 'two together')
    .replace(/\bsc\b/g, 'single')
    .replace(/\bhdc\b/g, 'half double')
    .replace(/\bdc\b/g, 'double')
    .replace(/\binc\b/g, 'increase')
    .replace(/\bdec\b/g, 'decrease')
    .replace(/\bst\b/g, 'stitch')
    .replace(/\bch\b/g, 'chain')

/** Rests are suggested this often, counted from when the hands began; a pause this long is one. */
const REST_AFTER_MS = 25 * 60_000
const PAUSE_MS = 5 * 60_000

/**
 * What is heard and felt of every count, where it is wanted: a tick, two for an increase, another at the end of a round;
 * the voice of the browser; and a word after 25 minutes.
 */
export function useSignals(now: WorkView, unit: number, device: Device, terms: Terms): void {
  const { round, units, made, roundDone } = now
  const before = useRef({ round: round.id, unit })
  const hands = useRef({ since: 0, last: 0 })
  useEffect(() => {
    const was = before.current
    before.current = { round: round.id, unit }
    const forward = was.round === round.id ? unit > was.unit : unit === 0
    if (!forward || (was.round === round.id && was.unit === unit)) return
    const shaped = unit > 0 && units[unit - 1]!.kind !== 'work'
    if (device.sound) tick(roundDone ? DONE_HZ : shaped ? SHAPED_HZ : PLAIN_HZ, roundDone ? 0.15 : TICK_S)
    if (device.vibration) {
      navigator.vibrate?.(roundDone ? LONG_MS : shaped ? [SHORT_MS, BETWEEN_MS, SHORT_MS] : SHORT_MS)
    }
    if (device.voice !== 'off') {
      if (roundDone) speak(`${titleOf(round)} is done. ${round.count}.`)
      else if (unit === 0)
        speak(aloud(`${titleOf(round)}. ${writeRoundBody(round, terms)}. ${round.count} in all.`))
      else if (device.voice === 'counts') speak(String(made))
    }
    rest(hands.current, Date.now(), device.breaks)
  }, [round, unit, units, made, roundDone, device, terms])
}

function rest(hands: { since: number; last: number }, at: number, wanted: boolean): void {
  if (at - hands.last > PAUSE_MS) hands.since = at
  hands.last = at
  if (at - hands.since < REST_AFTER_MS) return
  hands.since = at
  if (wanted) say('25 minutes at the hook. Put it down, open your hands, look far away for a while.')
}
