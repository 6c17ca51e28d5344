/**
 * Stands in for a package of the same name inside the dialog library: puts a style on the page while
 * someone needs it, through a constructed sheet, which a strict Content-Security-Policy allows.
 */
import { useEffect } from 'react'

export function stylesheetSingleton() {
  let users = 0
  let sheet: CSSStyleSheet | undefined
  return {
    add(css: string) {
      users++
      if (sheet) return
      sheet = new CSSStyleSheet()
      sheet.replaceSync(css)
      document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet]
    },
    remove() {
      users--
      if (users > 0 || !sheet) return
      const leaving = sheet
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== leaving)
      sheet = undefined
    },
  }
}

export function styleHookSingleton() {
  const sheet = stylesheetSingleton()
  return (styles: string) => {
    useEffect(() => {
      sheet.add(styles)
      return () => sheet.remove()
    }, [styles])
  }
}

export function styleSingleton() {
  const useStyle = styleHookSingleton()
  return function Sheet({ styles }: { styles: string }) {
    useStyle(styles)
    return null
  }
}
