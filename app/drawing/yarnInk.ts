import { rgb } from './rgb.ts'

const FILM = '#E5ECEA'
const INK = '#0E2730'
export const INC = '#B82A12'
export const DEC = '#0A57AE'

/** How a yarn is drawn: its own colour, the outline and strand that show on it, the line around an increase. */
export interface YarnInk {
  readonly fill: string
  readonly outline: string
  readonly strand: string
  readonly keyline: string
  /** Fill of what stands out of the fabric and of what stands behind it, and the line of a post. */
  readonly out: string
  readonly behind: string
  readonly post: string
}

/** Relative luminance by WCAG. */
function luminance(colour: string): number {
  const [red, green, blue] = rgb(colour).map((part) => {
    const share = part / 255
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
  }) as [number, number, number]
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

function contrast(one: string, other: string): number {
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

function mix(colour: string, toward: string, share: number): string {
  const [from, to] = [rgb(colour), rgb(toward)]
  const parts = from.map((part, index) => Math.round(part + (to[index]! - part) * share))
  return `#${parts.map((part) => part.toString(16).padStart(2, '0')).join('')}`
}

const OUTLINE_CONTRAST = 1.6

/** The colour mixed toward another until a line of it shows on itself. */
function standingOut(colour: string, toward: string, share: number): string {
  const mixed = mix(colour, toward, share)
  if (share > 0.9 || contrast(mixed, colour) >= OUTLINE_CONTRAST) return mixed
  return standingOut(colour, toward, share + 0.08)
}

/** Dark yarns are drawn with light lines, light ones with dark, so that stitches show on any colour. */
export function yarnInk(colour: string): YarnInk {
  const dark = luminance(colour) < 0.3
  return {
    fill: colour,
    outline: dark ? standingOut(colour, '#ffffff', 0.42) : standingOut(colour, INK, 0.52),
    strand: dark ? mix(colour, '#ffffff', 0.55) : mix(colour, INK, 0.34),
    keyline: !dark && contrast(INC, colour) < 3 ? INK : FILM,
    out: mix(colour, '#ffffff', dark ? 0.3 : 0.45),
    behind: standingOut(colour, INK, dark ? 0.3 : 0.2),
    post: dark ? mix(colour, '#ffffff', 0.85) : INK,
  }
}
