import { QueryClient, useQuery, type QueryKey } from '@tanstack/react-query'
import Dexie from 'dexie'
import { database } from './database.ts'

/** The tables a query was read from; a change in one of them, in any tab, reads it again. */
export type TableName = (typeof database.tables)[number]['name']

declare module '@tanstack/react-query' {
  interface Register {
    queryMeta: { tables?: readonly TableName[] }
  }
}

export const queryClient = new QueryClient({
  defaultOptions: { queries: { staleTime: Infinity, gcTime: 60_000, retry: false, networkMode: 'always' } },
})

/** Reads queries again when their tables change. Dexie passes changes on between tabs. */
export function watchStorage(): void {
  Dexie.on('storagemutated', (parts: Record<string, unknown>) => {
    const changed = new Set(Object.keys(parts).map((part) => part.split('/')[3]))
    void queryClient.invalidateQueries({
      predicate: ({ meta }) => meta?.tables?.some((table) => changed.has(table)) ?? false,
    })
  })
}

/** A stored fact, kept up to date; `undefined` until it is read, `null` where there is none. */
export function useStored<T>(
  key: QueryKey,
  tables: readonly TableName[],
  read: () => Promise<T | undefined>,
): T | null | undefined {
  const { data, error } = useQuery({
    queryKey: key,
    queryFn: async () => (await read()) ?? null,
    meta: { tables },
  })
  if (error) throw error
  return data
}
