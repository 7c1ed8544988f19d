import { writeCsv, writeGpx } from '@/core/formats'
import { foldEntries, fileNameOf, marksNow, planNow, type TrialPlan } from '@/core/trial'
import type { Db } from '../connection'
import { entriesOf, listRuns } from '../runs'
import { openTrial, planOf } from '../trials'

const HEADING = [
  ...['time', 'mark', 'lat', 'lon', 'distance_m', 'rig', 'base', 'direction', 'report', 'calls', 'note'],
] as const

/** The checks of a run as a table that anybody reads, and that can be brought in again. */
function checksCsv(db: Db, runId: string, frozen: TrialPlan): string {
  const log = foldEntries(entriesOf(db, runId))
  const plan = planNow(frozen, log)
  const marks = new Map(marksNow(plan, log).map((m) => [m.id, m]))
  const links = new Map(plan.links.map((l) => [l.id, l]))
  return writeCsv(
    HEADING,
    log.checks
      .filter((c) => !c.voided)
      .map((c) => {
        const mark = marks.get(c.markId)
        const link = links.get(c.linkId)
        return [
          ...[c.time, mark?.name ?? c.markId, mark?.lat ?? null, mark?.lon ?? null],
          mark === undefined ? null : Math.round(mark.distanceM),
          ...[link?.name ?? c.linkId, link?.base.name ?? '', c.direction, c.text, c.calls, c.remark ?? ''],
        ]
      }),
  )
}

/** What of a trial is written in open formats beside the rows themselves, by file name. */
export function openFiles(db: Db, trialId: string): [name: string, text: string][] {
  const open = openTrial(db, trialId)
  if (!open) return []
  const folder = `${fileNameOf(open.trial.name)}-${trialId.slice(-4)}`
  const plan = planOf(open)
  const marks = open.legs.flatMap((l) => l.marks)
  const placed = marks.flatMap((m) =>
    m.lat !== null && m.lon !== null ? [{ ...m, lat: m.lat, lon: m.lon }] : [],
  )
  const gpx = writeGpx({
    name: open.trial.name,
    places:
      plan.base && plan.base.lat !== null && plan.base.lon !== null
        ? [{ name: plan.base.name, role: 'base', lat: plan.base.lat, lon: plan.base.lon }]
        : [],
    tracks: open.legs.filter((l) => l.track.length > 1).map((l) => ({ name: l.name, points: l.track })),
    marks: placed,
    areas: [],
  })
  return [
    [
      `${folder}/marks.csv`,
      writeCsv(
        ['mark', 'leg', 'lat', 'lon', 'distance_m'],
        marks.map((m) => [m.name, m.legName, m.lat, m.lon, Math.round(m.distanceM)]),
      ),
    ],
    [`${folder}/way.gpx`, gpx],
    ...listRuns(db, trialId).map((run): [string, string] => [
      `${folder}/${fileNameOf(run.name)}-${run.id.slice(-4)}-checks.csv`,
      checksCsv(db, run.id, run.plan),
    ]),
  ]
}
