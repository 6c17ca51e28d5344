import { Copy, Download, Share2 } from 'lucide-react'
import { useMemo } from 'react'
import type { PieceSpec, Plan, YarnRecord } from '../../../core/index.ts'
import { patternText, writePattern } from '../../../core/pattern/write/writePattern.ts'
import { download, fileNameOf } from '../../store/exporting.ts'
import { useSettings, type PieceView } from '../../store/queries.ts'
import { say } from '../../ui/toasts.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { patternHead } from '../../words/patternHead.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { pieceTitle } from '../../words/pieceWords.ts'

interface WrittenPatternProps {
  readonly view: PieceView
  readonly plan: Plan
  readonly spec: PieceSpec
  readonly yarns: readonly YarnRecord[]
}

/** The piece in words, to be given away: copied, kept as a file, or shared. */
export function WrittenPattern({ view, plan, spec, yarns }: WrittenPatternProps) {
  const { terms } = useSettings()
  const sizes = useSizes()
  const title = pieceTitle(view)
  const lines = useMemo(() => {
    const measured = new Map(plan.checkpoints.map(({ afterRound, promises }) => [afterRound, promises]))
    return writePattern(plan, spec, terms, {
      title,
      quantity: view.piece.quantity,
      head: patternHead({ plan, spec, gauge: view.gauge, yarns }, sizes),
      nameOfYarn: (id) => yarns.find((yarn) => yarn.id === id)?.name ?? 'the yarn',
      measureAfter: (round) => {
        const promises = measured.get(round)
        return promises && promises.length > 0 ? sayAllPromised(promises, sizes) : undefined
      },
    })
  }, [plan, spec, terms, title, view, yarns, sizes])
  const text = patternText(lines, 'text')
  const name = fileNameOf(title) || 'pattern'
  const copy = () =>
    void navigator.clipboard.writeText(text).then(
      () => say('The pattern is copied.'),
      () => say('This browser does not let it be copied. Keep it as a file.'),
    )
  const share = () =>
    void navigator.share({ title, text }).catch((error: unknown) => {
      // Whoever closes the list of others has not failed.
      if (error instanceof Error && error.name !== 'AbortError')
        say('It could not be shared. Copy it, or keep it as a file.')
    })
  return (
    <section aria-label="In words" className="grid gap-3 border-t-2 rule pt-3 print:hidden">
      <h2 className="text-24">In words</h2>
      <p className="text-18">
        The same rounds as a pattern that others can work from, in {terms} terms. Uzel reads it back as it is.
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="button-ink flex items-center gap-2" onClick={copy}>
          <Copy aria-hidden size={18} /> Copy
        </button>
        <button
          type="button"
          className="button-line flex items-center gap-2"
          onClick={() => download(`${name}.txt`, text, 'text/plain')}
        >
          <Download aria-hidden size={18} /> Text
        </button>
        <button
          type="button"
          className="button-line flex items-center gap-2"
          onClick={() => download(`${name}.md`, patternText(lines, 'markdown'), 'text/markdown')}
        >
          <Download aria-hidden size={18} /> Markdown
        </button>
        {'share' in navigator && (
          <button type="button" className="button-line flex items-center gap-2" onClick={share}>
            <Share2 aria-hidden size={18} /> Share
          </button>
        )}
      </div>
      <details>
        <summary className="min-h-11 cursor-pointer content-center text-18">See it</summary>
        <pre className="overflow-x-auto border rule bg-fog p-3 font-text text-16 whitespace-pre-wrap">
          {text}
        </pre>
      </details>
    </section>
  )
}
