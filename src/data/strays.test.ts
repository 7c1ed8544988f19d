import { beforeEach, expect, it } from 'vitest'
import type { Entry } from '@/core/trial'
import { freshDatabase } from './testing/database'
import { addTrial, appendEntries, entriesOf, openTrial, planOf, readRunIn, type Db } from '.'
import { keepStrays, listStrays, straysOf, takeStrays } from './strays'

let db: Db
beforeEach(() => {
  db = freshDatabase().db
})

const note = (n: number): Entry => ({
  id: `01970000-0000-7000-8000-${String(n).padStart(12, '0')}`,
  runId: 'gone',
  device: 'phone',
  role: 'out there',
  wallTime: '2026-05-16T08:00:00Z',
  seq: n,
  supersedes: null,
  body: { kind: 'note', text: `note ${n}` },
})

it('entries of a run that is gone are kept once, and are in it again when it comes back', () => {
  keepStrays(db, 'gone', [note(1), note(2)], null)
  keepStrays(db, 'gone', [note(2), note(3)], null)
  expect(listStrays(db)).toMatchObject([{ runId: 'gone', entries: 3 }])
  expect(straysOf(db, 'gone')).toEqual([note(1), note(2), note(3)])
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const plan = planOf(openTrial(db, trialId)!)
  readRunIn(db, { runId: 'gone', trialId, runName: 'Morning', startedAt: '2026-05-16T08:00:00Z', plan })
  appendEntries(db, [note(1)])
  expect(takeStrays(db, 'gone')).toBe(2)
  expect(entriesOf(db, 'gone')).toEqual([note(1), note(2), note(3)])
  expect(listStrays(db)).toEqual([])
})
