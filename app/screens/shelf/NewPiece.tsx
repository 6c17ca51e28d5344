import { Link } from 'react-router'

/** What must it fit? The tape shows what will be asked. */
export function NewPiece() {
  return (
    <section aria-label="New piece" className="flex items-stretch border-t-2 rule">
      <div className="px-7 py-4 max-sm:px-4">
        <h2 className="text-24">New piece</h2>
        <p className="pt-1 text-16">What must it fit?</p>
      </div>
      <Link
        to="/new"
        className="flex items-center gap-5 border-x rule px-6 py-3 hover:bg-film-2 max-sm:grow max-sm:px-4"
      >
        <KettleOnMat />
        <span>
          <span className="slab block text-20">Flat mat</span>
          <span className="text-16 text-ink-2">asks how far across</span>
        </span>
      </Link>
    </section>
  )
}

function KettleOnMat() {
  return (
    <svg
      width={72}
      height={64}
      viewBox="0 0 72 64"
      aria-hidden
      fill="none"
      stroke="#6F868C"
      strokeWidth={1.4}
    >
      <path d="M16 42c-2-14 7-25 20-25s22 11 20 25z" />
      <path d="M28 18c0-3 3-5 8-5s8 2 8 5M36 13v-3M20 20c2-14 30-14 32 0M56 33c6 0 7-8 12-10" />
      <g stroke="#0E2730" strokeWidth={1.2} fill="#FAFCFB">
        {Array.from({ length: 8 }, (_, index) => (
          <rect key={index} x={5 + index * 7.8} y={43} width={7} height={7} rx={3} />
        ))}
      </g>
      <path d="M5 56h62" stroke="#0E2730" strokeWidth={5} />
      <path d="M5 56h62" stroke="#FFC21A" strokeWidth={2.6} />
    </svg>
  )
}
