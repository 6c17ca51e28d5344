/** A sign for a yarn that needs no colour: each of the first of a piece has its own filling. */
const FILLINGS = ['', 'M7 1 13 7 7 13Z', 'M1 7 7 1 13 7 7 13Z', 'M1 7H13L7 13Z', 'M7 1 1 7 7 13Z'] as const

export function YarnSign({ index }: { readonly index: number }) {
  return (
    <svg viewBox="0 0 14 14" className="ml-1 inline-block size-[0.62em] align-middle" aria-hidden>
      <path d="M7 1 13 7 7 13 1 7Z" fill="#fff" stroke="#000" strokeWidth={1.2} />
      <path d={FILLINGS[index % FILLINGS.length]} fill="#000" />
    </svg>
  )
}
