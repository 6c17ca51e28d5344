import { useCallback, useState } from 'react'

/** Width and height of an element, px, kept up to date; 0 until it is there. */
export function useElementSize() {
  const [size, setSize] = useState({ width: 0, height: 0 })
  const ref = useCallback((element: Element | null) => {
    if (!element) return
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect
      setSize((known) => (known.width === width && known.height === height ? known : { width, height }))
    })
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return [ref, size] as const
}
