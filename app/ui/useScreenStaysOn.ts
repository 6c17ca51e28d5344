import { useEffect } from 'react'

/** Hands are on the yarn: the screen must not go dark. Where that cannot be asked for, it does. */
export function useScreenStaysOn(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined
    let wanted = true
    const ask = () => {
      if (document.visibilityState !== 'visible') return
      void navigator.wakeLock
        ?.request('screen')
        .then((got) => {
          if (wanted) lock = got
          else void got.release()
        })
        .catch(() => undefined)
    }
    ask()
    document.addEventListener('visibilitychange', ask)
    return () => {
      wanted = false
      document.removeEventListener('visibilitychange', ask)
      void lock?.release()
    }
  }, [])
}
