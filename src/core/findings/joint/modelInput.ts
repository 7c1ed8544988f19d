import { groupedBy } from '@/core/groupedBy'
import { onceEach } from '@/core/onceEach'
import { listenerOf, sumDb, type Direction } from '@/core/kit/rig/rig'
import type { Call, ModelInput, ModelReport } from '@/core/model/reports'
import type { ModelRule } from '@/core/model/margins'
import type { CopyRule } from '@/core/reports/copyRule'
import { USUAL_EVENING } from '../choices'
import { knownIn, type FindingsInput, type ReadCheck } from '../input'
import { MAX_MISSES } from '../levels'
import { modelPlaces } from './modelPlaces'
import { listenerReader, type ListenerReader } from './listeners'

const NO_EFFECTS: EffectTerms = { priors: [], of: () => [] }

/** A log as the model takes it. */
export interface JointInput {
  model: ModelInput
  readers: ListenerReader[]
  /** Which of the model's marks each mark is; empty of a log from one place, whose rounds they are. */
  placeOf: ReadonlyMap<string, number>
  /** The mark that each of the model's reports is from; a round of a log from one place. */
  markOf: readonly string[]
  /** All reports come from one place: what is found holds there, and says nothing of distance. */
  onePlace: boolean
  /** Checks that say nothing the model knows. */
  unused: string[]
  /** Which of the model's terms are the listeners' drift, and over how many hours; null where it is not looked for. */
  drift: { first: number; hours: number } | null
  /** Runs after the first, and which of the model's terms is the first listener's in each. */
  days: { runId: string | undefined; first: number }[]
}

/** A day against the first at the same marks, dB. */
const RUN_SD_DB = 4
/** How fast a listener may drift, dB an hour, and the shortest time that it is looked for over, h. */
const DRIFT_SD_DB = 1
const MIN_HOURS = 0.5
/** Reports of one mark this close in time are one visit. */
const VISITS_AN_HOUR = 6
/** Marks whose distances differ by less than this share are one place. */
const SAME_PLACE = 0.02

/** What checks hang on besides what the model knows by itself. */
export interface EffectTerms {
  priors: { sdDb: number }[]
  /** A check's terms and their factors; checks with other terms are told apart. */
  of(check: ReadCheck): [term: number, factor: number][]
}

/**
 * What all reports of a log say, as one model takes them.
 * @param effects terms of their own; they come first
 */
export function jointInput(
  input: FindingsInput,
  checks: readonly ReadCheck[],
  effects: EffectTerms = NO_EFFECTS,
): JointInput {
  const { directions, links } = input
  const readers = directions.map((d) =>
    listenerReader(
      input.scales[listenerOf(d)],
      checks.filter((c) => c.direction === d),
    ),
  )
  const callsOf = callsBy(readers, directions)
  const marks = input.marks.filter((m) => m.distanceM > 0)
  const marksById = new Map(marks.map((m) => [m.id, m]))
  const linkAt = new Map(links.map((l, i) => [l.id, i]))
  const runs = [...new Set(checks.map((c) => c.runId))]
  const hours = hoursOf(checks)
  const said = checks.flatMap((check) => {
    const [mark, link] = [marksById.get(check.markId), linkAt.get(check.linkId)]
    const calls = callsOf(check)
    return mark === undefined || link === undefined || calls.length === 0
      ? []
      : [{ check, mark, link, calls }]
  })
  const used = new Set(said.map((s) => s.check.id))
  const reported = [...new Set(said.map((s) => s.mark))]
  const onePlace = alike(reported.map((m) => m.distanceM))
  const places = modelPlaces(
    marks.map((m) => ({ id: m.id, legId: m.legId, distanceM: m.distanceM, alongM: m.alongM ?? m.distanceM })),
    new Set(reported.map((m) => m.id)),
  )
  const rounds = onePlace ? roundsOf(said.map((s) => s.check)) : null
  const terms = termsOf(effects.priors.length, runs, directions.length, hours !== null)
  const visits = new Map<string, number>()
  const visitOf = (run: number, own: [number, number][], hour: number) => {
    const key = `${run} ${own.join(' ')} ${Math.floor(hour * VISITS_AN_HOUR)}`
    if (!visits.has(key)) visits.set(key, visits.size)
    return visits.get(key)!
  }
  const markOf: string[] = []
  const reports = said.flatMap(({ check, mark, link, calls }): ModelReport[] => {
    const listener = directions.indexOf(check.direction)
    const run = runs.indexOf(check.runId)
    const own = effects.of(check)
    const hour = hours?.get(check.id) ?? 0
    return calls.map(({ call, count }) => {
      const round = rounds?.at.get(check.id)
      markOf.push(round === undefined ? mark.id : `round ${round + 1}`)
      return {
        mark: round ?? places.at.get(mark.id)!,
        link,
        listener,
        call,
        count,
        offsetDb: (rounds ? 0 : places.offsetDb(mark.id)) - check.attenuationDb,
        visit: visitOf(run, own, hour),
        terms: [...own, ...terms.of(run, listener, hour)],
      }
    })
  })
  return {
    model: {
      marks: rounds
        ? Array.from({ length: rounds.n }, (_, i) => ({
            legId: `round ${i}`,
            distanceM: reported[0]!.distanceM,
            alongM: 0,
          }))
        : places.marks,
      links: links.length,
      listeners: readers.map((r) => r.listener),
      // All that is known, whatever a reader takes out: the ways there and back differ by it.
      knownDb: links.map((l) =>
        directions.map((d) => sumDb(knownIn({ evening: USUAL_EVENING }, l, links[0]!, d))),
      ),
      terms: [...effects.priors, ...terms.priors],
      reports,
    },
    readers,
    placeOf: rounds ? new Map() : places.at,
    markOf,
    onePlace,
    unused: checks.filter((c) => !used.has(c.id)).map((c) => c.id),
    drift: hours && { first: effects.priors.length, hours: spanOf(hours) },
    days: terms.days,
  }
}

/** All calls of a check: those that went unheard, and what the last one said. */
function callsBy(readers: readonly ListenerReader[], directions: readonly Direction[]) {
  const NIL: Call = { kind: 'not heard' }
  // Equal reports share their reading, so that few of many checks have to be read.
  const reads = readers.map((reader) => onceEach(reader.read))
  return ({ reading, calls, direction }: ReadCheck): { call: Call; count: number }[] => {
    const read = reads[directions.indexOf(direction)]
    if (!read) return []
    if (reading.state === 'not heard') return [{ call: NIL, count: Math.min(MAX_MISSES, Math.max(1, calls)) }]
    if (reading.state !== 'heard') return []
    const call = read(reading)
    if (!call) return []
    const missed = Math.min(MAX_MISSES, calls - 1)
    return [...(missed > 0 ? [{ call: NIL, count: missed }] : []), { call, count: 1 }]
  }
}

/** Whether all marks that were reported from are one place. */
export function isOnePlace(input: Pick<FindingsInput, 'marks'>, checks: readonly ReadCheck[]): boolean {
  const reported = new Set(checks.map((c) => c.markId))
  return alike(input.marks.flatMap((m) => (reported.has(m.id) && m.distanceM > 0 ? [m.distanceM] : [])))
}

function alike(distances: readonly number[]): boolean {
  const farthest = Math.max(...distances)
  return distances.length > 0 && farthest - Math.min(...distances) <= SAME_PLACE * farthest
}

/** Which round of a log from one place a check belongs to. */
export const roundOf = (c: ReadCheck): string => `${c.runId} ${c.markId} ${c.repeat}`

/** Rounds of a log from one place: each link's n-th connection is the same round as every other's. */
function roundsOf(checks: readonly ReadCheck[]): { at: Map<string, number>; n: number } {
  const at = new Map<string, number>()
  const keys = new Map<string, number>()
  for (const c of checks) {
    const key = roundOf(c)
    if (!keys.has(key)) keys.set(key, keys.size)
    at.set(c.id, keys.get(key)!)
  }
  return { at, n: keys.size }
}

/** Hours of each check about its run's mean; null where the log has no times, or hardly any between them. */
function hoursOf(checks: readonly ReadCheck[]): Map<string, number> | null {
  const hours = new Map<string, number>()
  let widest = 0
  for (const ofRun of groupedBy(checks, (c) => c.runId ?? '').values()) {
    const times = ofRun.map((c) => Date.parse(c.time) / 3_600_000)
    if (times.some((t) => !Number.isFinite(t))) return null
    const mean = times.reduce((s, t) => s + t, 0) / times.length
    widest = Math.max(widest, Math.max(...times) - Math.min(...times))
    ofRun.forEach((c, i) => hours.set(c.id, times[i]! - mean))
  }
  return widest >= MIN_HOURS ? hours : null
}

const spanOf = (hours: ReadonlyMap<string, number>) =>
  Math.max(...hours.values()) - Math.min(...hours.values())

/** A term for each listener's drift, and for each day after the first at each listener; others stand before them. */
function termsOf(before: number, runs: readonly (string | undefined)[], listeners: number, drift: boolean) {
  const first = before + (drift ? listeners : 0)
  const later = runs.slice(1)
  return {
    priors: [
      ...Array.from({ length: first - before }, () => ({ sdDb: DRIFT_SD_DB })),
      ...Array.from({ length: later.length * listeners }, () => ({ sdDb: RUN_SD_DB })),
    ],
    days: later.map((runId, i) => ({ runId, first: first + i * listeners })),
    of: (run: number, listener: number, hours: number): [number, number][] => [
      ...(drift ? [[before + listener, hours] as [number, number]] : []),
      ...(run > 0 ? [[first + (run - 1) * listeners + listener, 1] as [number, number]] : []),
    ],
  }
}

/** The copy rule as a listener can keep it: only what its reports tell is asked of them. */
export function ruleAt(rule: CopyRule, reader: ListenerReader, words: number | null): ModelRule {
  const { minShare, maxCalls } = rule
  return {
    ...reader.asked(rule),
    share: reader.listener.counts && minShare !== null && words ? { of: words, least: minShare } : null,
    calls: maxCalls,
  }
}
