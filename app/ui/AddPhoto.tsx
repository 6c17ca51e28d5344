import { useState } from 'react'
import { MOST_OF_A_PHOTO } from '../../core/index.ts'
import { photoFrom, PhotoError } from './photo.ts'

interface AddPhotoProps {
  readonly label: string
  /** Keeps it; what it throws is told. */
  readonly onPhoto: (data: string) => void | Promise<void>
}

/** Takes a picture from the device or its camera, made small. */
export function AddPhoto({ label, onPhoto }: AddPhotoProps) {
  const [problem, setProblem] = useState<string>()
  const take = async (file: File | undefined) => {
    if (!file) return
    try {
      const data = await photoFrom(file)
      if (data.length > MOST_OF_A_PHOTO) throw new PhotoError('It stays too large. Take one with less in it.')
      setProblem(undefined)
      await onPhoto(data)
    } catch (error) {
      setProblem(
        error instanceof PhotoError
          ? error.message
          : 'The picture could not be kept. The disk may be full: export a file, then try again.',
      )
    }
  }
  return (
    <>
      <label className="button-line cursor-pointer focus-within:outline-3 focus-within:outline-offset-2">
        {label}
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
      {problem && (
        <p role="alert" className="fault basis-full text-16">
          {problem}
        </p>
      )}
    </>
  )
}
