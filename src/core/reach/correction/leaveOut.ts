import { groupedBy } from '@/core/groupedBy'
import { normalCdf } from '@/core/stats/numeric/normal'
import { correctedBy, type Correction } from './correction'
import { learnCorrection, zeroOf, type MarginSeen } from './learnCorrection'

/** What is held against one another. */
export const FORECASTS = ['prediction alone', 'distance alone', 'corrected'] as const
type Forecast = (typeof FORECASTS)[number]

/** How well each told what it had not seen. */
export interface LeftOut {
  /** Copies that were to be told. */
  copies: number
  /** Share of them told rightly, 0 to 1, and the mean square of chance less what came of it: less is better. */
  right: Record<Forecast, number>
  brier: Record<Forecast, number>
  /** Levels that were to be told, and by how much each was off, root mean square, dB; null where none were read. */
  levels: number
  rmsDb: Record<Forecast, number> | null
  /** Of the corrected ones' 90 % intervals so many held the level, 0 to 1; null where none were read. */
  held: number | null
}

/** The log against itself: each mark, and each leg, told from all the others. */
export interface HonestCheck {
  marks: LeftOut | null
  /** Null where there is one leg only: nothing says how it is off to the side. */
  legs: LeftOut | null
  /** The corrected forecast was no worse than either other, by legs where there are several. */
  holds: boolean
}

/** More marks than this are left out several at a time. */
const MOST_FOLDS = 24
/** What falls with distance as over plane earth and knows nothing of the ground, dB over some zero. */
const lawDb = (distanceM: number) => 60 - 40 * Math.log10(Math.max(distanceM, 20) / 300)
const asLaw = (s: MarginSeen): MarginSeen => ({ ...s, predictedDb: lawDb(s.distanceM) })
/** Half of a 90 % interval in standard deviations. */
const NINETY = 1.645

interface Told {
  copied: number
  chances: Record<Forecast, number>
}
interface Read {
  offDb: Record<Forecast, number>
  held: boolean
}

/** What one part of a log says of another. */
function forecast(told: readonly MarginSeen[], asked: readonly MarginSeen[], spreads: Correction) {
  const corrected = learnCorrection(told, { fixed: spreads })
  const law = learnCorrection(told.map(asLaw), { fixed: spreads, shadowed: false })
  if (!corrected || !law) return { copies: [], levels: [] }
  const zero = { base: zeroOf(told, 'base'), out: zeroOf(told, 'out') }
  const lawZero = { base: zeroOf(told.map(asLaw), 'base'), out: zeroOf(told.map(asLaw), 'out') }
  const copies: Told[] = []
  const levels: Read[] = []
  for (const s of asked) {
    const by = correctedBy(corrected, s.key, s.direction, s.place, s.distanceM, s)
    const far = correctedBy(law, s.key, s.direction, null, s.distanceM, s)
    const spread = Math.hypot(by.placeSdDb, by.callSdDb)
    if (s.meter === null) {
      copies.push({
        copied: s.lower === 0 ? 1 : 0,
        chances: {
          'prediction alone': normalCdf(s.predictedDb / spreads.shadowDb),
          'distance alone': normalCdf(
            (lawDb(s.distanceM) + far.db) / Math.hypot(far.placeSdDb, far.callSdDb),
          ),
          corrected: normalCdf((s.predictedDb + by.db) / spread),
        },
      })
      continue
    }
    if (!Number.isFinite(s.lower) || !Number.isFinite(s.upper)) continue
    const [read, half] = [(s.lower + s.upper) / 2, (s.upper - s.lower) / 2]
    const offDb = {
      'prediction alone': read - s.predictedDb - zero[s.meter],
      'distance alone': read - lawDb(s.distanceM) - lawZero[s.meter] - far.db,
      corrected: read - s.predictedDb - zero[s.meter] - by.db,
    }
    levels.push({ offDb, held: Math.abs(offDb.corrected) <= NINETY * spread + half })
  }
  return { copies, levels }
}

const each = <T>(of: (f: Forecast) => T) =>
  Object.fromEntries(FORECASTS.map((f) => [f, of(f)])) as Record<Forecast, T>
const mean = (values: readonly number[]) => values.reduce((s, v) => s + v, 0) / values.length

function leftOut(
  seen: readonly MarginSeen[],
  groups: readonly MarginSeen[][],
  spreads: Correction,
): LeftOut | null {
  if (groups.length < 2) return null
  const found = groups.map((asked) => {
    const out = new Set(asked)
    return forecast(
      seen.filter((s) => !out.has(s)),
      asked,
      spreads,
    )
  })
  const copies = found.flatMap((f) => f.copies)
  const levels = found.flatMap((f) => f.levels)
  if (copies.length === 0) return null
  return {
    copies: copies.length,
    right: each((f) => mean(copies.map((c) => (c.chances[f] > 0.5 === (c.copied === 1) ? 1 : 0)))),
    brier: each((f) => mean(copies.map((c) => (c.chances[f] - c.copied) ** 2))),
    levels: levels.length,
    rmsDb: levels.length > 0 ? each((f) => Math.sqrt(mean(levels.map((l) => l.offDb[f] ** 2)))) : null,
    held: levels.length > 0 ? mean(levels.map((l) => (l.held ? 1 : 0))) : null,
  }
}

/**
 * Holds a correction against the log that it was learnt from, honestly: each mark, and each leg, is forecast from
 * all the others, beside the prediction alone and beside a law of distance fitted to the same checks.
 * @param legOf of a check's id; marks of one leg lie on one way out
 * @param correction as it was learnt from all of it; its spreads are kept
 */
export function honestCheck(
  seen: readonly MarginSeen[],
  correction: Correction,
  legOf: (checkId: string) => string,
): HonestCheck {
  const byPlace = [...groupedBy(seen, (s) => `${s.place.lat} ${s.place.lon}`).values()]
  const folds = Math.min(MOST_FOLDS, byPlace.length)
  const marks = leftOut(
    seen,
    Array.from({ length: folds }, (_, f) => byPlace.filter((_g, i) => i % folds === f).flat()),
    correction,
  )
  const legs = leftOut(seen, [...groupedBy(seen, (s) => legOf(s.checkId)).values()], correction)
  const judged = legs ?? marks
  return { marks, legs, holds: judged !== null && isNoWorse(judged) }
}

/** Worse by less than this is no worse, of the mean square. */
const SLIGHT = 0.01

const isNoWorse = ({ brier }: LeftOut) =>
  brier.corrected <= Math.min(brier['prediction alone'], brier['distance alone']) + SLIGHT
