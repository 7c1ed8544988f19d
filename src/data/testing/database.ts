import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { onTestFinished } from 'vitest'
import { openDatabase, type Db } from '..'

/** An empty database in a folder of its own, both gone when the test is over; asked for in `beforeEach` or in a test. */
export function freshDatabase(): { db: Db; folder: string } {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-'))
  const db = openDatabase(join(folder, 'a.db'))
  onTestFinished(() => {
    db.$client.close()
    rmSync(folder, { recursive: true, force: true })
  })
  return { db, folder }
}
