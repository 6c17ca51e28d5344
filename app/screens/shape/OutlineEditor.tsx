import { Plus, X } from 'lucide-react'
import { outlineOf, type OutlineField, type OutlinePoint } from '../../../core/index.ts'
import { OutlineGrid } from '../../drawing/OutlineGrid.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { useElementSize } from '../../ui/useElementSize.ts'
import { useSizes } from '../../ui/useSizes.ts'
import { moved, withPointAfter, withoutPoint } from './outlineEdits.ts'

interface OutlineEditorProps {
  readonly field: Pick<OutlineField<object>, 'widest' | 'highest' | 'most'>
  readonly outline: readonly OutlinePoint[]
  /** Whether it goes from point to point as a curve. */
  readonly curved: boolean
  readonly onChange: (outline: readonly OutlinePoint[]) => void
}

const GRID = 250

/** A shape by its points: dragged on a grid, or typed. */
export function OutlineEditor({ field, outline, curved, onChange }: OutlineEditorProps) {
  const sizes = useSizes()
  const [area, { width }] = useElementSize()
  const move = (index: number, point: OutlinePoint) => onChange(moved(outline, index, point, field))
  const full = outline.length >= field.most
  return (
    <div className="grid gap-2">
      <div ref={area} className="bg-film-2" style={{ height: GRID }}>
        {width > 0 && (
          <OutlineGrid
            outline={outline}
            line={outlineOf(outline, curved)}
            width={width}
            height={GRID}
            sizes={sizes}
            onMove={move}
            onAdd={(after) => !full && onChange(withPointAfter(outline, after, field))}
            onRemove={(index) => onChange(withoutPoint(outline, index))}
          />
        )}
      </div>
      <ol aria-label="Points, from the foot up" className="grid bg-film">
        {outline.map((point, index) => (
          <li
            key={index}
            className="grid grid-cols-[2rem_1fr_1fr_2.75rem] items-stretch border-b border-hair"
          >
            <span className="slab self-center pl-2 text-18">{index + 1}</span>
            <NumberCell
              label={`Point ${index + 1} across`}
              value={point.across}
              format={sizes.bare}
              parse={sizes.between(0, field.widest)}
              step={sizes.step}
              signed
              unit={sizes.unit}
              onChange={(across) => move(index, { ...point, across })}
              takes="length"
            />
            {index === 0 ? (
              <span className="self-center px-3 text-16 text-ink-2">its foot</span>
            ) : (
              <NumberCell
                label={`Point ${index + 1} up`}
                value={point.up}
                format={sizes.bare}
                parse={sizes.between(outline[index - 1]!.up, outline[index + 1]?.up ?? field.highest)}
                step={sizes.step}
                signed
                unit={sizes.unit}
                onChange={(up) => move(index, { ...point, up })}
                takes="length"
              />
            )}
            <button
              type="button"
              aria-label={`Take out point ${index + 1}`}
              className="grid w-11 place-items-center hover:bg-film-2 disabled:invisible"
              disabled={outline.length <= 2 || index === 0}
              onClick={() => onChange(withoutPoint(outline, index))}
            >
              <X aria-hidden size={18} />
            </button>
          </li>
        ))}
      </ol>
      <p className="flex flex-wrap items-center gap-x-4 gap-y-2 pb-1 text-16">
        <button
          type="button"
          className="button-line bg-film inline-flex items-center gap-2"
          disabled={full}
          onClick={() => onChange(withPointAfter(outline, outline.length - 1, field))}
        >
          <Plus aria-hidden size={18} /> Add a point
        </button>
        Drag them, or type what a tape says: how wide, so far up.
      </p>
    </div>
  )
}
