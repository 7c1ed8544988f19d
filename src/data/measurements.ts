import { and, count, desc, eq, getTableColumns, sql } from 'drizzle-orm'
import {
  leadMeasured,
  leadPointsOf,
  patternPointsOf,
  swrPointsOf,
  type Measurement,
  type MeasurementKind,
  type MeasurementOf,
  type NewMeasurement,
  type Sweep,
} from '@/core/bench'
import type { AntennaSpec, LeadSpec, Part, PartKind } from '@/core/kit'
import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import { CHANGED_MEANWHILE } from './changedMeanwhile'
import type { Db } from './connection'
import { newId, nowIso } from './ids'
import { measurement, part } from './schema'

const asMeasurement = ({ createdAt: _createdAt, ...row }: typeof measurement.$inferSelect) =>
  row as Measurement

/** All of a kind, the newest first. */
export function listMeasurements<K extends MeasurementKind>(db: Db, kind: K): MeasurementOf<K>[] {
  return db
    .select()
    .from(measurement)
    .where(eq(measurement.kind, kind))
    .orderBy(desc(measurement.takenAt))
    .all()
    .map(asMeasurement) as MeasurementOf<K>[]
}

/** What a list tells of a measurement, without its figures. */
export type MeasurementHead = Omit<Measurement, 'body' | 'kind'> & {
  kind: MeasurementKind
  /** A sweep of a lead, or a turn from upright to flat; else null. */
  of: 'lead' | 'crossed' | null
}

/** What of a kind is kept, the newest first, without figures: a page sends no sweep that nobody opens. */
export function listMeasurementHeads(db: Db, kind: MeasurementKind): MeasurementHead[] {
  const { body: _body, createdAt: _createdAt, ...columns } = getTableColumns(measurement)
  return db
    .select({
      ...columns,
      lead: sql<number>`json_type(${measurement.body}, '$.lead') = 'object'`,
      way: sql<string | null>`json_extract(${measurement.body}, '$.way')`,
    })
    .from(measurement)
    .where(eq(measurement.kind, kind))
    .orderBy(desc(measurement.takenAt))
    .all()
    .map(({ lead, way, ...head }) => ({ ...head, of: lead ? 'lead' : way === 'crossed' ? 'crossed' : null }))
}

/** One measurement with its figures; null where it is gone. */
export function getMeasurement(db: Db, id: string): Measurement | null {
  const row = db.select().from(measurement).where(eq(measurement.id, id)).get()
  return row ? asMeasurement(row) : null
}

/** How many there are, for the rail. */
export const countMeasurements = (db: Db): number => db.select({ n: count() }).from(measurement).get()?.n ?? 0

/** What a measurement makes of a part's figures; null where it has nothing to say about a part of that kind. */
function figuresFor(kind: PartKind, m: NewMeasurement): Partial<AntennaSpec> | Partial<LeadSpec> | null {
  if (kind === 'lead' && m.kind === 'sweep' && m.body.lead) {
    const { sweep, lead } = m.body
    const ends: [Sweep, ...Sweep[]] = lead.other ? [sweep as Sweep, lead.other as Sweep] : [sweep as Sweep]
    return leadPointsOf(leadMeasured(ends), lead.lengthM)
  }
  if (kind !== 'antenna') return null
  if (m.kind === 'sweep' && !m.body.lead) return { swr: swrPointsOf(m.body.sweep as Sweep) }
  if (m.kind === 'turn' && m.body.way === 'pattern') return { pattern: patternPointsOf(m.body.readings) }
  return null
}

/** Puts a measurement's figures into its part, where budgets and predictions read them. */
function intoPart(db: Db, m: NewMeasurement): Outcome {
  if (m.partId === null) return DONE
  const row = db.select().from(part).where(eq(part.id, m.partId)).get()
  if (!row) return refuse('This part is no longer there. Choose another, or keep the measurement by itself.')
  const figures = figuresFor(row.kind, m)
  if (figures === null) return DONE
  db.update(part)
    .set({ spec: { ...row.spec, ...figures } as typeof row.spec, revision: row.revision + 1 })
    .where(eq(part.id, row.id))
    .run()
  return DONE
}

class Refusal extends Error {
  constructor(readonly outcome: Outcome<never>) {
    super()
  }
}

/** Keeps a measurement, and lets its part go by it; older ones stay beside it. @returns its id */
export function addMeasurement(db: Db, input: NewMeasurement): Outcome<string> {
  const id = newId()
  try {
    db.transaction((tx) => {
      const put = intoPart(tx as unknown as Db, input)
      if (!put.ok) throw new Refusal(put)
      tx.insert(measurement)
        .values({ ...input, id, createdAt: nowIso() })
        .run()
    })
  } catch (e) {
    if (e instanceof Refusal) return e.outcome
    throw e
  }
  return good(id)
}

/** Lets the part go by an older measurement again, or by this one for the first time. */
export function letPartGoBy(db: Db, id: string): Outcome {
  const row = db.select().from(measurement).where(eq(measurement.id, id)).get()
  if (!row) return refuse('This measurement is no longer there.')
  if (row.partId === null) return refuse('It belongs to no part yet.')
  return intoPart(db, asMeasurement(row))
}

/** Changes what it is called, what it belongs to and what was noted. */
export function editMeasurement(
  db: Db,
  id: string,
  revision: number,
  change: { name: string; partId: string | null; conditions: string },
): Outcome<string> {
  const { changes } = db
    .update(measurement)
    .set({ ...change, revision: revision + 1 })
    .where(and(eq(measurement.id, id), eq(measurement.revision, revision)))
    .run()
  return changes === 1 ? good(id) : refuse(CHANGED_MEANWHILE)
}

/** Throws a measurement away; what it gave to its part stays there. */
export function deleteMeasurement(db: Db, id: string): void {
  db.delete(measurement).where(eq(measurement.id, id)).run()
}

/** Whether a part goes by a measurement: its figures are the measurement's. */
export function goesBy({ kind, spec }: Part, m: Measurement): boolean {
  const figures = figuresFor(kind, m)
  if (figures === null) return false
  const has = spec as unknown as Record<string, unknown>
  return Object.entries(figures).every(([key, value]) => JSON.stringify(has[key]) === JSON.stringify(value))
}
