'use server'

import { revalidatePath } from 'next/cache'
import { v7 } from 'uuid'
import {
  dayOfFiles,
  readCheckRows,
  readCsvTable,
  readGpx,
  readKitJson,
  type ColumnMatch,
  type Problem,
} from '@/core/formats'
import type { Listener } from '@/core/kit'
import { readReport, type Scale } from '@/core/reports'
import { listenerOf } from '@/core/kit'
import { checksHash, db, importDay, importedBefore } from '@/data'

export interface ImportRequest {
  name: string
  checksName: string
  checks: string
  gpx: string | null
  kit: string
  match: ColumnMatch
  scales: Record<Listener, Scale>
  fixedBeforehand: boolean
  /**
   * Rows that cannot be read are left out, and reports that cannot be read come in as text, because the user said so.
   */
  withoutBadRows: boolean
}

export type ImportResult =
  | { kind: 'done'; trialId: string; checks: number }
  | { kind: 'known'; trialId: string; name: string }
  | { kind: 'refused'; problems: Problem[] }

/** Reads everything again on the server and brings it in, all or nothing. */
export async function bringIn(request: ImportRequest): Promise<ImportResult> {
  const table = readCsvTable(request.checks)
  const kit = readKitJson(request.kit)
  const gpx = request.gpx === null ? null : readGpx(request.gpx)
  const problems = [table, kit, gpx].flatMap((r) => (r && !r.ok ? r.problems : []))
  if (!table.ok || !kit.ok || (gpx && !gpx.ok)) return { kind: 'refused', problems }
  const { rows, problems: bad } = readCheckRows(
    table.value,
    request.match,
    kit.value.rigs.map((r) => r.name),
  )
  const unread = rows.filter(
    (r) => readReport(r.report, request.scales[listenerOf(r.direction)]).state === 'not read',
  )
  if (!request.withoutBadRows && bad.length + unread.length > 0)
    return {
      kind: 'refused',
      problems: [
        ...bad,
        ...unread.map((r) => ({
          code: 'report',
          where: `line ${r.line}`,
          message: `"${r.report}" cannot be read in the scale declared`,
        })),
      ],
    }
  if (rows.length === 0) return { kind: 'refused', problems: bad }
  const hash = checksHash(rows, kit.value)
  const before = importedBefore(db(), hash)
  if (before) return { kind: 'known', ...before }
  const ids = new Map<string, string>()
  const day = dayOfFiles(rows, kit.value, gpx?.ok ? gpx.value : null, {
    scales: request.scales,
    name: request.name.trim() || 'Imported day',
    makeId: (what, name) => {
      const key = `${what} ${name}`
      if (!ids.has(key)) ids.set(key, v7())
      return ids.get(key)!
    },
  })
  if (!day.ok) return { kind: 'refused', problems: day.problems }
  const trialId = importDay(db(), day.value, hash, request.checksName, request.fixedBeforehand)
  revalidatePath('/', 'layout')
  return { kind: 'done', trialId, checks: day.value.checks.length }
}
