import type { YarnRecord } from '../../../core/index.ts'

/** "Fog, Hut cotton" */
export const yarnTitle = ({ name, line }: Pick<YarnRecord, 'name' | 'line'>): string =>
  line ? `${name}, ${line}` : name
