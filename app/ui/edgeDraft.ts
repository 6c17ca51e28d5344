import type { EdgeLies } from '../../core/index.ts'

/** How an edge lies, as far as it is filled in. */
export interface EdgeDraft {
  readonly edge: EdgeLies['kind']
  /** mm. */
  readonly standsUp?: number
  readonly much: 'little' | 'lot'
}

/** The draft as how the edge lies; nothing while how far it stands up is missing. */
export function edgeOf({ edge, standsUp, much }: EdgeDraft): EdgeLies | undefined {
  switch (edge) {
    case 'flat':
      return { kind: 'flat' }
    case 'standsUp':
      return standsUp === undefined ? undefined : { kind: 'standsUp', by: standsUp }
    case 'waves':
      return { kind: 'waves', much }
  }
}
