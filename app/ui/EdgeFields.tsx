import { LIMITS } from '../../core/index.ts'
import type { EdgeDraft } from './edgeDraft.ts'
import { EdgeToggle } from './EdgeToggle.tsx'
import { NumberCell } from './NumberCell.tsx'
import { Select } from './Select.tsx'
import { useSizes } from './useSizes.ts'

interface EdgeFieldsProps {
  readonly draft: EdgeDraft
  readonly set: (part: Partial<EdgeDraft>) => void
  readonly fault: string | undefined
}

/** What the edge does on the table, and by how much. */
export function EdgeFields({ draft, set, fault }: EdgeFieldsProps) {
  const sizes = useSizes()
  return (
    <>
      <EdgeToggle value={draft.edge} onChange={(edge) => set({ edge })} />
      {draft.edge === 'standsUp' && (
        <div className="border-2 rule">
          <NumberCell
            label="Stands up by"
            value={draft.standsUp}
            format={sizes.bare}
            parse={sizes.between(...LIMITS.standsUp)}
            unit={sizes.unit}
            takes="length"
            fault={fault}
            onChange={(standsUp) => set({ standsUp })}
            onClear={() => set({ standsUp: undefined })}
          />
        </div>
      )}
      {draft.edge === 'waves' && (
        <Select
          label="It waves"
          value={draft.much}
          onChange={(much) => set({ much: much as EdgeDraft['much'] })}
          choices={[
            ['little', 'a little'],
            ['lot', 'a lot'],
          ]}
        />
      )}
    </>
  )
}
