import { ends, type Direction, type Link } from '@/core/kit/rig/rig'
import { planeEarthLoss } from '@/core/propagation/planeEarth'
import { eirpDbm } from '@/core/rf/levels'
import { seededRandom, type SeededRandom } from '@/core/stats/numeric/seededRandom'
import type { CheckBody } from '@/core/trial/entry'
import type { Mark, TrialPlan } from '@/core/trial/plan'
import { plannedChecks } from '@/core/trial/schedule'

/** The truth of a simulated field: what a trial in it has to find. */
export interface SimulatedField {
  seed: number
  /** True gain of each rig's antenna, dBi, by rig id. */
  gainDbi: Record<string, number>
  /** What a link is better by than its rigs' figures say, dB, by link id. */
  linkGainDb?: Record<string, number>
  /** All links have the heights of this one, so that nothing else differs. */
  lossOf?: Link
  /** Extra loss of this ground over plane earth, dB, and by how many dB a decade it grows beyond 1 km. */
  groundLossDb: number
  extraSlopeDb: number
  /**
   * Median loss over real ground, dB, by link and mark; null where the ground is not known and plane earth stands in.
   */
  overGround?: (link: Link, mark: Mark) => number | null
  /** Shadowing shared by all links and directions of a mark, dB, correlated along a leg over this distance. */
  shadowDb: number
  shadowM: number
  /** Mark-by-link effect, and fading from call to call, dB. */
  linkDb: number
  fadingDb: number
  /** Links whose mark-by-link effect is another, dB. */
  erraticDb?: Record<string, number>
  /** A level at which half of the calls are heard, dBm, and how soft that edge is, dB. */
  thresholdDbm: number
  softDb: number
  /** dB of one S-unit of both meters, and the level of S9, dBm. */
  meterStepDb: number
  s9Dbm: number
  /** Reports are read off a display in whole dBm, not off a meter; a meter where it is not said. */
  inDbm?: boolean
  /** Share of checks that nobody remembered to make, and of reports given in words. */
  forgotten: number
  inWords: number
  /** Most calls before giving up. */
  mostCalls: number
}

/** A field of a hilly shore at UHF, with ordinary meters and ordinary people. */
export const ORDINARY_FIELD: Omit<SimulatedField, 'seed' | 'gainDbi'> = {
  groundLossDb: 4,
  extraSlopeDb: 6,
  shadowDb: 6,
  shadowM: 400,
  linkDb: 2,
  fadingDb: 2.5,
  thresholdDbm: -116,
  softDb: 2.5,
  meterStepDb: 6,
  s9Dbm: -93,
  forgotten: 0.03,
  inWords: 0.1,
  mostCalls: 2,
}

/** Shadowing along each leg: a first-order autoregression, covariance σ² exp(-Δ/D). */
function shadowing(marks: readonly Mark[], field: SimulatedField, random: SeededRandom): Map<string, number> {
  const found = new Map<string, number>()
  const last = new Map<string, { at: number; value: number }>()
  for (const mark of marks) {
    const at = mark.alongM ?? mark.distanceM
    const before = last.get(mark.legId)
    const share = before ? Math.exp(-Math.abs(at - before.at) / field.shadowM) : 0
    const value =
      share * (before?.value ?? 0) + Math.sqrt(1 - share * share) * field.shadowDb * random.normal()
    last.set(mark.legId, { at, value })
    found.set(mark.id, value)
  }
  return found
}

/** Median level at the receiver, dBm, before shadowing. @param overGroundDb loss over real ground, if it is known */
export function medianLevel(
  link: Link,
  direction: Direction,
  distanceM: number,
  field: SimulatedField,
  overGroundDb: number | null = null,
): number {
  const { sender, receiver } = ends(link, direction)
  const gain = (id: string, known: number | null) => field.gainDbi[id] ?? known ?? 0
  const seen = field.lossOf ? ends(field.lossOf, direction) : { sender, receiver }
  return (
    eirpDbm(
      sender.powerW,
      gain(sender.id, sender.antennaGainDbi),
      (sender.leadLossDb ?? 0) + sender.attenuatorDb,
    ) +
    gain(receiver.id, receiver.antennaGainDbi) -
    (receiver.leadLossDb ?? 0) -
    (overGroundDb ??
      planeEarthLoss(
        sender.txMHz,
        distanceM / 1000,
        seen.sender.antennaHeightM,
        seen.receiver.antennaHeightM,
      )) +
    (field.linkGainDb?.[link.id] ?? 0) -
    field.groundLossDb -
    field.extraSlopeDb * Math.max(0, Math.log10(distanceM / 1000))
  )
}

function reportOf(level: number, field: SimulatedField, random: SeededRandom): string {
  if (field.inDbm) return `${Math.round(level)} dBm`
  const margin = level - field.thresholdDbm
  const readability = Math.max(1, Math.min(5, Math.round(margin / 5 + 1 + 0.5 * random.normal())))
  if (random.uniform() < field.inWords)
    return ['carrier only', 'broken', 'readable with difficulty', 'readable, some noise', 'loud and clear'][
      readability - 1
    ]!
  const over = level - field.s9Dbm
  const tens = Math.round(over / 10) * 10
  if (over >= 5) return `${readability} by 9+${Math.min(60, tens)}`
  const units = Math.max(0, Math.min(9, Math.round(9 + over / field.meterStepDb)))
  return `${readability} by ${units}`
}

/**
 * Carries out a plan in a simulated field: path loss, shadowing shared by a mark and correlated along a leg, a
 * mark-by-link effect, fading per call, coarse meters, a soft threshold, retries, forgotten checks, reports in words.
 * @param upTo share of the plan that is carried out, 0 to 1
 * @returns checks in the order they were made
 */
export function simulateRun(plan: TrialPlan, field: SimulatedField, upTo = 1): CheckBody[] {
  const random = seededRandom(field.seed)
  const shadow = shadowing(plan.marks, field, random)
  const own = new Map<string, number>()
  const planned = plannedChecks(plan)
  const checks: CheckBody[] = []
  for (const { mark, linkId, markId, direction, repeat } of planned.slice(
    0,
    Math.round(planned.length * upTo),
  )) {
    const link = plan.links.find((l) => l.id === linkId)!
    const key = `${markId}|${linkId}`
    if (!own.has(key)) own.set(key, (field.erraticDb?.[linkId] ?? field.linkDb) * random.normal())
    if (random.uniform() < field.forgotten) continue
    const median =
      medianLevel(link, direction, mark.distanceM, field, field.overGround?.(link, mark) ?? null) +
      shadow.get(markId)! +
      own.get(key)!
    let calls = 0
    let level = -Infinity
    let heard = false
    while (!heard && calls < field.mostCalls) {
      calls++
      level = median + field.fadingDb * random.normal()
      heard = level + field.softDb * random.normal() > field.thresholdDbm
    }
    const text = heard ? reportOf(level, field, random) : 'not heard'
    checks.push({ linkId, markId, direction, repeat, text, calls, remark: '', state: 'graded' })
  }
  return checks
}
