import type { Day } from '@/core/exchange'
import { createHash } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { CheckRow, KitFile } from '@/core/formats'
import type { Entry } from '@/core/trial'
import type { Db } from './connection'
import { addLeg, addSite } from './ground'
import { newId, nowIso } from './ids'
import { lettersOf } from './rigs'
import { appendEntries, startRun } from './runs'
import { importedFile, rig, trial } from './schema'
import { addTrial, setLinks } from './trials'

/** A fingerprint of what checks say, the same whatever the separators, line ends or column order of the file. */
export function checksHash(rows: readonly CheckRow[], kit: KitFile): string {
  const said = rows.map(({ line: _line, ...row }) => row)
  return createHash('sha256')
    .update(JSON.stringify([said, kit.base, kit.rigs]))
    .digest('hex')
}

/** The trial that the same file made before, if any. */
export function importedBefore(db: Db, hash: string): { trialId: string; name: string } | null {
  const row = db.select().from(importedFile).where(eq(importedFile.hash, hash)).get()
  return row ? { trialId: row.trialId, name: row.name } : null
}

/**
 * Brings a whole day in: base, rigs, legs, marks, trial, run and its log, all or nothing in one transaction.
 * @returns the new trial's id
 */
export function importDay(
  db: Db,
  day: Day,
  hash: string,
  fileName: string,
  fixedBeforehand: boolean,
): string {
  return db.transaction((transaction) => {
    const tx = transaction as unknown as Db
    const { plan } = day
    const siteId = addSite(tx, day.base.name, day.base.place)
    for (const r of [day.baseRig, ...day.rigs])
      tx.insert(rig)
        .values({ ...r, createdAt: nowIso() })
        .run()
    const legIds = [...new Set(plan.marks.map((m) => m.legId))]
    for (const legId of legIds) {
      const marks = plan.marks.filter((m) => m.legId === legId)
      const track = day.tracks.find((w) => w.name === marks[0]!.legName)
      addLeg(tx, siteId, {
        id: legId,
        name: marks[0]!.legName,
        how: track ? 'track' : 'marks',
        bearingDeg: null,
        track:
          track?.points ??
          marks.flatMap((m) => (m.lat !== null && m.lon !== null ? [{ lat: m.lat, lon: m.lon }] : [])),
        marks: marks.map((m) => ({
          id: m.id,
          name: m.name,
          place: m.lat !== null && m.lon !== null ? { lat: m.lat, lon: m.lon } : null,
          alongM: m.alongM,
          distanceM: m.distanceM,
          distanceSdM: m.distanceSdM,
          how: m.lat === null ? ('tape' as const) : ('coordinates' as const),
        })),
      })
    }
    const trialId = addTrial(tx, plan.trialName, plan.question, plan.order.seed)
    const { directions, scales, copyRule, repeats, marginDb } = plan
    tx.update(trial)
      .set({ siteId, legIds, directions, scales, copyRule, repeats, marginDb, orderScheme: 'as listed' })
      .where(eq(trial.id, trialId))
      .run()
    setLinks(
      tx,
      trialId,
      plan.links.map((l) => ({ id: l.id, baseRigId: l.base.id, outRigId: l.out.id })),
    )
    const letters = lettersOf(tx, trialId)
    for (const r of [day.baseRig, ...day.rigs]) r.letter = letters.get(r.id)!
    for (const l of plan.links) l.letter = l.out.letter
    const startedAt = day.checks.find((c) => c.time)?.time ?? nowIso()
    const runId = startRun(
      tx,
      trialId,
      `Imported from ${fileName}`,
      plan,
      { note: '', fixedBeforehand, imported: true },
      startedAt,
    )
    const common = { runId, device: 'import', role: 'import', supersedes: null }
    const entries: Entry[] = day.checks.map(({ line, time, ...check }, seq) => ({
      ...common,
      id: newId(),
      wallTime: time ?? startedAt,
      seq,
      body: { kind: 'check', ...check, remark: check.remark || (time ? '' : `line ${line}`) },
    }))
    entries.push({
      ...common,
      id: newId(),
      wallTime: entries[entries.length - 1]?.wallTime ?? startedAt,
      seq: entries.length,
      body: { kind: 'run', state: 'finished', reason: `imported from ${fileName}` },
    })
    appendEntries(tx, entries)
    tx.insert(importedFile).values({ hash, name: fileName, trialId, runId, createdAt: nowIso() }).run()
    return trialId
  })
}
