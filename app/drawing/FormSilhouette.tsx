import type { ReactNode } from 'react'
import type { FamilyName } from '../../core/index.ts'

/** What each family of forms is for, in one small picture: the thing in grey, the work around it, the tape. */
const SILHOUETTES: Readonly<Record<FamilyName, ReactNode>> = {
  disc: (
    <>
      <path d="M16 42c-2-14 7-25 20-25s22 11 20 25z" />
      <path d="M28 18c0-3 3-5 8-5s8 2 8 5M36 13v-3M20 20c2-14 30-14 32 0M56 33c6 0 7-8 12-10" />
      <Beads count={8} x={5} y={43} pitch={7.8} />
      <Tape d="M5 56h62" />
    </>
  ),
  cap: (
    <>
      <path d="M24 44c-1 10 3 16 12 16s13-6 12-16M24 44c-3-1-5 6 1 9M48 44c3-1 5 6-1 9" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {Array.from({ length: 3 }, (_, index) => (
          <rect key={index} x={19} y={23 + index * 7.2} width={34} height={6.4} rx={3} />
        ))}
        <path d="M21 22c1-9 7-13 15-13s14 4 15 13z" />
      </g>
      <Tape d="M60 9v36" />
    </>
  ),
  vessel: (
    <>
      <path d="M24 22 18 6M34 22V4M40 22l8-17M50 22l7-10" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {Array.from({ length: 4 }, (_, index) => (
          <rect
            key={index}
            x={14 + index * 1.4}
            y={20 + index * 7.4}
            width={44 - index * 2.8}
            height={6.6}
            rx={3}
          />
        ))}
      </g>
      <Tape d="M18 55h36" />
      <Tape d="M66 21v28" />
    </>
  ),
  oval: (
    <>
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        <rect x={6} y={10} width={60} height={36} rx={18} />
        <rect x={13} y={17} width={46} height={22} rx={11} />
        <path d="M24 28h24" strokeWidth={4} stroke="var(--color-ink)" strokeLinecap="round" />
        <path d="M24 28h24" strokeWidth={2} stroke="var(--color-fog)" strokeDasharray="3 2.4" />
      </g>
      <Tape d="M6 56h60" />
    </>
  ),
  case: (
    <>
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {[30, 37, 44].map((y) => (
          <rect key={y} x={16} y={y} width={40} height={6.6} rx={3} />
        ))}
        <g transform="rotate(-14 56 26)">
          {[12, 19].map((y) => (
            <rect key={y} x={16} y={y} width={40} height={6.6} rx={3} />
          ))}
        </g>
      </g>
      <Tape d="M16 57h40" />
      <Tape d="M64 31v19" />
    </>
  ),
  pouch: (
    <>
      <path d="M24 19c-8-3-10 3-16 1M48 19c8-3 10 3 16 1" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        <path d="M20 8c3 5 5-3 8 2s5-3 8 2 5-3 8 2 5-3 8 1l-3 9H23z" />
        {[21, 28, 35, 42].map((y, index) => (
          <rect key={y} x={19 - index} y={y} width={34 + 2 * index} height={6.6} rx={3} />
        ))}
      </g>
      <Tape d="M16 57h40" />
    </>
  ),
  bootie: (
    <>
      <path d="M22 4v24c-3 8-4 14-2 16h34c5 0 5-8-1-11-7-3-11-6-13-13l-2-16" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        <rect x={15} y={41} width={48} height={7} rx={3.5} />
        <rect x={15} y={33.4} width={47} height={7} rx={3.5} />
        <rect x={15} y={25.8} width={36} height={7} rx={3.5} />
        <rect x={15} y={18.2} width={28} height={7} rx={3.5} />
      </g>
      <Tape d="M15 56h48" />
    </>
  ),
  strap: (
    <>
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {[8, 18, 28, 38, 48].map((x) => (
          <rect key={x} x={x} y={18} width={9} height={20} rx={2.4} />
        ))}
        <path d="M58 18l8 10-8 10z" />
      </g>
      <Tape d="M8 54h58" />
    </>
  ),
  slipper: (
    <>
      <path d="M22 4v18c-2 8-6 16 0 22h34c7 0 8-12 0-14-8-1-14-4-16-10L39 4" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        <path d="M44 29h12a8 8 0 0 1 0 18H44z" />
        <path d="M16 36h28v11H16z" />
        <path d="M23 36v11M30 36v11M37 36v11M50 29v18" />
      </g>
      <Tape d="M16 56h48" />
    </>
  ),
  sock: (
    <>
      <path d="M18 4v30c-2 6-4 10 2 12h36c7 0 8-12 0-14-8-1-14-4-16-10L38 4" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        <path d="M30 32H56a7 7 0 0 1 0 15H30z" />
        <path d="M30 32 14 32a17 17 0 0 0 16 15z" />
        <rect x={13} y={6} width={20} height={7} rx={3} />
        <rect x={13} y={14.4} width={20} height={7} rx={3} />
        <rect x={13} y={22.8} width={20} height={7} rx={3} />
        <path d="M38 32v15M46 32v15M54 32v15" />
      </g>
      <Tape d="M13 56h50" />
    </>
  ),
  offCentre: (
    <>
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        <circle cx={36} cy={26} r={21} />
        <path d="M21 10a17 17 0 0 1 30 1M24 11a13 13 0 0 1 24 0" fill="none" />
        <circle cx={36} cy={31} r={16} />
        <circle cx={36} cy={31} r={9} />
        <circle cx={36} cy={31} r={2.4} />
      </g>
      <Tape d="M15 56h42" />
    </>
  ),
  wedge: (
    <>
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        <path d="M6 18a30 30 0 0 0 60 0z" />
        <path d="M15 18a21 21 0 0 0 42 0M24 18a12 12 0 0 0 24 0" />
        <rect x={6} y={11} width={60} height={6.4} rx={3} />
      </g>
      <Tape d="M36 57V19" />
    </>
  ),
  ball: (
    <>
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {[12, 20, 24, 20, 12].map((half, index) => (
          <rect key={index} x={36 - half} y={8 + index * 8.2} width={2 * half} height={7.4} rx={3.6} />
        ))}
      </g>
      <Tape d="M12 56h48" />
    </>
  ),
  cone: (
    <>
      <path d="M36 4 20 46M36 4l16 42" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {Array.from({ length: 5 }, (_, index) => (
          <rect
            key={index}
            x={33 - index * 4}
            y={9 + index * 7.6}
            width={6 + index * 8}
            height={6.8}
            rx={3}
          />
        ))}
      </g>
      <Tape d="M16 54h40" />
    </>
  ),
  drawn: (
    <>
      <path d="M28 10h16M29 10c0 8-14 10-14 24 0 10 5 16 9 18h24c4-2 9-8 9-18 0-14-14-16-14-24" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {[16, 20, 20.6, 18, 13].map((half, index) => (
          <rect key={index} x={36 - half} y={22 + index * 6.8} width={2 * half} height={6.2} rx={3} />
        ))}
      </g>
      <path d="M52 22 57 34 54 44" stroke="var(--color-ink)" strokeWidth={1.2} />
      <g fill="var(--color-tape)" stroke="var(--color-ink)" strokeWidth={1.2}>
        {[
          [52, 22],
          [57, 33],
          [52, 48],
        ].map(([x, y]) => (
          <rect key={y} x={x! - 3} y={y! - 3} width={6} height={6} transform={`rotate(45 ${x} ${y})`} />
        ))}
      </g>
    </>
  ),
  tube: (
    <>
      <path d="M27 52V20c0-7 4-8 4-13h10c0 5 4 6 4 13v32M24 55h24" />
      <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
        {Array.from({ length: 4 }, (_, index) => (
          <rect key={index} x={20} y={21 + index * 7.4} width={32} height={6.6} rx={3} />
        ))}
      </g>
      <Tape d="M20 58h32" />
      <Tape d="M14 21v29" />
    </>
  ),
}

function Beads({ count, x, y, pitch }: { count: number; x: number; y: number; pitch: number }) {
  return (
    <g stroke="var(--color-ink)" strokeWidth={1.2} fill="var(--color-fog)">
      {Array.from({ length: count }, (_, index) => (
        <rect key={index} x={x + index * pitch} y={y} width={pitch - 0.8} height={7} rx={3} />
      ))}
    </g>
  )
}

function Tape({ d }: { d: string }) {
  return (
    <>
      <path d={d} stroke="var(--color-ink)" strokeWidth={5} />
      <path d={d} stroke="var(--color-tape)" strokeWidth={2.6} />
    </>
  )
}

export function FormSilhouette({ family, size }: { family: FamilyName; size: number }) {
  return (
    <svg
      width={size}
      height={(size * 64) / 72}
      viewBox="0 0 72 64"
      aria-hidden
      fill="none"
      stroke="#6F868C"
      strokeWidth={1.4}
      className="shrink-0"
    >
      {SILHOUETTES[family]}
    </svg>
  )
}
