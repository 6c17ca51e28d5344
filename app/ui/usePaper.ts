import { useEffect } from 'react'

/** Rules for printed pages while something is there to print, as a sheet that a strict policy allows. */
export function usePaper(rules: string): void {
  useEffect(() => {
    const sheet = new CSSStyleSheet()
    sheet.replaceSync(rules)
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet]
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet)
    }
  }, [rules])
}
