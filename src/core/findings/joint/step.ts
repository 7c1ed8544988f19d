import { Field } from '@/core/model/field'
import type { ModelFit } from '@/core/model/fit'
import { lentOf, modesAtPoints } from '@/core/model/lentModes'
import type { ModelInput } from '@/core/model/reports'

/** Marks on either side of a step, and distances in all. */
const MIN_BESIDE = 2
const MIN_DISTANCES = 8
/** Of the gaps between marks, so many are looked at: where the ground falls most. */
const LOOKED_AT = 4
/** Points of the spreads at which they are; of a long log, whose spreads are known closely, fewer, and one to begin with. */
const POINTS = 10
const POINTS_OF_LONG = 4
/** One point tells ln of how much more likely within this. */
const ROUGHLY = 2
/** ln of how much more likely the reports are with a step than without, from which on it is taken to be there. */
const LN_SURE = 1.8
/** Of more gaps than this some fall so much by chance, the more the more there are. */
const FEW_GAPS = 30
/** What a ridge, or the edge of a town, may cost: half-normal with this spread, dB. */
const STEP_SD_DB = 12

/** Distances between which the ground falls most from mark to mark, the steepest first, m. */
function candidates({ data, draws }: ModelFit): { nearM: number; farM: number }[] {
  const owns = data.ownMark.length
  const distances = data.distanceM
  const order = [...distances.keys()].sort((a, b) => distances[a]! - distances[b]!)
  const ground = order.map((m) => draws.reduce((s, { x }) => s + x[owns + m]!, 0) / draws.length)
  return order
    .flatMap((m, i) => {
      const next = order[i + 1]
      const apart = next !== undefined && distances[next]! > 1.001 * distances[m]!
      if (!apart || i + 1 < MIN_BESIDE || order.length - i - 1 < MIN_BESIDE) return []
      return [{ nearM: distances[m]!, farM: distances[next]!, falls: ground[i]! - ground[i + 1]! }]
    })
    .filter((c) => c.falls > 0)
    .sort((a, b) => b.falls - a.falls)
    .slice(0, LOOKED_AT)
    .map(({ nearM, farM }) => ({ nearM, farM }))
}

/** ln of how much more likely the reports are with a step there than without. @param points of the spreads */
function lnGain(fit: ModelFit, input: ModelInput, points: number): number {
  const field = new Field({ ...fit.data, input }, fit.field.priors)
  const gains = modesAtPoints(lentOf(fit), field, points).lent.map(
    ({ point, mode }) => mode.evidence - point.evidence,
  )
  const top = Math.max(...gains)
  const mean = gains.reduce((s, v) => s + Math.exp(v - top), 0) / gains.length
  // The half-normal's height at nought is twice the normal's, whose constant the evidence leaves out.
  return top + Math.log(mean) + Math.log(2 / STEP_SD_DB)
}

/** The step of these that makes the reports most likely. @param sure less than this is not looked at closely */
function likeliest(fit: ModelFit, stepped: readonly ModelInput[], sure: number) {
  const by = (points: number, of: readonly ModelInput[]) =>
    of.map((s) => ({ s, ln: lnGain(fit, s, points) })).sort((a, b) => b.ln - a.ln)[0]
  if (!fit.field.isLong) return by(POINTS, stepped)
  const first = by(1, stepped)
  return first && first.ln > sure - ROUGHLY ? by(POINTS_OF_LONG, [first.s]) : first
}

/**
 * The same log with a step in its levels, everything beyond some distance being weaker, as behind a ridge; null where
 * none is seen. Only on one leg: another may have its ridge elsewhere.
 * @param fit of the log without one
 */
export function withStep(fit: ModelFit): ModelInput | null {
  const { input, marks, distanceM } = fit.data
  const legs = new Set(marks.map((m) => input.marks[m]!.legId))
  const distances = new Set(distanceM.map(Math.round))
  if (legs.size !== 1 || distances.size < MIN_DISTANCES) return null
  const stepped = candidates(fit).map((between): ModelInput => ({
    ...input,
    step: { ...between, sdDb: STEP_SD_DB },
  }))
  const byChance = Math.log(Math.max(1, (distances.size - 1) / FEW_GAPS))
  const sure = LN_SURE + byChance
  const best = likeliest(fit, stepped, sure)
  return best && best.ln >= sure ? best.s : null
}
