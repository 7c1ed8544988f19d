import { beforeEach, expect, it } from 'vitest'
import { testEntry } from '@/core/testing/entries'
import { freshDatabase } from '@/data/testing/database'
import { testDay } from '@/data/testing/day'
import { rollingGround } from '@/data/testing/ground'
import {
  addTrial,
  appendEntries,
  groundOf,
  importDay,
  listRuns,
  newId,
  openTrial,
  planOf,
  storeGrid,
  type Db,
} from '@/data'
import { correctedGround, learntCorrection, reachOnGround } from './learntCorrection'

let db: Db
let trialId: string
beforeEach(() => {
  ;({ db } = freshDatabase())
  // Ids by name: the plan and its checks must mean the same marks.
  trialId = importDay(db, testDay((what, name) => `${what} ${name}`).day, 'hash', 'spring.csv', true)
  const { lat, lon } = openTrial(db, trialId)!.site!
  storeGrid(db, 'here.hgt', rollingGround(lat!, lon!, 10))
})

it('runs that hold checks correct what is expected, and each says by how much it was', async () => {
  const plan = planOf(openTrial(db, trialId)!)
  const before = groundOf(db, trialId, plan)!
  const after = (await correctedGround(db, trialId, plan))!
  expect(before.correctedBy).toBeNull()
  expect(after.correctedBy!.checks).toBeGreaterThan(100)
  // What the receiver gets by the prediction alone stays as it is; margin and chance are the log's.
  expect(after.expected.map((e) => e.levelDbm)).toEqual(before.expected.map((e) => e.levelDbm))
  const sum = (g: typeof after) => g.expected.reduce((s, e) => s + e.chance, 0)
  expect(Math.abs(sum(after) - sum(before))).toBeGreaterThan(1)
})

it('says how far each link is copied along its legs, less where more of the calls are wanted', async () => {
  const open = openTrial(db, trialId)!
  const far = await reachOnGround(db, open)
  expect(far.length).toBe(new Set(far.map((r) => `${r.legId} ${r.key}`)).size)
  expect(far.length).toBeGreaterThan(2)
  const half = await reachOnGround(db, open, 0.5)
  far.forEach((r, i) => expect(r.estimateM ?? Infinity).toBeLessThanOrEqual(half[i]!.estimateM ?? Infinity))
})

it('a run that is void, or holds nothing, teaches nothing', async () => {
  expect(await learntCorrection(db, trialId)).not.toBeNull()
  const [run] = listRuns(db, trialId)
  const voided = { kind: 'run', state: 'voided', reason: 'wrong lead' } as const
  appendEntries(db, [testEntry(voided, { id: newId(), runId: run!.id })])
  expect(await learntCorrection(db, trialId)).toBeNull()
  expect(await learntCorrection(db, addTrial(db, 'Empty', '', 1))).toBeNull()
})
