import { Component, type ReactNode } from 'react'
import { exportFile } from '../store/files.ts'

/** When a screen fails, the work is still stored: says so, and offers it as a file. */
export class ErrorBoundary extends Component<{ children: ReactNode }, { error?: Error }> {
  override state: { error?: Error } = {}

  static getDerivedStateFromError(error: unknown) {
    return { error: error instanceof Error ? error : new Error(String(error)) }
  }

  override render() {
    const { error } = this.state
    if (!error) return this.props.children
    return (
      <main className="grid max-w-2xl gap-4 p-7">
        <h1 className="text-36">This screen could not be shown</h1>
        <p className="text-18">{error.message}</p>
        <p className="text-18">
          Everything you worked is stored. Open the shelf, or keep a file of it first.
        </p>
        <div className="flex flex-wrap gap-3">
          <a className="button-ink" href="/">
            To the shelf
          </a>
          <button type="button" className="button-line" onClick={() => void exportFile()}>
            Export everything
          </button>
        </div>
      </main>
    )
  }
}
