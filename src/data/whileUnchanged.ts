import type { Db } from './connection'

interface Kept {
  at: string
  values: Map<string, unknown>
}
const kept = new WeakMap<object, Kept>()
/** Entries that were written by this connection: they come all the time, and are asked for by their count. */
const came = new WeakMap<object, number>()

/** Said where entries are written, so that they pass for no change. */
export function entriesCame(db: Db, count: number): void {
  // Within a transaction of others they come with, it has none: then they pass for a change.
  const sqlite = db.$client as Db['$client'] | undefined
  if (!sqlite) return
  came.set(sqlite, (came.get(sqlite) ?? 0) + count)
}

/** Whether anything can be kept: not of what a transaction sees, which may be taken back. */
export const canKeep = (db: Db): boolean => (db.$client as Db['$client'] | undefined)?.inTransaction === false

/**
 * What was made of the database, made anew once anything in it but entries has changed, by this connection or another.
 * @param name of what is made; it holds nothing of the entries, and nothing that it gives may be changed
 */
export function whileUnchanged<T>(db: Db, name: string, make: () => T): T {
  const sqlite = db.$client
  if (!canKeep(db)) return make()
  const changes = sqlite.prepare('select total_changes()').pluck().get() as number
  const at = `${String(sqlite.pragma('data_version', { simple: true }))} ${changes - (came.get(sqlite) ?? 0)}`
  let held = kept.get(sqlite)
  if (held?.at !== at) {
    held = { at, values: new Map() }
    kept.set(sqlite, held)
  }
  if (!held.values.has(name)) held.values.set(name, make())
  return held.values.get(name) as T
}
