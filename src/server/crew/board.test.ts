import { expect, it, vi } from 'vitest'
import { checkOf } from '@/core/testing/plans'
import { addTrial, appendEntries, invite, openTrial, pair, planOf, startRun } from '@/data'
import { freshDatabase } from '@/data/testing/database'
import { deviceSaid, listen, tellBoard } from './live'
import { board } from './board'

it('tells of each device what is here of it, what it said last, and how far off its clock is', () => {
  const { db } = freshDatabase()
  const trialId = addTrial(db, 'Wet hill', '', 1)
  const plan = planOf(openTrial(db, trialId)!)
  const runId = startRun(db, trialId, 'Morning', plan, { note: '', fixedBeforehand: true, imported: false })
  const { words } = invite(db, {
    name: 'Hill',
    role: 'field',
    runs: [{ runId, post: 'out there', rigIds: ['a'] }],
  })
  const made = pair(db, words)
  if (!made.ok) throw new Error('not paired')
  const { device } = made.value
  expect(board(trialId, db)).toMatchObject([
    {
      name: 'Hill',
      said: null,
      runs: [{ name: 'Morning', post: 'out there', rigIds: ['a'], checks: 0, lastEntryAt: null }],
    },
  ])
  const entry = {
    id: '01970000-0000-7000-8000-000000000001',
    runId,
    device: device.sign,
    role: 'out there',
    wallTime: '2026-05-16T08:00:00Z',
    seq: 1,
    supersedes: null,
  }
  appendEntries(db, [{ ...entry, body: { kind: 'check', ...checkOf('m0', 'l0', '5 by 7') } }], device.id)
  const now = Date.parse('2026-05-16T08:00:10Z')
  deviceSaid(
    device,
    runId,
    { sentAt: '2026-05-16T08:03:10Z', waiting: 3, battery: 0.4, position: undefined },
    now,
  )
  expect(board(trialId, db)).toMatchObject([
    {
      runs: [{ entries: 1, checks: 1, lastEntryAt: '2026-05-16T08:00:00Z' }],
      said: { waiting: 3, battery: 0.4, clockOffMs: 180_000, fromBaseM: null },
    },
  ])
  expect(board('another trial', db)).toEqual([])
})

it('tells whoever listens, until they are let go', () => {
  const ear = vi.fn()
  const letGo = listen(ear)
  tellBoard()
  letGo()
  tellBoard()
  expect(ear).toHaveBeenCalledTimes(1)
})
