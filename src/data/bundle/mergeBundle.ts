import { readFileSync } from 'node:fs'
import { getTableColumns } from 'drizzle-orm'
import { unzipSync } from 'fflate'
import { MEASUREMENT_KINDS, measurementSchema } from '@/core/bench'
import { bad, good, messageOf, problem, refuse, type Outcome } from '@/core/outcome'
import { checked, hasStrangeNames } from '@/core/schema'
import { planRecord } from '@/core/trial/planRecord'
import { readEntries } from '@/core/trial/readLog'
import type { Db } from '../connection'
import { openTrial, planOf } from '../trials'
import { BUNDLE_TABLES, TABLE_NAMES, WITH_BYTES, type BundleTable, type Row } from './tables'
import { BUNDLE_FORMAT, BUNDLE_NAME, BUNDLE_VERSION } from './writeBundle'

/** What of a bundle is new here, and what is here already, by table. */
export type BundleCounts = Record<BundleTable, { fresh: number; known: number }>

const MAX_UNPACKED = 1e9
const NO_BUNDLE = 'This is no bundle of Even Reach: a bundle is a .zip file with bundle.json in it.'

const isObject = (v: unknown): v is Row => typeof v === 'object' && v !== null && !Array.isArray(v)

/** Unpacks what a bundle's rows need; open formats beside them are for other programs. */
function unpacked(file: string): Outcome<Record<string, Uint8Array>> {
  let size = 0
  try {
    const files = unzipSync(readFileSync(file), {
      filter: ({ name, originalSize }) => {
        const wanted = name === BUNDLE_NAME || /^(papers|media)\/[\w-]{1,80}$/.test(name)
        size += wanted ? originalSize : 0
        if (size > MAX_UNPACKED) throw new RangeError()
        return wanted
      },
    })
    return good(files)
  } catch (e) {
    return refuse(e instanceof RangeError ? 'The bundle is larger than 1 GB unpacked.' : NO_BUNDLE)
  }
}

/** Whether a value is of its column's kind. */
function fits(value: unknown, kind: string, required: boolean): boolean {
  if (value === null || value === undefined) return !required
  if (kind === 'number') return typeof value === 'number' && Number.isFinite(value)
  if (kind === 'boolean') return typeof value === 'boolean'
  if (kind === 'string') return typeof value === 'string'
  return kind === 'json' ? typeof value === 'object' || typeof value === 'string' : false
}

/** A row as its table takes it; or what is wrong with it. */
function rowFor(
  name: BundleTable,
  raw: unknown,
  files: Record<string, Uint8Array>,
  where: string,
): Outcome<Row> {
  const wrong = (message: string) => bad(problem('row', where, message))
  if (!isObject(raw) || hasStrangeNames(raw)) return wrong('This is no row.')
  const row: Row = {}
  for (const [key, column] of Object.entries(getTableColumns(BUNDLE_TABLES[name]))) {
    if (column.dataType === 'buffer') {
      const bytes = files[`${WITH_BYTES[name]}/${String(raw.id)}`]
      if (!bytes) return wrong('Its file is not in the bundle.')
      row[key] = Buffer.from(bytes)
    } else if (!fits(raw[key], column.dataType, column.notNull && !column.hasDefault))
      return wrong(`${key} is missing, or of another kind.`)
    else if (raw[key] !== undefined) row[key] = raw[key]
  }
  if (name === 'run') {
    const plan = checked(planRecord.required(), raw.plan)
    if (!plan.ok) return wrong(messageOf(plan))
  }
  if (name === 'measurement') {
    const { id: _id, revision: _revision, createdAt: _createdAt, ...given } = raw
    const kind = MEASUREMENT_KINDS.find((k) => k === raw.kind)
    const read = kind ? checked(measurementSchema(kind), given) : wrong('This is no kind of measurement.')
    if (!read.ok) return wrong(messageOf(read))
  }
  if (name === 'entry') {
    const { kind: _kind, sender: _sender, receivedAt: _receivedAt, ...entry } = raw
    const read = readEntries({ entries: [entry] }, String(raw.runId))
    if (!read.ok || read.value.refused.length > 0)
      return wrong(read.ok ? read.value.refused[0]!.why : messageOf(read))
  }
  return good(row)
}

class TakenBack extends Error {}
class Wrong extends Error {
  constructor(readonly no: Outcome<never>) {
    super()
  }
}

/**
 * Takes a bundle in: rows that are new here are added, rows that are here stay as they are. All or nothing.
 * @param onlyLook counts what would come, and takes nothing
 */
export function mergeBundle(db: Db, file: string, onlyLook: boolean): Outcome<BundleCounts> {
  const files = unpacked(file)
  if (!files.ok) return files
  let note: unknown
  try {
    note = JSON.parse(Buffer.from(files.value[BUNDLE_NAME] ?? new Uint8Array()).toString('utf8'))
  } catch {
    return refuse(NO_BUNDLE)
  }
  if (!isObject(note) || note.format !== BUNDLE_FORMAT || !isObject(note.tables)) return refuse(NO_BUNDLE)
  if (Number(note.version) > BUNDLE_VERSION)
    return refuse('It was written by a newer Even Reach. Update this one first; nothing was taken in.')
  const { tables } = note
  const counts = Object.fromEntries(TABLE_NAMES.map((n) => [n, { fresh: 0, known: 0 }])) as BundleCounts
  try {
    db.transaction((tx) => {
      for (const name of TABLE_NAMES) {
        const rows = tables[name] ?? []
        if (!Array.isArray(rows)) throw new Wrong(refuse(NO_BUNDLE))
        rows.forEach((raw: unknown, i) => {
          const row = rowFor(name, raw, files.value, `${name}, row ${i + 1}`)
          if (!row.ok) throw new Wrong(row)
          const { changes } = tx
            .insert(BUNDLE_TABLES[name])
            .values(row.value as never)
            .onConflictDoNothing()
            .run()
          counts[name][changes > 0 ? 'fresh' : 'known']++
        })
      }
      // What cannot be opened is not let in.
      for (const raw of (tables.trial as Row[] | undefined) ?? []) {
        const open = openTrial(tx as unknown as Db, String(raw.id))
        const plan = open && checked(planRecord.required(), planOf(open))
        if (plan && !plan.ok) throw new Wrong(plan)
      }
      if (onlyLook) throw new TakenBack()
    })
  } catch (e) {
    if (e instanceof TakenBack) return good(counts)
    if (e instanceof Wrong) return e.no
    const why = e instanceof Error && 'code' in e && String(e.code).startsWith('SQLITE_CONSTRAINT')
    return refuse(
      why
        ? 'Its rows do not fit together: one names another that is not in it. Nothing was taken in.'
        : 'It holds a trial that cannot be opened; it was changed or damaged. Nothing was taken in.',
    )
  }
  return good(counts)
}
