import type { PhotoRecord, Position } from '../../core/index.ts'
import { database, freshId } from './database.ts'
import { useStored } from './liveQueries.ts'
import { mustFit } from './mustFit.ts'

/** Photos of a copy in the order they were taken. */
export const usePhotos = (copyId: string): readonly PhotoRecord[] =>
  useStored(['photos', copyId], ['photos'], () =>
    database.photos.where('copyId').equals(copyId).sortBy('at'),
  ) ?? []

/** @throws Refused when it is no picture that a file could hold */
export async function keepPhoto(copyId: string, position: Position, data: string): Promise<void> {
  const photo: PhotoRecord = { id: freshId(), copyId, at: Date.now(), position, data }
  await mustFit('photos', photo)
  await database.photos.add(photo)
}

/** Takes a photo out; returns what brings it back. */
export async function removePhoto(photo: PhotoRecord): Promise<() => Promise<void>> {
  await database.photos.delete(photo.id)
  return async () => void (await database.photos.put(photo))
}
