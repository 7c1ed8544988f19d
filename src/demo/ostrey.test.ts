import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { listRuns, listTrials, logOf, openDatabase } from '@/data'
import { seedOstrey } from './ostrey'

it('seeds the demo once: every kind of log, one half done, and one void run', () => {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-demo-'))
  const db = openDatabase(join(folder, 'demo.db'))
  expect(seedOstrey(db)).toBe(true)
  expect(seedOstrey(db)).toBe(false)
  const runs = listTrials(db).flatMap((t) => listRuns(db, t.id).map((r) => logOf(db, r.id).state))
  expect(runs.sort()).toEqual([...Array<string>(10).fill('finished'), 'going', 'voided'])
  rmSync(folder, { recursive: true, force: true })
})
