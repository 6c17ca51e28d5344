import { Link } from 'react-router'

export function Opening() {
  return (
    <p role="status" className="p-7 text-18 text-ink-2">
      Opening…
    </p>
  )
}

/** An address of something that is not, or no longer, on the shelf. */
export function NotHere() {
  return (
    <main className="grid justify-items-start gap-4 p-7">
      <h1 className="text-36">This piece is not on the shelf</h1>
      <p className="text-18">
        It may have been deleted, or this is another browser than the one it was planned in.
      </p>
      <Link to="/" className="button-ink">
        To the shelf
      </Link>
    </main>
  )
}
