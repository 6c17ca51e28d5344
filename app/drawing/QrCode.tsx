import { encode } from 'uqr'

/** A code for a camera: dark on light whatever the light of the page, with its quiet margin. */
export function QrCode({ text, label, size }: { text: string; label: string; size: number }) {
  const { data, size: cells } = encode(text, { ecc: 'M', border: 3 })
  const dark = data.flatMap((row, y) => row.flatMap((on, x) => (on ? [`M${x} ${y}h1v1h-1z`] : [])))
  return (
    <svg width={size} height={size} viewBox={`0 0 ${cells} ${cells}`} role="img" aria-label={label}>
      <rect width={cells} height={cells} fill="#fff" />
      <path d={dark.join('')} fill="#000" shapeRendering="crispEdges" />
    </svg>
  )
}
