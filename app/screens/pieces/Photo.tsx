import { AddPhoto } from '../../ui/AddPhoto.tsx'
import type { PiecesModel } from './piecesModel.ts'

/** One photo of the finished thing, kept small with its project. */
export function Photo({ model: { project, finish, change } }: { readonly model: PiecesModel }) {
  const { photo, ...without } = finish
  return (
    <div className="grid gap-2 border-t rule pt-3">
      {photo && (
        <img
          src={photo}
          alt={`${project.name}, finished`}
          className="max-h-72 w-full border-2 rule object-contain"
        />
      )}
      <div className="flex flex-wrap gap-3">
        <AddPhoto
          label={photo ? 'Another photo' : 'Add a photo'}
          onPhoto={(data) => change({ ...finish, photo: data })}
        />
        {photo && (
          <button type="button" className="button-line" onClick={() => change(without)}>
            Take it out
          </button>
        )}
      </div>
    </div>
  )
}
