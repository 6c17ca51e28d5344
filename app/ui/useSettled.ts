import { useEffect, useState } from 'react'

/** A value once it has not changed for a while: for what may follow an edit a moment later. */
export function useSettled<T>(value: T, milliseconds = 150): T {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds)
    return () => clearTimeout(timer)
  }, [value, milliseconds])
  return settled
}
