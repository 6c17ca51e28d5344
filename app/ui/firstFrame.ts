/** A page that is not looked at has no frames. */
const LONGEST_MS = 120

// What is imported after this is run once what stands in the page already has been painted.
await new Promise<void>((resolve) => {
  requestAnimationFrame(() => setTimeout(resolve))
  setTimeout(resolve, LONGEST_MS)
})

export {}
