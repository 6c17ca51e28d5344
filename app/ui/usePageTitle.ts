import { useEffect } from 'react'

/** Names the page in the tab of the browser and to who listens, the most telling word first. */
export function usePageTitle(...parts: readonly (string | false | undefined)[]): void {
  const title = [...parts.filter(Boolean), 'Uzel'].join(' · ')
  useEffect(() => {
    document.title = title
  }, [title])
}
