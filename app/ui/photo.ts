/** The longer side of a photo as it is kept, px, and how much of its detail. */
const [LONGEST, QUALITY] = [960, 0.8]

/** Why a file is no photo that can be kept. */
export class PhotoError extends Error {}

/**
 * A photo as a small JPEG, as an address of its own data.
 * @throws PhotoError with what would do
 */
export async function photoFrom(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new PhotoError('This file is no picture that can be read. A JPEG, PNG or WebP will do.')
  })
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(picture.width * scale))
  canvas.height = Math.max(1, Math.round(picture.height * scale))
  const context = canvas.getContext('2d')
  if (!context) throw new PhotoError('This browser cannot make the picture smaller.')
  // What is seen through is paper.
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  return canvas.toDataURL('image/jpeg', QUALITY)
}
