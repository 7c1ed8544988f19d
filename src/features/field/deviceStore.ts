'use client'

import Dexie, { type Table } from 'dexie'
import type { Entry } from '@/core/trial'
import type { EntryStore } from './entryQueue'

class DeviceDb extends Dexie {
  entries!: Table<Entry, string>
  constructor() {
    super('even-reach')
    this.version(1).stores({ entries: 'id, runId' })
  }
}

/** The store in this browser's IndexedDB. */
export function deviceStore(): EntryStore {
  const db = new DeviceDb()
  return {
    put: async (entry) => {
      await db.entries.put(entry)
    },
    waiting: (runId) => db.entries.where('runId').equals(runId).sortBy('id'),
    remove: (ids) => db.entries.bulkDelete([...ids]),
  }
}
