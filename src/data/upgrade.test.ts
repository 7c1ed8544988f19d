import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { expect, it, onTestFinished } from 'vitest'
import { listTrials, openDatabase, openTrial, rigsOfTrial } from '.'

/** The migrations as they were when the tables had a version. */
function migrationsOf(version: number, folder: string): string {
  const to = join(folder, 'migrations')
  cpSync(resolve('src/data/migrations'), to, { recursive: true })
  const file = join(to, 'meta', '_journal.json')
  const journal = JSON.parse(readFileSync(file, 'utf8')) as { entries: unknown[] }
  writeFileSync(file, JSON.stringify({ ...journal, entries: journal.entries.slice(0, version) }))
  return to
}

it('a database from before trials had rigs of their own keeps what each compared, and every rig that none did', () => {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-'))
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }))
  const file = join(folder, 'old.db')
  const old = openDatabase(file, migrationsOf(6, folder)).$client
  const now = '2026-01-01T00:00:00Z'
  const rig = old.prepare(
    `insert into rig (id, letter, name, kind, tx_mhz, power_w, antenna_height_m, created_at)
     values (?, ?, ?, 'handheld', 446, 0.5, 1.5, '${now}')`,
  )
  for (const letter of ['A', 'B', 'C', 'Z']) rig.run(`rig-${letter}`, letter, `Rig ${letter}`)
  const scale = '{"kind":"readability","words":[]}'
  const trial = old.prepare(
    `insert into trial (id, name, directions, scales, copy_rule, order_seed, created_at)
     values (?, ?, '["to base"]', '{"base":${scale},"out":${scale}}',
       '{"minReadability":3,"maxCalls":2,"minLevel":null,"minShare":null}', 1, '${now}')`,
  )
  for (const id of ['first', 'second']) trial.run(id, id)
  old
    .prepare('insert into link (id, trial_id, position, base_rig_id, out_rig_id) values (?, ?, 0, ?, ?)')
    .run('link', 'first', 'rig-Z', 'rig-A')
  old.close()

  const db = openDatabase(file)
  const letters = (id: string) => rigsOfTrial(db, id).map((r) => r.letter)
  expect(letters('first')).toEqual(['A', 'B', 'C', 'Z'])
  // Of the rigs that the first compares it has none; those that nobody used stay at hand in every trial.
  expect(letters('second')).toEqual(['B', 'C'])
  expect(openTrial(db, 'first')!.links).toMatchObject([{ id: 'link', letter: 'A', base: { letter: 'Z' } }])
  expect(listTrials(db)).toMatchObject([{ kind: 'open', way: 'marks' }, { archivedAt: null }])
  db.$client.close()
})
