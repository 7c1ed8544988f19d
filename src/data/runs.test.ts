import { messageOf } from '@/core/outcome'
import { beforeEach, expect, it } from 'vitest'
import { freshDatabase } from './testing/database'
import {
  addTrial,
  appendEntries,
  countEntries,
  entriesAfter,
  entriesOf,
  getRun,
  logOf,
  openTrial,
  planOf,
  readRunIn,
  startRun,
  type Db,
} from '.'

let db: Db
beforeEach(() => {
  db = freshDatabase().db
})

const note = (runId: string, n: number) => ({
  id: `01970000-0000-7000-8000-${String(n).padStart(12, '0')}`,
  runId,
  device: 'phone',
  role: 'out there',
  wallTime: '2026-05-16T08:00:00Z',
  seq: n,
  supersedes: null,
  body: { kind: 'note' as const, text: `note ${n}` },
})

it('a run that another device began is made where its trial is here, and keeps its plan', () => {
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const plan = planOf(openTrial(db, trialId)!)
  const made = readRunIn(db, {
    runId: 'r1',
    trialId,
    runName: 'By phone',
    startedAt: '2026-05-16T08:00:00Z',
    plan,
  })
  expect(made.ok).toBe(true)
  expect(getRun(db, 'r1')).toMatchObject({
    name: 'By phone',
    plan,
    conditions: { note: 'Read in from a file', imported: false },
  })
})

it('where the trial is not here it is refused by its name, and nothing is made', () => {
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const plan = planOf(openTrial(db, trialId)!)
  const refused = readRunIn(db, {
    runId: 'r1',
    trialId: 'elsewhere',
    runName: 'R',
    startedAt: '2026-05-16T08:00:00Z',
    plan,
  })
  expect(refused).toMatchObject({ ok: false })
  expect(!refused.ok && messageOf(refused)).toContain('"Wet hill", which is not in this database')
  expect(getRun(db, 'r1')).toBeNull()
})

it('the same entries again change nothing, and a batch is taken whole or not at all', () => {
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const runId = startRun(db, trialId, 'R', planOf(openTrial(db, trialId)!), {
    note: '',
    fixedBeforehand: false,
    imported: false,
  })
  expect(appendEntries(db, [note(runId, 1), note(runId, 2)])).toHaveLength(2)
  appendEntries(db, [note(runId, 2), note(runId, 3)])
  expect(countEntries(db, runId)).toBe(3)
  // The last of them belongs to a run that is not there; the key refuses it, and with it the batch.
  expect(() => appendEntries(db, [note(runId, 4), note('gone', 5)])).toThrow()
  expect(entriesOf(db, runId).map((e) => e.seq)).toEqual([1, 2, 3])
})

it('entries are fetched in the order in which they came, a page at a time, and none twice', () => {
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const plan = planOf(openTrial(db, trialId)!)
  const start = () => startRun(db, trialId, 'Run', plan, { note: '', fixedBeforehand: true, imported: false })
  const [runId, other] = [start(), start()]
  // By its clock the last to come is the first that was made.
  appendEntries(db, [note(runId, 5), note(runId, 3)])
  appendEntries(db, [{ ...note(other, 4) }])
  appendEntries(db, [note(runId, 1), note(runId, 3)])
  const first = entriesAfter(db, runId, 0, 2)
  expect(first).toMatchObject({ entries: [{ seq: 5 }, { seq: 3 }], more: true })
  const second = entriesAfter(db, runId, first.upTo, 2)
  expect(second).toMatchObject({ entries: [{ seq: 1 }], more: false })
  expect(entriesAfter(db, runId, second.upTo, 2)).toEqual({ entries: [], upTo: second.upTo, more: false })
  appendEntries(db, [note(runId, 2)])
  expect(entriesAfter(db, runId, second.upTo, 2).entries).toEqual([note(runId, 2)])
})

it('a log is folded once while nothing comes, and anew when something does, from here or elsewhere', () => {
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const runId = startRun(db, trialId, 'R', planOf(openTrial(db, trialId)!), {
    note: '',
    fixedBeforehand: false,
    imported: false,
  })
  const notes = () => logOf(db, runId).notes.map((n) => n.text)
  expect(notes()).toEqual([])
  appendEntries(db, [note(runId, 1)])
  expect(notes()).toEqual(['note 1'])
  expect(logOf(db, runId)).toBe(logOf(db, runId))
  appendEntries(db, [{ ...note(runId, 2), supersedes: note(runId, 1).id }])
  expect(notes()).toEqual(['note 2'])
  db.transaction((tx) => {
    appendEntries(tx as unknown as Db, [note(runId, 3)])
    expect(logOf(tx as unknown as Db, runId).notes).toHaveLength(2)
  })
  expect(notes()).toEqual(['note 2', 'note 3'])
})
