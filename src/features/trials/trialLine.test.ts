import { beforeEach, describe, expect, it } from 'vitest'
import { checkOf } from '@/core/testing/plans'
import { testDay } from '@/data/testing/day'
import type { EntryBody } from '@/core/trial'
import {
  addTrial,
  appendEntries,
  importDay,
  listRuns,
  newId,
  openDatabase,
  openTrial,
  planOf,
  startRun,
  type Db,
} from '@/data'
import { trialLine, trialState } from './trialLine'

let db: Db
let trialId: string
beforeEach(() => {
  db = openDatabase(':memory:')
  trialId = importDay(db, testDay(() => newId()).day, 'hash', 'spring.csv', true)
})

const write = (runId: string, body: EntryBody) =>
  appendEntries(db, [
    {
      id: newId(),
      runId,
      device: 'd',
      role: 'out there',
      wallTime: new Date().toISOString(),
      seq: 1,
      supersedes: null,
      body,
    },
  ])
const open = (id: string) => openTrial(db, id)!
const line = (id: string) => trialLine(db, open(id).trial)
const again = () =>
  startRun(
    db,
    trialId,
    'Again',
    planOf(open(trialId)),
    { note: '', fixedBeforehand: true, imported: false },
    '2099-01-01T00:00:00.000Z',
  )

describe('a trial in a line', () => {
  it('that was carried out says how many checks it has and leads to its findings', () => {
    expect(line(trialId)).toMatchObject({ step: 'findings' })
    expect(line(trialId).state).toMatch(/^finished, \d+ checks$/)
    expect(trialState(db, trialId).findings).toBe('3 rigs compared')
  })
  it('that is going on says how far it is and leads to the field', () => {
    const { links, marks } = planOf(open(trialId))
    const runId = again()
    write(runId, { kind: 'check', ...checkOf(marks[0]!.id, links[0]!.id, '5 by 7') })
    expect(line(trialId).step).toBe('field')
    expect(line(trialId).state).toMatch(/^1 of \d+ checks made$/)
  })
  it('that was only named leads to its kit, and every step says what it lacks', () => {
    const id = addTrial(db, 'Just named', 'Which?', 1)
    expect(line(id)).toMatchObject({ state: 'begun', step: 'kit', question: 'Which?' })
    expect(trialState(db, id)).toEqual({
      kit: 'no rigs yet',
      bench: 'nothing measured',
      ground: 'no base yet',
      plan: 'nothing to make',
      field: 'no run yet',
      findings: 'nothing logged',
      reach: 'no map yet',
      run: null,
    })
  })
  it('counts by the newest run that stands: one that was voided makes room for the one before it', () => {
    const before = trialState(db, trialId)
    const runId = again()
    expect(trialState(db, trialId).run).toMatchObject({ startedAt: '2099-01-01T00:00:00.000Z' })
    write(runId, { kind: 'run', state: 'voided', reason: 'wrong lead' })
    expect(trialState(db, trialId)).toEqual(before)
  })
  it('whose only run is void says so and leads back to the plan', () => {
    for (const { id } of listRuns(db, trialId))
      write(id, { kind: 'run', state: 'voided', reason: 'wrong lead' })
    expect(trialState(db, trialId)).toMatchObject({
      field: 'run voided',
      findings: 'nothing logged',
      run: null,
    })
    expect(line(trialId)).toMatchObject({ step: 'plan' })
  })
})
