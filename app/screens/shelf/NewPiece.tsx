import { Link } from 'react-router'
import { FAMILY_NAMES } from '../../../core/index.ts'
import { FormSilhouette } from '../../drawing/FormSilhouette.tsx'
import { wordsOf } from '../../words/formWords.ts'

/** What must it fit? The tape shows what will be asked. */
export function NewPiece() {
  return (
    <section aria-label="New piece" className="flex items-stretch border-t-2 rule max-sm:flex-wrap">
      <div className="px-7 py-4 max-sm:w-full max-sm:px-4 max-sm:pb-2">
        <h2 className="text-24">New piece</h2>
        <p className="pt-1 text-16">What must it fit?</p>
      </div>
      <div className="grid grow grid-cols-[repeat(auto-fit,minmax(13.5rem,1fr))] overflow-hidden">
        {FAMILY_NAMES.map((family) => {
          const { offer, asks } = wordsOf({ family })
          return (
            <Link
              key={family}
              to={`/new?form=${family}`}
              className="-mt-px flex items-center gap-4 border-t border-l rule px-4 py-3 hover:bg-film-2"
            >
              <FormSilhouette family={family} size={64} />
              <span className="min-w-0">
                <span className="slab block text-20">{offer}</span>
                <span className="text-16 text-ink-2">{asks}</span>
              </span>
            </Link>
          )
        })}
      </div>
    </section>
  )
}
