import { andList, figureText } from '@/core/units'
import { distanceRatio } from '@/core/rf'
import { angleLosing, meanOffDb, type CosineFit, type PurposeVerdict, type Repeats } from '../turn'
import { beamDoubtDeg } from '../turn/beamDoubt'
import { mostHidden, type AtLeast, type Folded, type PatternFigures } from '../turn/pattern'

const db = (v: AtLeast) => `${v.atLeast ? 'at least ' : ''}${figureText(v.db)} dB`
const deg = (v: number) => `${figureText(v, 0)}°`

/** Falls by less all round, and the antenna does not point. */
const POINTS_DB = 3
/** Both sides differ by less, and folding hides nothing. */
const HIDES_DB = 2

/** How far the beam may be off, " (± 9°)"; empty where nothing was read twice. */
function beamDoubt(f: PatternFigures, repeats: Repeats | null): string {
  if (!repeats || !f.sharpness.beam) return ''
  return ` (± ${deg(beamDoubtDeg(meanOffDb(repeats), f.sharpness.beam))})`
}

/** What a pattern says, the answer first. @param repeats null where nothing was read twice */
export function patternSaid(
  f: PatternFigures,
  folds: readonly Folded[],
  repeats: Repeats | null,
): { headline: string; more: string[] } {
  const hidden = mostHidden(folds)
  const headline =
    f.beam3 === null || f.frontToBack.db < POINTS_DB
      ? `It hears much alike all round: the strongest at ${deg(f.peakDeg)}, ${db(f.frontToBack)} less behind.`
      : `Its beam is ${deg(f.beam3.widthDeg)} wide at −3 dB${beamDoubt(f, repeats)}, strongest at ${deg(f.peakDeg)}; behind it hears ${db(f.frontToBack)} less.`
  const more: string[] = []
  if (f.beam6) more.push(`At −6 dB the beam is ${deg(f.beam6.widthDeg)} wide.`)
  more.push(
    `The strongest of what lies behind is ${db(f.frontToRear)} down; to the sides ${db(f.frontToSide.left)} (left) and ${db(f.frontToSide.right)} (right).`,
  )
  if (f.nulls.length > 0)
    more.push(`Nulls at ${andList(f.nulls.map((n) => `${deg(n.angleDeg)} (${db(n.depth)} deep)`))}.`)
  const { beam, null: beside } = f.sharpness
  if (beam !== null && beside !== null && beside > beam)
    more.push(
      `A bearing is read best from a null: ${figureText(beside)} dB a degree beside it, ${figureText(beam, 2)} at the beam’s edge.`,
    )
  else if (beam !== null)
    more.push(
      `A bearing is read from the beam’s edges: ${figureText(beam, 2)} dB a degree there, next to nothing at the peak.`,
    )
  if (hidden.db >= HIDES_DB)
    more.push(
      `Folding hides ${figureText(hidden.db)} dB: ${deg(hidden.offDeg)} off the peak its ${hidden.stronger} side is the stronger. A body, a mast or a slope does that.`,
    )
  if (!repeats)
    more.push('Nothing was read twice, so nobody knows how well these figures repeat: turn it once more.')
  return { headline, more }
}

const PURPOSE: Record<
  PurposeVerdict['purpose'],
  { unit: string; better: (name: string, by: string) => string; none: string }
> = {
  'hears farther': {
    unit: ' dB',
    better: (n, by) => `${n} hears farther, by ${by}`,
    none: 'which hears farther',
  },
  'points sharper': {
    unit: '°',
    better: (n, by) => `${n} points sharper, by ${by}`,
    none: 'which points sharper',
  },
  'deeper null': {
    unit: ' dB',
    better: (n, by) => `${n} has the deeper null, by ${by}`,
    none: 'which has the deeper null',
  },
}

/** A verdict for a purpose, by the antennas' names. */
export function purposeSaid(v: PurposeVerdict, first: string, second: string): string {
  const words = PURPOSE[v.purpose]
  if (v.better === 'cannot tell') {
    const seen = v.by === null ? '' : ` (they lie ${figureText(Math.abs(v.by))}${words.unit} apart)`
    return `Cannot tell ${words.none}${seen}: ${v.why}.`
  }
  const off = v.off === null ? '' : ` (± ${figureText(v.off)}${words.unit})`
  return `${words.better(v.better === 'first' ? first : second, `${figureText(Math.abs(v.by ?? 0))}${words.unit}`)}${off}.`
}

/** What turning two linear antennas against each other costs, a row for each loss. */
export interface CrossedRow {
  lossDb: number
  /** Null where the isolation never lets it. */
  angleDeg: number | null
  /** What is left of the range, 0 to 1. */
  inFreeSpace: number
  nearGround: number
  /** On this ground's slope; null where nobody measured it. */
  here: number | null
}

/** @param slope of this ground, n of 10 n lg d; null where nobody measured it */
export const crossedRows = (fit: CosineFit, slope: number | null): CrossedRow[] =>
  [6, 12, 18].map((lossDb) => ({
    lossDb,
    angleDeg: angleLosing(lossDb, fit.isolationDb),
    inFreeSpace: distanceRatio(-lossDb, 2),
    nearGround: distanceRatio(-lossDb, 4),
    here: slope === null ? null : distanceRatio(-lossDb, slope),
  }))

/** The law lies farther off, and something else turned with the antenna, dB. */
const OFF_LAW_DB = 2

/** What turning costs, the answer first. */
export function crossedSaid(fit: CosineFit): { headline: string; more: string[] } {
  const isolation = `${fit.atLeast ? 'at least ' : ''}${figureText(fit.isolationDb)} dB`
  const more = [`They are aligned at ${deg(fit.alignedDeg)} as it was written down, by the levels.`]
  if (fit.offDb > OFF_LAW_DB)
    more.push(
      `The levels lie ${figureText(fit.offDb)} dB off the cosine law: turning it turned more than its polarisation (the pattern, the hand, a reflection).`,
    )
  if (fit.atLeast) more.push('The receiver’s floor hides how deep it goes: come nearer, or use more power.')
  return { headline: `Crossed, they lose ${isolation}; in between, the cosine law.`, more }
}
