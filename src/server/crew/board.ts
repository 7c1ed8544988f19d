import type { BoardLine } from '@/core/crew'
import { inverse } from '@/core/geo'
import { baseOfRun, boardLines, db, listDevices, type Db } from '@/data'
import { saidOf } from './live'

/** Who is out: of one trial, or of all. Where a device is leaves here as its distance alone. */
export const board = (trialId: string | null, of: Db = db()): BoardLine[] =>
  boardLines(of, trialId).map((line): BoardLine => {
    const told = saidOf(line.deviceId)
    if (!told) return { ...line, said: null }
    const { position, ...said } = told
    const base = position ? baseOfRun(of, said.runId) : null
    return {
      ...line,
      said: { ...said, fromBaseM: base && position ? inverse(base, position).distanceM : null },
    }
  })

/** Every device that was brought in, with the entries that are on it alone; null where it has not said. */
export const deviceLines = () =>
  listDevices(db()).map((d) => ({ ...d, waiting: saidOf(d.id)?.waiting ?? null }))
