import { createWriteStream, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { strFromU8, unzipSync, zipSync, strToU8 } from 'fflate'
import { readFileSync } from 'node:fs'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { readCheckRows, readChecksTable, guessColumns, readGpx } from '@/core/formats'
import { seedOstrey } from './ostrey'
import { freshDatabase } from '@/data/testing/database'
import {
  appendEntries,
  entriesOf,
  listRigs,
  listRuns,
  listTrials,
  openTrial,
  planOf,
  storeMedia,
  type Db,
} from '@/data'
import { mergeBundle } from '@/data/bundle/mergeBundle'
import { writeBundle } from '@/data/bundle/writeBundle'

let db: Db
let folder: string
let trialId: string
beforeEach(() => {
  db = freshDatabase().db
  seedOstrey(db)
  folder = mkdtempSync(join(tmpdir(), 'bundle-'))
  trialId = listTrials(db).find((t) => t.name === 'Short or long antenna')!.id
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

async function bundled(id: string | null): Promise<string> {
  const file = join(folder, `${id ?? 'all'}.zip`)
  await pipeline(writeBundle(db, id), createWriteStream(file))
  return file
}
const merged = (into: Db, file: string, look = false) => {
  const done = mergeBundle(into, file, look)
  if (!done.ok) throw new Error(JSON.stringify(done.problems))
  return done.value
}
const contents = (file: string) => unzipSync(new Uint8Array(readFileSync(file)))

describe('a bundle', () => {
  it('of one trial makes the same trial elsewhere, with all that it needs', async () => {
    const [run] = listRuns(db, trialId)
    storeMedia(db, run!.id, 'a-photo', 'image/png', Buffer.from([1, 2, 3]))
    const file = await bundled(trialId)
    const other = freshDatabase().db
    // Looking takes nothing in.
    expect(merged(other, file, true).trial).toEqual({ fresh: 1, known: 0 })
    expect(listTrials(other)).toEqual([])
    merged(other, file)
    expect(planOf(openTrial(other, trialId)!)).toEqual(planOf(openTrial(db, trialId)!))
    expect(entriesOf(other, run!.id)).toEqual(entriesOf(db, run!.id))
    // Of the kit only what it uses.
    expect(listRigs(other).length).toBeLessThan(listRigs(db).length)
    // A second time nothing is new.
    expect(Object.values(merged(other, file)).every((c) => c.fresh === 0)).toBe(true)
  })

  it('taken in where the trial goes on adds what is new and changes nothing that is there', async () => {
    const file = await bundled(trialId)
    const [run] = listRuns(db, trialId)
    const other = freshDatabase().db
    merged(other, file)
    const more = { ...entriesOf(db, run!.id).at(-1)!, id: '01990000-0000-7000-8000-000000000001', seq: 999 }
    appendEntries(db, [{ ...more, body: { kind: 'note', text: 'late' } }])
    expect(merged(other, await bundled(trialId)).entry.fresh).toBe(1)
    expect(entriesOf(other, run!.id)).toEqual(entriesOf(db, run!.id))
  })

  it('of all holds every trial', async () => {
    const other = freshDatabase().db
    merged(other, await bundled(null))
    expect(listTrials(other).map((t) => t.id)).toEqual(listTrials(db).map((t) => t.id))
    expect(listRigs(other)).toEqual(listRigs(db))
  })

  it('is read by other programs too: checks as CSV, ways as GPX', async () => {
    const files = contents(await bundled(trialId))
    const checks = Object.keys(files).find((n) => n.endsWith('-checks.csv'))!
    const table = readChecksTable(strFromU8(files[checks]!))
    if (!table.ok) throw new Error('no table')
    const { rows, problems } = readCheckRows(table.value, guessColumns(table.value.heading), null)
    expect(problems).toEqual([])
    expect(rows.length).toBeGreaterThan(100)
    const gpx = readGpx(strFromU8(files[Object.keys(files).find((n) => n.endsWith('way.gpx'))!]!))
    expect(gpx.ok && gpx.value.waypoints.length).toBeGreaterThan(5)
  })

  it('that was changed is refused, and nothing of it is taken', async () => {
    const files = contents(await bundled(trialId))
    const note = JSON.parse(strFromU8(files['bundle.json']!)) as {
      version: number
      tables: Record<string, Record<string, unknown>[]>
    }
    const said = (change: (n: typeof note) => void) => {
      const changed = structuredClone(note)
      change(changed)
      const file = join(folder, 'changed.zip')
      writeFileSync(file, zipSync({ ...files, 'bundle.json': strToU8(JSON.stringify(changed)) }))
      const other = freshDatabase().db
      const no = mergeBundle(other, file, false)
      expect(listTrials(other)).toEqual([])
      return no.ok ? 'taken' : no.problems.map((p) => `${p.where} ${p.message}`).join()
    }
    expect(said((n) => (n.version = 99))).toMatch(/newer Even Reach/)
    expect(said((n) => delete n.tables.rig)).toMatch(/do not fit together/)
    expect(said((n) => (n.tables.rig![0]!.powerW = 'much'))).toMatch(/rig, row 1 powerW/)
    expect(said((n) => (n.tables.entry![3]!.body = { kind: 'nonsense' }))).toMatch(/entry, row 4/)
    expect(said((n) => (n.tables.run![0]!.plan = {}))).toMatch(/run, row 1/)
    expect(said((n) => ((n.tables.trial![0] as object as { scales: unknown }).scales = 'x'))).not.toBe(
      'taken',
    )
    writeFileSync(join(folder, 'text.zip'), 'no archive')
    expect(mergeBundle(db, join(folder, 'text.zip'), false)).toMatchObject({
      problems: [{ message: expect.stringMatching(/no bundle of Even Reach/) as string }],
    })
  })
})
