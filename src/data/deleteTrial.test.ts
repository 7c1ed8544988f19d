import { beforeEach, expect, it } from 'vitest'
import { messageOf } from '@/core/outcome'
import { testEntry } from '@/core/testing/entries'
import { checkOf, link, plan, rig } from '@/core/testing/plans'
import { freshDatabase } from './testing/database'
import { addTrial, appendEntries, deleteTrial, openTrial, startRun, trialContents, type Db } from '.'

let db: Db
beforeEach(() => {
  db = freshDatabase().db
})

const check = (runId: string, markId = 'm0') =>
  testEntry({ kind: 'check', ...checkOf(markId, 'a', '5 by 7') }, { runId })

function trialWithRun(): { trialId: string; runId: string } {
  const trialId = addTrial(db, 'T', '', 1)
  const conditions = { note: '', fixedBeforehand: true, imported: false }
  return { trialId, runId: startRun(db, trialId, 'Run', plan([link(rig('a'))], 4), conditions) }
}
const said = (outcome: ReturnType<typeof deleteTrial>) => (outcome.ok ? 'deleted' : messageOf(outcome))

it('a trial without checks goes at once, its empty run with it', () => {
  const { trialId } = trialWithRun()
  expect(said(deleteTrial(db, trialId))).toBe('deleted')
  expect(openTrial(db, trialId)).toBeNull()
  expect(said(deleteTrial(db, trialId))).toContain('no longer there')
})

it('one with checks goes only when a file holds every entry of it, and no other trial loses one', () => {
  const { trialId, runId } = trialWithRun()
  const other = trialWithRun()
  appendEntries(db, [check(runId), check(other.runId)])
  expect(said(deleteTrial(db, trialId))).toBe('Its runs hold 1 check. Write them to a file first.')
  const { digest, checks, runs } = trialContents(db, trialId)!
  expect({ checks, runs }).toEqual({ checks: 1, runs: 1 })
  appendEntries(db, [check(runId, 'm1')])
  expect(said(deleteTrial(db, trialId, digest))).toContain('logged since the file was written')
  expect(said(deleteTrial(db, trialId, trialContents(db, trialId)!.digest))).toBe('deleted')
  expect(trialContents(db, other.trialId)).toMatchObject({ checks: 1, entries: 1 })
})

it('the log is append-only again afterwards', () => {
  const { trialId, runId } = trialWithRun()
  const other = trialWithRun()
  appendEntries(db, [check(runId), check(other.runId)])
  deleteTrial(db, trialId, trialContents(db, trialId)!.digest)
  expect(() => db.$client.exec('delete from entry')).toThrow(/append-only/)
})
