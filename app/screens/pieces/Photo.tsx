import { useState } from 'react'
import { MOST_OF_A_PHOTO } from '../../../core/index.ts'
import { photoFrom, PhotoError } from './photo.ts'
import type { PiecesModel } from './piecesModel.ts'

/** One photo of the finished thing, kept small with its project. */
export function Photo({ model: { project, finish, change } }: { readonly model: PiecesModel }) {
  const [problem, setProblem] = useState<string>()
  const { photo, ...without } = finish
  const take = async (file: File | undefined) => {
    if (!file) return
    try {
      const next = await photoFrom(file)
      if (next.length > MOST_OF_A_PHOTO) throw new PhotoError('It stays too large. Take one with less in it.')
      setProblem(undefined)
      change({ ...finish, photo: next })
    } catch (error) {
      setProblem(error instanceof PhotoError ? error.message : 'The picture could not be read.')
    }
  }
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
        <label className="button-line cursor-pointer focus-within:outline-3 focus-within:outline-offset-2">
          {photo ? 'Another photo' : 'Add a photo'}
          <input
            type="file"
            accept="image/*"
            className="visually-hidden"
            onChange={({ target }) => {
              void take(target.files?.[0])
              target.value = ''
            }}
          />
        </label>
        {photo && (
          <button type="button" className="button-line" onClick={() => change(without)}>
            Take it out
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="fault text-16">
          {problem}
        </p>
      )}
    </div>
  )
}
