import { readProjectFile } from '../../core/exchange/readProjectFile.ts'
import { projectFile, writeProjectFile } from '../../core/index.ts'
import { smallWorkshop } from '../../core/testing/smallWorkshop.ts'
import { mutatedFile } from './mutatedFile.ts'
import { showEverything } from './showEverything.ts'

export interface FilesReport {
  readonly tried: number
  readonly refused: number
  /** Taken in and shown on every screen. */
  readonly shown: number
  /** What broke, with the seed that breaks it again. */
  readonly broken: readonly string[]
}

/**
 * Mutated files through the reader and, when taken in, through everything that screens compute of them:
 * what is read is shown, written and read again without loss.
 * @param from the first seed
 */
export function tormentFiles(count: number, from = 1): FilesReport {
  const good = JSON.parse(
    writeProjectFile(projectFile(smallWorkshop(), '2026-11-26T08:00:00.000Z')),
  ) as object
  let refused = 0
  let shown = 0
  const broken: string[] = []
  for (let seed = from; seed < from + count; seed++) {
    const { text, deeds } = mutatedFile(good, seed)
    try {
      const read = readProjectFile(text)
      if (!read.ok) {
        if (read.faults.some(({ message }) => message.trim().length < 8)) throw new Error('no sentence')
        refused++
        continue
      }
      showEverything(read.file)
      const again = readProjectFile(writeProjectFile(read.file))
      if (!again.ok) throw new Error(`written, it is refused: ${again.faults[0]!.path}`)
      shown++
    } catch (error) {
      broken.push(`seed ${seed}: ${deeds.join('; ')} → ${(error as Error).message.slice(0, 200)}`)
    }
  }
  return { tried: count, refused, shown, broken }
}
