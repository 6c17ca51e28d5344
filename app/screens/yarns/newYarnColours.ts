/** Colours offered to new yarns, one after the other. */
const COLOURS = ['#55656C', '#2F5B50', '#BCCBB8', '#77675B', '#FAFCFB'] as const

/** The colour of the next yarn, when there are so many. */
export const newYarnColour = (yarns: number): string => COLOURS[yarns % COLOURS.length]!
