import { Component, type ReactNode } from 'react'
import { Link } from 'react-router'
import { exportFile } from '../store/exportLater.ts'

interface ErrorBoundaryProps {
  /** Where the maker is: a failure belongs to its place, and is left with it. */
  readonly place: string
  readonly children: ReactNode
}

interface Failed {
  readonly error: Error
  readonly place: string
}

/** When a screen fails, the work is still stored: says so, offers it as a file, and the way to the others. */
export class ErrorBoundary extends Component<ErrorBoundaryProps, { failed?: Failed }> {
  override state: { failed?: Failed } = {}

  override componentDidCatch(error: unknown) {
    const { place } = this.props
    this.setState({ failed: { error: error instanceof Error ? error : new Error(String(error)), place } })
  }

  static getDerivedStateFromError(error: unknown) {
    return { failed: { error: error instanceof Error ? error : new Error(String(error)), place: '' } }
  }

  static getDerivedStateFromProps({ place }: ErrorBoundaryProps, { failed }: { failed?: Failed }) {
    return failed && failed.place !== '' && failed.place !== place ? { failed: undefined } : null
  }

  override render() {
    const { failed } = this.state
    if (!failed) return this.props.children
    return (
      <main className="grid max-w-2xl gap-4 p-7">
        <h1 className="text-36">This screen could not be shown</h1>
        <p className="text-18">{failed.error.message.slice(0, 200)}</p>
        <p className="text-18">
          Everything you worked is stored. Open the shelf, or keep a file of it first.
        </p>
        <div className="flex flex-wrap gap-3">
          <Link className="button-ink" to="/">
            To the shelf
          </Link>
          <button type="button" className="button-line" onClick={() => void exportFile({ photos: true })}>
            Export everything
          </button>
        </div>
      </main>
    )
  }
}
