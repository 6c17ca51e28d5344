interface FootBehindProps {
  /** How long the foot is, mm. */
  readonly foot: number
  /** px per mm, px of where its heel stands, and of the sole that it stands on. */
  readonly scale: number
  readonly x: number
  readonly sole: number
  readonly mirrored: boolean
}

/** A foot in its slipper, in outline from the side, as long as the one it is made for. */
export function FootBehind({ foot, scale, x, sole, mirrored }: FootBehindProps) {
  const unit = foot * scale
  return (
    <path
      transform={`translate(${x} ${sole}) scale(${mirrored ? -unit : unit} ${-unit})`}
      vectorEffect="non-scaling-stroke"
      d="M.04 1.02C.05 .76 .1 .6 .06 .4C.02 .3-.01 .2 .01 .1C.02 .02 .1 0 .2 .01C.35 .03 .5 .05 .62 .02C.75-.01 .9-.01 .96 .03C1.01 .07 1 .15 .93 .19C.83 .24 .7 .28 .6 .37C.5 .47 .44 .62 .43 1.02M.86 .12C.9 .13 .93 .12 .95 .1"
      fill="none"
      stroke="#6F868C"
      strokeWidth={1.4}
    />
  )
}
