import { dbOfDistanceRatio } from '@/core/rf'
import type { PartOf, PowerSetting } from '../parts/part'

/** How much attenuation brings an edge to a distance, and what makes it. */
export interface AttenuatorPick {
  /** Attenuation that the slope asks for, dB. */
  wantedDb: number
  /** Owned attenuators together nearest to it, each once as often as owned. */
  parts: { partId: string; name: string; db: number; ratingW: number }[]
  /** Nominal sum, dB. */
  sumDb: number
  /** What is left of it with what leaks round it, dB. */
  effectiveDb: number
  /** Where the edge is to be expected with it, m. */
  edgeM: number
  /** Instead: settings of the radio that lower the power, dB below the present. */
  settings: { name: string; db: number; edgeM: number }[]
  /** Positions of the power switch whose size nobody knows. */
  unknownSettings: string[]
  notes: string[]
}

/** Typical: how far the signal goes round an attenuator through a handheld's case and a single-braided lead, dB. */
export const USUAL_LEAKAGE_DB = 40
/** More parts in a row than this are not tried. */
const MAX = 4

/** Attenuation with leakage beside it: the powers of both ways add. */
export function withLeakage(attenuationDb: number, leakageDb: number): number {
  return -10 * Math.log10(10 ** (-attenuationDb / 10) + 10 ** (-leakageDb / 10))
}

/**
 * Picks attenuation that moves the edge of a link to a distance: A = 10 n lg(edge/wanted).
 * @param at.edgeM where the edge is now or is expected, above 0 m
 * @param at.wantedM where it is to be, above 0 and below edgeM
 * @param at.slope n of the ground: 2 in free space, about 4 near the ground, or measured
 * @param at.sits where the attenuator sits; in the receive side it weakens only while the receiver's own noise rules
 * @throws RangeError where the distances are not as said
 */
export function pickAttenuator(at: {
  edgeM: number
  wantedM: number
  slope: number
  powerW: number
  owned: readonly PartOf<'attenuator'>[]
  powers: readonly PowerSetting[]
  leakageDb?: number
  sits: 'both ways' | 'transmit' | 'receive'
}): AttenuatorPick {
  const { edgeM, wantedM, slope, powerW, owned, powers, leakageDb = USUAL_LEAKAGE_DB, sits } = at
  if (!(edgeM > 0 && wantedM > 0)) throw new RangeError('distances must be above 0')
  if (wantedM >= edgeM) throw new RangeError('the edge is inside already: no attenuation is needed')
  const wantedDb = dbOfDistanceRatio(edgeM / wantedM, slope)
  const edge = (db: number) => edgeM / 10 ** (db / (10 * slope))
  const pool = owned.flatMap((p) => Array.from({ length: Math.min(p.owned, MAX) }, () => p))
  const rated = sits === 'receive' ? pool : pool.filter((p) => p.spec.ratingW >= powerW)
  const best = nearestSum(rated, wantedDb)
  const sumDb = best.reduce((s, p) => s + p.spec.db, 0)
  const leak = Math.min(leakageDb, ...best.map((p) => p.spec.shieldingDb ?? Infinity))
  const effectiveDb = best.length === 0 ? 0 : withLeakage(sumDb, leak)
  return {
    wantedDb,
    parts: best.map((p) => ({ partId: p.id, name: p.name, db: p.spec.db, ratingW: p.spec.ratingW })),
    sumDb,
    effectiveDb,
    edgeM: edge(effectiveDb),
    settings: powers
      .filter((p) => p.powerW !== null && p.powerW < powerW)
      .map((p) => ({ name: p.name, db: 10 * Math.log10(powerW / p.powerW!) }))
      .map((s) => ({ ...s, edgeM: edge(s.db) })),
    unknownSettings: powers.filter((p) => p.powerW === null).map((p) => p.name),
    notes: notesOf(at, pool.length - rated.length, sumDb, effectiveDb),
  }
}

/**
 * Power before an attenuator in a row is the full power at the first and less behind it; all are rated for
 * the full here.
 */
function nearestSum(pool: readonly PartOf<'attenuator'>[], wantedDb: number): PartOf<'attenuator'>[] {
  let best: PartOf<'attenuator'>[] = []
  let bestMiss = wantedDb
  const walk = (from: number, chosen: PartOf<'attenuator'>[], sum: number) => {
    const miss = Math.abs(sum - wantedDb)
    if (miss < bestMiss - 1e-9 || (Math.abs(miss - bestMiss) < 1e-9 && chosen.length < best.length)) {
      best = chosen
      bestMiss = miss
    }
    if (chosen.length === MAX) return
    for (let i = from; i < pool.length; i++) walk(i + 1, [...chosen, pool[i]!], sum + pool[i]!.spec.db)
  }
  walk(0, [], 0)
  return best
}

function notesOf(
  at: Parameters<typeof pickAttenuator>[0],
  tooSmall: number,
  sumDb: number,
  effectiveDb: number,
): string[] {
  const notes: string[] = []
  if (tooSmall > 0)
    notes.push(
      `${tooSmall} of your attenuators ${tooSmall === 1 ? 'is' : 'are'} not rated for ${at.powerW} W and left out: a small one burns or fails open.`,
    )
  if (sumDb - effectiveDb > 0.5)
    notes.push(
      `Of ${sumDb.toFixed(0)} dB only ${effectiveDb.toFixed(1)} dB count: the rest goes round it through case and lead.`,
    )
  notes.push(
    at.sits === 'both ways'
      ? 'Between radio and antenna it weakens both directions: what is sent, and what is heard while the receiver’s own noise rules. Where noise from outside rules, receiving hardly changes.'
      : at.sits === 'transmit'
        ? 'In the transmit side it weakens only the direction that this end sends.'
        : 'In the receive side it weakens what this end hears, as far as the receiver’s own noise rules over noise from outside.',
  )
  if (at.powers.some((p) => p.powerW === null))
    notes.push('A reduced-power switch of unknown size is no attenuator: measure it, or leave it alone.')
  return notes
}
