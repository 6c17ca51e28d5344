import type { PieceView } from '../store/queries.ts'

type Named = Pick<PieceView, 'project' | 'piece' | 'pieces'>

/** What a piece is called: by its project, and where that has several by its own name, too. */
export const pieceTitle = ({ project, piece, pieces }: Named): string =>
  pieces.length > 1 ? `${project.name}, ${piece.name}` : project.name

/** Where a view of a piece is found. */
export const pieceAddress = (
  { project, piece }: Pick<PieceView, 'project' | 'piece'>,
  view: 'text' | 'plan' | 'work' | 'check' | 'sheet' | 'block',
): string => `/project/${project.id}/piece/${piece.id}/${view}`

/** Where the pieces of a project are found together. */
export const projectAddress = ({ project }: Pick<PieceView, 'project'>): string =>
  `/project/${project.id}/pieces`
