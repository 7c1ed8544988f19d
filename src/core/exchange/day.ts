import { alongNearest } from '@/core/geo/along'
import { inverse, type Place } from '@/core/geo/geodesic'
import type { Direction, Link, Listener, Rig } from '@/core/kit/rig/rig'
import { USUAL_COPY_RULE, type CopyRule } from '@/core/reports/copyRule'
import { guessScale, isBare } from '@/core/reports/guessScale'
import type { Scale } from '@/core/reports/scale'
import type { CheckBody } from '@/core/trial/entry'
import { asLogged, type LoggedCheck } from '@/core/trial/foldEntries'
import type { Mark, TrialPlan } from '@/core/trial/plan'
import type { CheckRow } from '@/core/formats/checks/checksCsv'
import type { Gpx } from '@/core/formats/gpx'
import type { KitFile } from '@/core/formats/kitJson'
import { type Outcome, type Problem, bad, good, problem } from '@/core/outcome'

/** A day's files put together: what a trial is made of, and its checks. */
export interface Day {
  /** Its place is null where no mark has coordinates either. */
  base: { name: string; place: Place | null }
  rigs: Rig[]
  baseRig: Rig
  tracks: { name: string; points: Place[] }[]
  plan: TrialPlan
  checks: (CheckBody & { line: number; time: string | null })[]
}

export interface DayChoices {
  scales: Record<Listener, Scale>
  copyRule?: CopyRule
  marginDb?: number
  name?: string
  /** Ids for rigs, links and marks, by what they are and their name. */
  makeId: (what: 'rig' | 'link' | 'mark' | 'leg', name: string) => string
}

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

/** The reports that a listener gave. */
const reportsOf = (rows: readonly CheckRow[], listener: Listener) =>
  rows.filter((r) => (r.direction === 'to base') === (listener === 'base')).map((r) => r.report)

/** Listeners whose reports are bare digits, which mean one thing to one team and another to the next. */
export function bareListeners(rows: readonly CheckRow[]): Listener[] {
  return (['base', 'out'] as const).filter((l) => isBare(reportsOf(rows, l)))
}

/** The scale of each listener, guessed from the reports it gave; the kit file's word on a meter's step counts. */
export function guessScales(rows: readonly CheckRow[], kit: KitFile | null): Record<Listener, Scale> {
  const of = (listener: Listener) => {
    const texts = reportsOf(rows, listener)
    const { scale } = guessScale(texts.length > 0 ? texts : rows.map((r) => r.report))
    const said = kit?.listeners?.[listener]
    if (!said?.sUnitDb || (scale.kind !== 'readability-strength' && scale.kind !== 'strength')) return scale
    const stepDb = said.sUnitDb === 'unknown' ? null : said.sUnitDb
    return { ...scale, strength: { ...scale.strength, stepDb, calibrated: said.calibrated } }
  }
  return { base: of('base'), out: of('out') }
}

/** @returns null where marks have places, and nothing says where the base stood */
function baseOf(kit: KitFile, gpx: Gpx | null, placed: boolean): Day['base'] | null {
  if (kit.base.lat !== undefined && kit.base.lon !== undefined)
    return { name: kit.base.name, place: { lat: kit.base.lat, lon: kit.base.lon } }
  const waypoint = gpx?.waypoints.find((w) => /^base\b/i.test(w.name))
  if (waypoint) return { name: kit.base.name, place: waypoint }
  return placed ? null : { name: kit.base.name, place: null }
}

/** A leg's name: that of the track nearest to its marks, else the letters that its marks' names begin with. */
function legNames(
  marks: readonly { name: string; place: Place | null }[],
  gpx: Gpx | null,
): Map<string, string> {
  const prefixes = [...new Set(marks.map((m) => prefixOf(m.name)))]
  return new Map(
    prefixes.map((prefix) => {
      const places = marks
        .filter((m) => prefixOf(m.name) === prefix)
        .flatMap((m) => (m.place ? [m.place] : []))
      const fits = (gpx?.tracks ?? [])
        .filter((w) => w.name !== '')
        .map((w) => ({ name: w.name, off: meanOffset(places, w.points) }))
        .sort((a, b) => a.off - b.off)
      return [prefix, fits[0] && fits[0].off < 150 ? fits[0].name : prefix === '' ? 'Leg' : `Leg ${prefix}`]
    }),
  )
}

const prefixOf = (name: string) => /^[^\d]*/.exec(name)![0].trim()

function meanOffset(places: readonly Place[], track: readonly Place[]): number {
  if (places.length === 0) return Infinity
  const sample = places.filter((_, i) => i % Math.ceil(places.length / 8) === 0)
  const thin = track.filter((_, i) => i % Math.ceil(track.length / 300) === 0)
  const off = sample.map((p) => Math.min(...thin.map((q) => inverse(p, q).distanceM)))
  return off.reduce((s, v) => s + v, 0) / off.length
}

/**
 * Puts a checks file, a kit file and a GPX file together into a plan and its checks. Distances are crow-flies by
 * geodesic from the base; a mark without coordinates takes the waypoint of its name, else the file's own distance.
 */
export function dayOfFiles(
  rows: readonly CheckRow[],
  kit: KitFile,
  gpx: Gpx | null,
  choices: DayChoices,
): Outcome<Day> {
  const placed = placeMarks(rows, gpx)
  if (!placed.ok) return placed
  const base = baseOf(
    kit,
    gpx,
    placed.value.some((m) => m.place !== null),
  )
  if (!base)
    return bad(
      problem(
        'no-base',
        'base',
        'Nothing says where the base stood. Give its lat and lon, or a waypoint named BASE.',
      ),
    )
  const { makeId } = choices
  const common = { txMHz: kit.frequencyMHz, rxMHz: null, attenuatorDb: 0, attenuatorAt: 'both ways' as const }
  const baseRig: Rig = {
    ...common,
    id: makeId('rig', kit.base.name),
    letter: 'Z',
    name: kit.base.name,
    kind: kit.base.kind ?? 'base',
    powerW: kit.base.powerW,
    antennaHeightM: kit.base.antennaHeightM,
    antennaGainDbi: kit.base.antennaGainDbi,
    leadLossDb: kit.base.leadLossDb,
  }
  const names = [...new Set(rows.map((r) => r.rig))]
  const unknown = names.filter((n) => !kit.rigs.some((r) => r.name === n))
  if (unknown.length > 0)
    return bad(
      ...unknown.map((n) =>
        problem('rig', 'rigs', `The kit has no rig "${n}". Add it, or correct the checks.`),
      ),
    )
  const rigs: Rig[] = kit.rigs.map((r, i) => ({
    ...common,
    id: makeId('rig', r.name),
    letter: r.letter ?? LETTERS[i] ?? `R${i}`,
    name: r.name,
    kind: r.kind ?? (r.powerW > 10 ? 'mobile' : 'handheld'),
    powerW: r.powerW,
    antennaHeightM: r.antennaHeightM,
    antennaGainDbi: r.antennaGainDbi,
    leadLossDb: r.leadLossDb,
  }))
  const links: Link[] = rigs
    .filter((r) => names.includes(r.name))
    .map((out) => ({ id: makeId('link', out.name), letter: out.letter, name: out.name, base: baseRig, out }))

  const legs = legNames(placed.value, gpx)
  const marks: Mark[] = placed.value.map(({ name, place, distanceM }) => {
    const legName = legs.get(prefixOf(name))!
    const from = place && base.place ? inverse(base.place, place) : null
    const track = gpx?.tracks.find((w) => w.name === legName)
    return {
      id: makeId('mark', name),
      name,
      legId: makeId('leg', legName),
      legName,
      distanceM: from?.distanceM ?? distanceM!,
      distanceSdM: from ? null : distanceM! * 0.03,
      alongM: place && track ? alongNearest(track.points, place) : null,
      bearingDeg: from?.bearingDeg ?? null,
      lat: place?.lat ?? null,
      lon: place?.lon ?? null,
    }
  })
  const near = marks.find((m) => m.distanceM < 1)
  if (near)
    return bad(
      problem(
        'at-base',
        `mark ${near.name}`,
        `Mark ${near.name} lies at the base itself; a mark needs a distance.`,
      ),
    )
  const directions = (['to base', 'from base', 'loop'] as Direction[]).filter((d) =>
    rows.some((r) => r.direction === d),
  )
  const checks = numberRepeats(rows, makeId)
  return good({
    base,
    rigs,
    baseRig,
    tracks: gpx?.tracks.map((w) => ({ name: w.name, points: w.points })) ?? [],
    checks,
    plan: {
      trialName: choices.name ?? 'Imported day',
      base: { name: base.name, lat: base.place?.lat ?? null, lon: base.place?.lon ?? null },
      question: `Which of ${links.map((l) => l.name).join(', ')} reaches how far from ${base.name}?`,
      links,
      marks,
      directions,
      scales: choices.scales,
      copyRule: choices.copyRule ?? USUAL_COPY_RULE,
      repeats: Math.max(1, ...checks.map((c) => c.repeat)),
      order: { scheme: 'as listed', seed: 1 },
      sameAs: [],
      marginDb: choices.marginDb ?? 3,
      reliability: 0.9,
      surroundings: 'mixed',
      controlLinkId: null,
      need: { floorM: null, ceilingM: null },
    },
  })
}

function placeMarks(
  rows: readonly CheckRow[],
  gpx: Gpx | null,
): Outcome<{ name: string; place: Place | null; distanceM: number | null }[]> {
  const marks = new Map<string, { name: string; place: Place | null; distanceM: number | null }>()
  const problems: Problem[] = []
  for (const row of rows) {
    if (marks.has(row.mark)) continue
    const waypoint = gpx?.waypoints.find((w) => w.name === row.mark)
    const place = row.lat !== null && row.lon !== null ? { lat: row.lat, lon: row.lon } : (waypoint ?? null)
    if (!place && !(row.distanceM && row.distanceM > 0))
      problems.push(
        problem(
          'mark-place',
          `line ${row.line}`,
          `Mark ${row.mark} has no coordinates, no waypoint of its name and no distance.`,
        ),
      )
    marks.set(row.mark, {
      name: row.mark,
      place: place && { lat: place.lat, lon: place.lon },
      distanceM: row.distanceM,
    })
  }
  return problems.length > 0 ? bad(...problems) : good([...marks.values()])
}

function numberRepeats(rows: readonly CheckRow[], makeId: DayChoices['makeId']): Day['checks'] {
  const counts = new Map<string, number>()
  return rows.map((row) => {
    const key = `${row.mark}|${row.rig}|${row.direction}`
    const repeat = (counts.get(key) ?? 0) + 1
    counts.set(key, repeat)
    return {
      linkId: makeId('link', row.rig),
      markId: makeId('mark', row.mark),
      direction: row.direction,
      repeat,
      text: row.report,
      calls: row.calls,
      remark: row.note,
      state: 'graded' as const,
      line: row.line,
      time: row.time,
    }
  })
}

/** A day's checks as the log would hold them. */
export function loggedChecks(day: Day): LoggedCheck[] {
  return day.checks.map(({ line, time, ...check }) =>
    asLogged(check, {
      id: `line ${line} ${check.linkId} ${check.direction}`,
      time: time ?? '',
      device: 'import',
      role: 'import',
    }),
  )
}
