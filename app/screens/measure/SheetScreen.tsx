import { Header } from '../../ui/Header.tsx'
import { MeasuringSheet } from '../../drawing/MeasuringSheet.tsx'
import { usePageTitle } from '../../ui/usePageTitle.ts'

/** The measuring sheet as it will be printed, and how to print it at its true size. */
export function SheetScreen() {
  usePageTitle('Measuring sheet')
  return (
    <div className="flex min-h-dvh flex-col">
      <div className="print:hidden">
        <Header />
      </div>
      <main className="grid gap-4 px-7 py-4 max-sm:px-4 print:block print:p-0">
        <div className="flex flex-wrap items-center gap-x-7 gap-y-2 print:hidden">
          <h1 className="text-44 max-sm:text-36">Measuring sheet</h1>
          <p className="max-w-xl text-16">
            Print at 100%, “actual size”, not “fit to page”; then hold your tape to the ruler. If 10 cm is not
            10 cm, do not measure with it.
          </p>
          <button type="button" className="button-ink" onClick={() => window.print()}>
            Print
          </button>
        </div>
        <div
          className="overflow-x-auto print:overflow-visible"
          tabIndex={0}
          role="group"
          aria-label="The sheet"
          data-true-size
        >
          <MeasuringSheet />
        </div>
      </main>
    </div>
  )
}
