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
      {FAMILY_NAMES.map((family) => {
        const { offer, asks } = wordsOf({ family })
        return (
          <Link
            key={family}
            to={`/new?form=${family}`}
            className="flex items-center gap-5 border-l rule px-6 py-3 last:border-r hover:bg-film-2 max-sm:grow max-sm:basis-full max-sm:border-t max-sm:border-l-0 max-sm:px-4 max-sm:last:border-r-0"
          >
            <FormSilhouette family={family} size={72} />
            <span>
              <span className="slab block text-20">{offer}</span>
              <span className="text-16 text-ink-2">{asks}</span>
            </span>
          </Link>
        )
      })}
    </section>
  )
}
