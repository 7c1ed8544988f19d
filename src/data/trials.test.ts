import { testEntry } from '@/core/testing/entries'
import { checkOf } from '@/core/testing/plans'
import { messageOf } from '@/core/outcome'
import Database from 'better-sqlite3'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { beforeEach, describe, expect, it } from 'vitest'
import { EMPTY_ASSEMBLY, EMPTY_PORT, EXAMPLE_PARTS, type NewPart } from '@/core/kit'
import { testDay } from './testing/day'
import { freshDatabase } from './testing/database'
import {
  addLegToTrial,
  addPaper,
  addPart,
  addRig,
  deletePart,
  deleteRuleSet,
  getPaper,
  listKitParts,
  listParts,
  listRuleSets,
  saveUnit,
  serviceOf,
  setService,
  updatePart,
  updateRuleSet,
  addTrial,
  appendEntries,
  checksHash,
  makeVariant,
  DatabaseRefused,
  deleteRig,
  deleteTrial,
  entriesOf,
  freeLetter,
  leaveRig,
  linksFollow,
  rigsOfTrial,
  takeRigs,
  importDay,
  importedBefore,
  listRigs,
  listRuns,
  listTrials,
  logOf,
  newId,
  openDatabase,
  openTrial,
  placeBase,
  planInputOf,
  planOf,
  removeLeg,
  savePlan,
  startRun,
  updateRig,
  type Db,
  type RigInput,
} from '.'

let folder: string
let db: Db
beforeEach(() => {
  ;({ db, folder } = freshDatabase())
})

const rig = (letter: string, more: Partial<RigInput> = {}): RigInput => ({
  letter,
  name: `Rig ${letter}`,
  kind: 'handheld',
  txMHz: 460,
  rxMHz: null,
  powerW: 2,
  antennaHeightM: 1.4,
  antennaGainDbi: null,
  leadLossDb: 0,
  attenuatorDb: 0,
  attenuatorAt: 'both ways',
  note: '',
  ...more,
})
const id = (d: { ok: boolean }) => (d as { ok: true; value: string }).value

const KEY = { markId: 'm', linkId: 'l', direction: 'to base', repeat: 1 } as const

function trialWithRun() {
  const [z, a] = [id(addRig(db, rig('Z', { kind: 'base' }))), id(addRig(db, rig('A')))]
  const trialId = addTrial(db, 'T', 'Q', 3)
  placeBase(db, trialId, 'Harbour', { lat: 47.3, lon: -29.5 })
  const legId = id(
    addLegToTrial(db, trialId, {
      name: 'Shore',
      how: 'marks',
      bearingDeg: null,
      track: [],
      marks: [{ name: 'S1', place: { lat: 47.31, lon: -29.5 }, alongM: null }],
    }),
  )
  savePlan(db, trialId, 1, {
    ...planInputOf(openTrial(db, trialId)!),
    links: [{ baseRigId: z, outRigId: a }],
  })
  const plan = planOf(openTrial(db, trialId)!)
  const runId = startRun(db, trialId, 'Run', plan, { note: '', fixedBeforehand: true, imported: false })
  return { z, a, trialId, legId, plan, runId }
}

describe('names within a trial', () => {
  it('of marks are unique: a second leg whose marks would be called alike begins with another letter', () => {
    const { trialId } = trialWithRun()
    const more = (name: string) =>
      addLegToTrial(db, trialId, {
        name,
        how: 'marks',
        bearingDeg: null,
        track: [],
        marks: [1, 2].map((n) => ({ name: `S${n}`, place: null, alongM: null, distanceM: 400 * n })),
      })
    more('South road')
    more('South road')
    const names = openTrial(db, trialId)!.legs.flatMap((l) => l.marks.map((m) => m.name))
    expect(names).toEqual(['S1', 'O1', 'O2', 'U1', 'U2'])
  })

  it('of rigs are too: a plan with two of one name is refused and says which', () => {
    const { z, a, trialId } = trialWithRun()
    const b = id(addRig(db, rig('B', { name: 'rig a' })))
    const open = openTrial(db, trialId)!
    const links = [
      { baseRigId: z, outRigId: a },
      { baseRigId: z, outRigId: b },
    ]
    const saved = savePlan(db, trialId, open.trial.revision, { ...planInputOf(open), links })
    expect(saved.ok ? '' : saved.problems[0]!.message).toMatch(/Rigs A and B are both called "rig a"/)
    expect(openTrial(db, trialId)!.links).toHaveLength(1)
  })
})

describe('openDatabase', () => {
  it('makes strict tables, write-ahead logging and full synchronising', () => {
    const raw = new Database(join(folder, 'a.db'))
    const tables = raw
      .prepare(
        "select sql from sqlite_master where type = 'table' and name not like '\\_\\_%' escape '\\' and name not like 'sqlite%'",
      )
      .all() as { sql: string }[]
    expect(tables.length).toBe(25)
    expect(tables.every((t) => t.sql.endsWith('STRICT'))).toBe(true)
    expect(raw.pragma('journal_mode', { simple: true })).toBe('wal')
    raw.close()
  })
  it('refuses a file that is no database, and leaves it alone', () => {
    const file = join(folder, 'b.db')
    writeFileSync(file, 'a shopping list, long enough to be looked at as a header of a database')
    expect(() => openDatabase(file)).toThrow(/is not a database.*EVEN_REACH_DB/)
    expect(readFileSync(file, 'utf8')).toContain('shopping list')
  })
  it('refuses another program’s database', () => {
    const file = join(folder, 'c.db')
    const other = new Database(file)
    other.exec('create table songs (name text)')
    other.close()
    expect(() => openDatabase(file)).toThrow(DatabaseRefused)
  })
  it('refuses a newer version, and copies the file before it brings an older one up to date', () => {
    const file = join(folder, 'd.db')
    openDatabase(file).$client.close()
    const raw = new Database(file)
    raw.exec("insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)")
    raw.close()
    expect(() => openDatabase(file)).toThrow(/newer Even Reach/)
    // Taken back to before its last table: an older version as far as the list of migrations goes.
    const older = new Database(file)
    older.exec('delete from __drizzle_migrations')
    older.close()
    expect(() => openDatabase(file)).toThrow()
    expect(existsSync(join(folder, 'backup'))).toBe(true)
    expect(readdirSync(join(folder, 'backup'))).toHaveLength(1)
  })
})

describe('kit', () => {
  it('refuses a letter twice in a trial and says which is free; copies; deletes what no trial uses', () => {
    const trialId = addTrial(db, 'T', '', 1)
    const a = id(addRig(db, rig('A'), trialId))
    const again = addRig(db, rig('A', { name: 'Other' }), trialId)
    expect(again).toMatchObject({ ok: false })
    expect(again.ok ? '' : messageOf(again)).toContain('B is free')
    const copy = id(makeVariant(db, a, trialId))
    expect(listRigs(db).find((r) => r.id === copy)).toMatchObject({ letter: 'B', name: 'Rig A, variant' })
    expect(deleteRig(db, copy).ok).toBe(true)
    expect(freeLetter(db, trialId)).toBe('B')
  })
  it('gives each trial rigs and letters of its own, taken from the kit', () => {
    const [first, second] = [addTrial(db, 'One', '', 1), addTrial(db, 'Two', '', 2)]
    const a = id(addRig(db, rig('A'), first))
    const b = id(addRig(db, rig('B'), first))
    expect(rigsOfTrial(db, second)).toEqual([])
    expect(freeLetter(db, second)).toBe('A')
    takeRigs(db, second, [b], true)
    expect(rigsOfTrial(db, second)).toMatchObject([{ id: b, letter: 'A' }])
    expect(rigsOfTrial(db, first)).toMatchObject([{ id: a }, { id: b, letter: 'B' }])
    expect(updateRig(db, b, 1, rig('K', { powerW: 7 }), second).ok).toBe(true)
    expect(rigsOfTrial(db, second)).toMatchObject([{ letter: 'K', powerW: 7 }])
    expect(rigsOfTrial(db, first)[1]).toMatchObject({ letter: 'B', powerW: 7 })
    leaveRig(db, first, b)
    expect(rigsOfTrial(db, first)).toHaveLength(1)
    expect(listRigs(db)).toHaveLength(2)
  })
  it('lets the plan follow the rigs until somebody chooses', () => {
    const trialId = addTrial(db, 'T', '', 1, 'antennas')
    const add = (r: RigInput) => id(linksFollow(db, trialId, () => addRig(db, r, trialId)))
    const z = add(rig('Z', { kind: 'base' }))
    const a = add(rig('A'))
    add(rig('B', { txMHz: 145 }))
    const links = () => openTrial(db, trialId)!.links.map((l) => [l.base.id, l.out.id])
    expect(links()).toEqual([[z, a]])
    const c = add(rig('C'))
    expect(links()).toEqual([
      [z, a],
      [z, c],
    ])
    const open = openTrial(db, trialId)!
    savePlan(db, trialId, open.trial.revision, {
      ...planInputOf(open),
      links: [{ baseRigId: z, outRigId: c }],
    })
    add(rig('D'))
    expect(links()).toEqual([[z, c]])
  })
  it('refuses a change made from an old revision', () => {
    const a = id(addRig(db, rig('A')))
    expect(updateRig(db, a, 1, rig('A', { powerW: 5 })).ok).toBe(true)
    expect(updateRig(db, a, 1, rig('A', { powerW: 9 }))).toMatchObject({ ok: false })
    expect(listRigs(db)[0]!.powerW).toBe(5)
  })
  it('a built rig takes its figures from its parts, a run keeps those it was begun with, and a used part stays', () => {
    const ids = new Map(EXAMPLE_PARTS.map((e) => [e.id, addPart(db, e.part)]))
    const chain = (parts: string[]) =>
      parts.map((p, i) => ({ key: `${i}`, partId: ids.get(p)!, unitId: null, flipped: false, setting: null }))
    const assembly = (radio: string, parts: string[]) => ({
      ...EMPTY_ASSEMBLY,
      radioId: ids.get(radio)!,
      ports: [{ ...EMPTY_PORT, items: chain(parts) }],
    })
    const base = id(
      addRig(
        db,
        rig('Z', { kind: 'base', powerW: 25, assembly: assembly('desk-uhf', ['lead-10-20', 'collinear']) }),
      ),
    )
    const out = id(addRig(db, rig('A', { assembly: assembly('handheld-uhf', ['att-10', 'long-whip']) })))
    expect(listRigs(db).find((r) => r.id === out)).toMatchObject({
      antennaGainDbi: null,
      attenuatorDb: expect.closeTo(10.17, 1),
    })
    const trialId = addTrial(db, 'T', 'Q', 3)
    savePlan(db, trialId, 1, {
      ...planInputOf(openTrial(db, trialId)!),
      links: [{ baseRigId: base, outRigId: out }],
    })
    const runId = startRun(db, trialId, 'Run', planOf(openTrial(db, trialId)!), {
      note: '',
      fixedBeforehand: true,
      imported: false,
    })
    const lossOf = (links: { base: { leadLossDb: number | null } }[]) => links[0]!.base.leadLossDb!
    const before = lossOf(openTrial(db, trialId)!.links)
    const lead = listParts(db).find((p) => p.id === ids.get('lead-10-20'))!
    expect(updatePart(db, lead.id, 1, { ...lead, spec: { ...lead.spec, lengthM: 40 } } as NewPart).ok).toBe(
      true,
    )
    expect(updatePart(db, lead.id, 1, lead as NewPart)).toMatchObject({ ok: false })
    expect(lossOf(openTrial(db, trialId)!.links)).toBeGreaterThan(before + 1.5)
    const frozen = listRuns(db, trialId).find((r) => r.id === runId)!.plan.links[0]!.base
    expect(frozen.leadLossDb).toBeCloseTo(before, 9)
    expect(frozen.budget!.map((s) => s.name)).toContain('Mast lead, 20 m low-loss 10 mm')
    expect(deletePart(db, lead.id)).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('Z, Rig Z') }],
    })
    expect(deletePart(db, ids.get('dipole')!).ok).toBe(true)
  })
  it('keeps units and papers with a part, and rule sets that a trial keeps to', () => {
    const part = addPart(db, EXAMPLE_PARTS[0]!.part)
    const unitId = id(saveUnit(db, null, part, { label: 'One', condition: 'good', notes: [] }))
    expect(saveUnit(db, null, part, { label: 'One', condition: '', notes: [] })).toMatchObject({ ok: false })
    expect(saveUnit(db, unitId, part, { label: 'One', condition: 'worn', notes: [] }).ok).toBe(true)
    const paper = id(addPaper(db, part, { name: 'a.txt', type: 'text/plain', bytes: Buffer.from('hello') }))
    expect(getPaper(db, paper)!.bytes.toString()).toBe('hello')
    expect(addPaper(db, part, { name: 'big', type: 'text/plain', bytes: Buffer.alloc(9e6) })).toMatchObject({
      ok: false,
    })
    expect(listKitParts(db)[0]).toMatchObject({
      units: [{ condition: 'worn' }],
      papers: [{ name: 'a.txt' }],
      usedBy: [],
    })
    expect(deletePart(db, part).ok).toBe(true)
    expect(getPaper(db, paper)).toBeNull()
    const trialId = addTrial(db, 'T', '', 1)
    const rules = listRuleSets(db)[0]!
    setService(db, trialId, { ruleSetId: rules.id, service: rules.body.services[0]!.name })
    expect(serviceOf(db, openTrial(db, trialId)!.trial.service).service!.name).toBe(
      rules.body.services[0]!.name,
    )
    expect(deleteRuleSet(db, rules.id)).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('T keeps to') }],
    })
    expect(updateRuleSet(db, rules.id, 9, rules.body)).toMatchObject({ ok: false })
    setService(db, trialId, null)
    expect(deleteRuleSet(db, rules.id).ok).toBe(true)
  })
  it('keeps a rig that a trial uses', () => {
    const { a } = trialWithRun()
    expect(deleteRig(db, a)).toMatchObject({ ok: false })
    expect(listRigs(db).find((r) => r.id === a)!.usedBy).toHaveLength(1)
  })
})

describe('trials and runs', () => {
  it('measures marks by geodesic, and a run keeps its own copy of the plan', () => {
    const { trialId, legId, runId, plan } = trialWithRun()
    // A hundredth of a degree of latitude at 47.3 N: 1111.8 m on WGS 84 (GeographicLib's own GeodSolve).
    expect(plan.marks[0]!.distanceM).toBeCloseTo(1111.8, 0)
    removeLeg(db, trialId, legId)
    expect(openTrial(db, trialId)!.legs).toEqual([])
    expect(listRuns(db, trialId)[0]).toMatchObject({ id: runId, plan: { marks: [{ name: 'S1' }] } })
    appendEntries(db, [
      testEntry({ kind: 'check', ...KEY, text: '5', calls: 1, remark: '', state: 'graded' }, { runId }),
    ])
    expect(deleteTrial(db, trialId)).toMatchObject({ ok: false })
    expect(placeBase(db, trialId, 'Hill', { lat: 47, lon: -29 })).toMatchObject({ ok: false })
  })
  it('keeps link ids over a change of plan, and refuses an old revision', () => {
    const { trialId } = trialWithRun()
    const open = openTrial(db, trialId)!
    const input = planInputOf(open)
    expect(savePlan(db, trialId, 2, { ...input, repeats: 2 }).ok).toBe(true)
    expect(openTrial(db, trialId)!.links[0]!.id).toBe(open.links[0]!.id)
    expect(savePlan(db, trialId, 2, input)).toMatchObject({ ok: false })
  })
  it('holds an append-only log: the same entry twice is one, and nothing is updated or deleted', () => {
    const { runId, plan } = trialWithRun()
    const entry = {
      id: newId(),
      runId,
      device: 'd',
      role: 'out there',
      wallTime: '2026-05-16T08:00:00Z',
      seq: 1,
      supersedes: null,
      body: { kind: 'check' as const, ...checkOf(plan.marks[0]!.id, plan.links[0]!.id, '5 by 7') },
    }
    expect(appendEntries(db, [entry])).toEqual([entry.id])
    appendEntries(db, [entry, entry])
    expect(entriesOf(db, runId)).toEqual([entry])
    expect(logOf(db, runId).checks).toHaveLength(1)
    expect(() => db.$client.prepare("update entry set device = 'x'").run()).toThrow(/append-only/)
    expect(() => db.$client.prepare('delete from entry').run()).toThrow(/append-only/)
  })
})

describe('import', () => {
  function day() {
    const { day, rows, kit } = testDay((what, name) => `${what} ${name}`)
    return { day, hash: checksHash(rows, kit) }
  }
  it('brings a day in, and knows the same file again', () => {
    addRig(db, rig('A'))
    const first = day()
    const trialId = importDay(db, first.day, first.hash, 'spring.csv', true)
    expect(importedBefore(db, first.hash)).toMatchObject({ trialId, name: 'spring.csv' })
    const run = listRuns(db, trialId)[0]!
    expect(logOf(db, run.id)).toMatchObject({ state: 'finished' })
    expect(logOf(db, run.id).checks).toHaveLength(177)
    const letters = rigsOfTrial(db, trialId).map((r) => r.letter)
    expect(new Set(letters).size).toBe(letters.length)
  })
  it('is all or nothing', () => {
    const { day: d, hash } = day()
    d.plan.marks.push({ ...d.plan.marks[0]! })
    expect(() => importDay(db, d, hash, 'spring.csv', true)).toThrow()
    expect(listTrials(db)).toEqual([])
    expect(listRigs(db)).toEqual([])
  })
})
