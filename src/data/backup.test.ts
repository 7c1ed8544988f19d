import Database from 'better-sqlite3'
import {
  createWriteStream,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import yazl from 'yazl'
import { mkdtempSync } from 'node:fs'
import { lastBackup, previewBackup, restoreBackup, writeBackup } from './backup'
import { closeDb, db, openDatabase } from './database'
import { invite, listDevices, pair, revokeDevice } from './devices'
import { appendEntries, entriesOf, startRun } from './runs'
import { addTrial, listTrials, openTrial, planOf } from './trials'

let folder: string
let runId: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'backup-'))
  vi.stubEnv('EVEN_REACH_DB', join(folder, 'home', 'a.db'))
  const trialId = addTrial(db(), 'Wet hill', '', 1)
  const plan = planOf(openTrial(db(), trialId)!)
  runId = startRun(db(), trialId, 'Morning', plan, { note: '', fixedBeforehand: true, imported: false })
})
afterEach(() => {
  closeDb()
  vi.unstubAllEnvs()
  rmSync(folder, { recursive: true, force: true })
})

let n = 0
const log = () =>
  appendEntries(db(), [
    {
      id: `01970000-0000-7000-8000-${String(++n).padStart(12, '0')}`,
      runId,
      device: 'phone',
      role: 'out there',
      wallTime: '2026-05-16T08:00:00Z',
      seq: n,
      supersedes: null,
      body: { kind: 'note', text: `note ${n}` },
    },
  ])

async function backedUp(name = 'b.zip'): Promise<string> {
  const file = join(folder, name)
  const { stream } = await writeBackup(db())
  await pipeline(stream, createWriteStream(file))
  return file
}

/** An archive of other things. */
async function zipOf(files: Record<string, Buffer | string>): Promise<string> {
  const zip = new yazl.ZipFile()
  for (const [name, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), name)
  zip.end()
  const file = join(folder, 'other.zip')
  await pipeline(zip.outputStream, createWriteStream(file))
  return file
}

const previewed = async (file: string) => {
  const preview = await previewBackup(db(), file)
  if (!preview.ok) throw new Error(preview.problems[0]!.message)
  return preview.value
}
const said = async (file: string) => {
  const no = await previewBackup(db(), file)
  return no.ok ? 'taken' : no.problems[0]!.message
}
const leftOver = () => readdirSync(join(folder, 'home')).filter((f) => f.startsWith('restore-'))

describe('a backup', () => {
  it('holds what is here, and what came after it is told before it is restored', async () => {
    log()
    const file = await backedUp()
    expect(lastBackup(db())).toMatchObject({ since: 0, oldest: null })
    log()
    addTrial(db(), 'A later trial', '', 2)
    expect(lastBackup(db()).since).toBe(1)
    const preview = await previewed(file)
    expect(preview).toMatchObject({
      there: { trials: 1, runs: 1, entries: 1 },
      here: { trials: 2, runs: 1, entries: 2 },
      missing: { runs: 0, entries: 1 },
    })
    // Looking changes nothing.
    expect(entriesOf(db(), runId)).toHaveLength(2)
    const done = await restoreBackup(preview.id)
    if (!done.ok) throw new Error('not restored')
    expect(entriesOf(db(), runId).map((e) => e.body)).toEqual([{ kind: 'note', text: 'note 1' }])
    expect(listTrials(db()).map((t) => t.name)).toEqual(['Wet hill'])
    expect(leftOver()).toEqual([])
    // What was here is not lost.
    const kept = openDatabase(join(folder, 'home', done.value.keptAs))
    expect(entriesOf(kept, runId)).toHaveLength(2)
    kept.$client.close()
    // The log stays append-only.
    expect(() => db().$client.prepare('delete from entry').run()).toThrow(/append-only/)
  })

  it('is made while others write, and is whole', async () => {
    for (let i = 0; i < 50; i++) log()
    const making = backedUp()
    for (let i = 0; i < 50; i++) {
      log()
      await new Promise((r) => setImmediate(r))
    }
    const preview = await previewed(await making)
    expect(preview.there.entries).toBeGreaterThanOrEqual(50)
    expect(preview.there.entries + preview.missing.entries).toBe(100)
  })

  it('carries the files beside the database, and brings back those that are gone', async () => {
    const name = `${'a'.repeat(64)}.heights.gz`
    const ground = join(folder, 'home', 'ground')
    mkdirSync(ground, { recursive: true })
    writeFileSync(join(ground, name), 'heights')
    writeFileSync(join(ground, 'half.part'), 'x')
    const file = await backedUp()
    rmSync(ground, { recursive: true })
    await restoreBackup((await previewed(file)).id)
    expect(readdirSync(ground)).toEqual([name])
    expect(readFileSync(join(ground, name), 'utf8')).toBe('heights')
  })

  it('lets no device back in that was shut out since, and keeps in who came since', async () => {
    const brought = (what: string) => {
      const made = pair(db(), invite(db(), { name: what, role: 'field', runs: [] }).words)
      return made.ok ? made.value.device.id : ''
    }
    const lost = brought('Lost telephone')
    const file = await backedUp()
    revokeDevice(db(), lost)
    brought('New telephone')
    await restoreBackup((await previewed(file)).id)
    expect(listDevices(db()).map((d) => [d.name, d.revokedAt !== null])).toEqual([
      ['Lost telephone', true],
      ['New telephone', false],
    ])
  })

  it('is restored once by one preview', async () => {
    const { id } = await previewed(await backedUp())
    expect((await restoreBackup(id)).ok).toBe(true)
    expect(await restoreBackup(id)).toMatchObject({ ok: false, problems: [{ message: /preview is over/ }] })
  })

  it('of another kind is refused in words, and leaves nothing behind', async () => {
    const good = await backedUp()
    const note = JSON.stringify({ format: 'even-reach-backup', version: 1, madeAt: '2026-05-16T08:00:00Z' })
    const bytes = readFileSync(good)
    writeFileSync(join(folder, 'text.zip'), 'no archive at all')
    writeFileSync(join(folder, 'short.zip'), bytes.subarray(0, bytes.length / 2))
    const strange = join(folder, 'strange.db')
    const other = new Database(strange)
    other.exec('create table a (b)')
    other.close()
    const newer = join(folder, 'newer.db')
    openDatabase(newer).$client.close()
    const late = new Database(newer)
    late.exec("insert into __drizzle_migrations (hash, created_at) values ('x', 1), ('y', 2)")
    late.pragma('journal_mode = DELETE')
    late.close()
    const viewed = join(folder, 'viewed.db')
    openDatabase(viewed).$client.close()
    const schemer = new Database(viewed)
    schemer.exec('create trigger more after insert on entry begin delete from trial; end')
    schemer.pragma('journal_mode = DELETE')
    schemer.close()
    expect(await said(join(folder, 'text.zip'))).toMatch(/no backup of Even Reach/)
    expect(await said(join(folder, 'short.zip'))).toMatch(/no backup of Even Reach|damaged/)
    expect(await said(await zipOf({ 'a.txt': 'x' }))).toMatch(/It holds a.txt/)
    expect(await said(await zipOf({ 'backup.json': note }))).toMatch(/no backup/)
    expect(await said(await zipOf({ 'backup.json': note, 'even-reach.db': 'x' }))).toMatch(
      /damaged|no backup/,
    )
    expect(await said(await zipOf({ 'backup.json': note, 'even-reach.db': readFileSync(strange) }))).toMatch(
      /no backup/,
    )
    expect(await said(await zipOf({ 'backup.json': note, 'even-reach.db': readFileSync(newer) }))).toMatch(
      /newer Even Reach/,
    )
    expect(await said(await zipOf({ 'backup.json': note, 'even-reach.db': readFileSync(viewed) }))).toMatch(
      /no backup/,
    )
    expect(await said(await zipOf({ 'backup.json': '{}', 'even-reach.db': readFileSync(newer) }))).not.toBe(
      'taken',
    )
    expect(leftOver()).toEqual([])
    expect(existsSync(dirname(folder))).toBe(true)
    expect(listTrials(db())).toHaveLength(1)
  })
})
