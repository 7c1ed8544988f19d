import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  addTrial,
  appendEntries,
  listRuns,
  listTrials,
  logOf,
  newId,
  openDatabase,
  openTrial,
  type Db,
} from '@/data'
import { seedOstrey } from '@/demo/ostrey'
import { trialLine, trialState } from './trialLine'

let folder: string
let db: Db
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'even-reach-lines-'))
  db = openDatabase(join(folder, 'lines.db'))
  seedOstrey(db)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const trial = (name: string) => listTrials(db).find((t) => t.name.startsWith(name))!
const open = (name: string) => openTrial(db, trial(name).id)!

describe('a trial in a line', () => {
  it('that was carried out says how many checks it has and leads to its findings', () => {
    const line = trialLine(db, trial('Short or long'))
    expect(line.step).toBe('findings')
    expect(line.state).toMatch(/^finished, \d+ checks$/)
  })
  it('that is going on says how far it is and leads to the field', () => {
    const going = listTrials(db).find((t) =>
      listRuns(db, t.id).some((r) => logOf(db, r.id).state === 'going'),
    )!
    const line = trialLine(db, going)
    expect(line.step).toBe('field')
    const [, done, total] = line.state.match(/^(\d+) of (\d+) checks made$/)!
    expect(Number(done)).toBeGreaterThan(0)
    expect(Number(done)).toBeLessThan(Number(total))
  })
  it('that was only named leads to its kit, and every step says what it lacks', () => {
    const id = addTrial(db, 'Just named', 'Which?', 1)
    const named = listTrials(db).find((t) => t.id === id)!
    expect(trialLine(db, named)).toMatchObject({ state: 'begun', step: 'kit', question: 'Which?' })
    expect(trialState(db, openTrial(db, id)!)).toEqual({
      kit: 'no rigs chosen',
      ground: 'no base yet',
      plan: 'nothing to make',
      field: 'no run yet',
      findings: 'nothing logged',
      run: null,
    })
  })
  it('counts by the run that stands: one voided makes room for the one before it', () => {
    const [newest, before] = listRuns(db, trial('Short or long').id).map((row) => logOf(db, row.id))
    const state = trialState(db, open('Short or long'))
    const standing = newest!.state === 'voided' ? before! : newest!
    expect(state.run!.log.checks.length).toBe(standing.checks.length)
    expect(state.field).toBe(`${state.run!.done} of ${state.run!.total} checks`)
  })
  it('whose only run is void says so and leads back to the plan', () => {
    const line = open('Dipole or vertical')
    for (const run of listRuns(db, line.trial.id)) {
      const wallTime = new Date().toISOString()
      appendEntries(db, [
        { id: newId(), runId: run.id, device: 'd', role: 'out there', wallTime, seq: 1, supersedes: null, body: { kind: 'run', state: 'voided', reason: 'wrong lead' } },
      ]) // prettier-ignore
    }
    expect(trialState(db, line)).toMatchObject({ field: 'run voided', findings: 'nothing logged', run: null })
    expect(trialLine(db, trial('Dipole or vertical'))).toMatchObject({ step: 'plan' })
  })
})
