import { swrText } from '@/core/rf'
import { figureText, millimetreText } from '@/core/units'
import type { SweepBand } from '../sweep/advice'
import { swrDoubt } from '../sweep/calibration'
import { passBand, usableWidths, type PassBand } from '../sweep/passBand'
import { ownQuality, resonances, tooLongM, type Resonance } from '../sweep/resonance'
import { atAntenna, highestSeen } from '../line/throughLead'
import { swrOfSize, type Sweep } from '../sweep/sweep'
import type { SweepsApart } from '../sweep/repeats'

/** What a sweep is judged by. */
export interface SweepLimits {
  band: SweepBand
  limitSwr: number
  /** Of the part that is trimmed, m; null where nobody said. */
  lengthM: number | null
  /** Least return loss of the load measured again after calibrating, dB; null of a sweep that nobody calibrated here. */
  loadAgainDb: number | null
  /** What a lead between analyser and antenna takes one way, dB; null where there is none. */
  leadDb: number | null
}

export interface SweepSaid {
  verdict: 'passes' | 'fails' | 'cannot tell'
  /** The answer, in one sentence. */
  headline: string
  /** What else is worth knowing, the most important first. */
  more: string[]
  pass: PassBand
  own: Resonance | null
}

/** A frequency to a tenth of a megahertz below 1 GHz. */
export const mhzText = (f: number) => `${figureText(f, f < 30 ? 3 : f < 1000 ? 1 : 0)} MHz`
/** A difference of frequencies. */
const widthText = (f: number) => `${figureText(f, f < 1 ? 3 : f < 10 ? 2 : 1)} MHz`
const range = (b: SweepBand) => `${mhzText(b.fromMHz).replace(' MHz', '')} to ${mhzText(b.toMHz)}`
/** A band as somebody typed it. */
const bandText = (b: SweepBand) => `${Number(b.fromMHz.toFixed(4))} to ${Number(b.toMHz.toFixed(4))} MHz`
/** A limit as somebody typed it: 2, 1.5. */
const limitText = (swr: number) => String(Number(swr.toFixed(2)))
const dbText = (db: number) => `${figureText(Math.min(99, db))} dB`

/** What the whole of a sweep says about its antenna in its band, in words. */
export function sweepSaid(s: Sweep, limits: SweepLimits): SweepSaid {
  const { band, limitSwr } = limits
  const pass = passBand(s, band, limitSwr)
  const all = resonances(s, band)
  const own = all.find((r) => r.own) ?? null
  const doubt = limits.loadAgainDb === null ? null : swrDoubt(pass.worst.swr, limits.loadAgainDb)
  const open = doubt !== null && doubt.low <= limitSwr && doubt.high > limitSwr
  return {
    verdict: open ? 'cannot tell' : pass.passes ? 'passes' : 'fails',
    headline: headlineOf(pass, limits, open, doubt),
    more: [
      ...harmSaid(pass),
      ...edgesSaid(pass, band, limitSwr),
      ...trimSaid(own, limits),
      ...widthSaid(s, own),
      ...leadSaid(pass, limits),
      ...othersSaid(all, band),
      ...worthSaid(pass, limits),
    ],
    pass,
    own,
  }
}

function headlineOf(
  pass: PassBand,
  { band, limitSwr }: SweepLimits,
  open: boolean,
  doubt: { low: number; high: number } | null,
): string {
  const worst = `${swrText(pass.worst.swr)} at ${mhzText(pass.worst.frequencyMHz)}`
  if (open)
    return `Cannot tell: the SWR is ${worst}, and the calibration leaves ${swrText(doubt!.low)} to ${swrText(doubt!.high)}; the limit is ${limitText(limitSwr)}.`
  if (pass.passes)
    return `Passes: SWR ${limitText(limitSwr)} or better all over ${bandText(band)}; the worst is ${worst}, ${dbText(pass.marginDb.worst)} to spare.`
  return pass.worst.swr <= limitSwr
    ? `Not shown: part of the band was not swept. What was is within SWR ${limitText(limitSwr)}.`
    : `Fails: the SWR is ${worst}; ${limitText(limitSwr)} is the limit.`
}

/** A match that endangers a radio. */
const HARMS_SWR = 3

const harmSaid = ({ worst }: PassBand): string[] =>
  worst.swr > HARMS_SWR
    ? ['Do not transmit into it as it is: what comes back can destroy the final stage. Mend the match first.']
    : []

function edgesSaid({ own }: PassBand, band: SweepBand, limitSwr: number): string[] {
  if (!own) return [`SWR ${limitText(limitSwr)} is met nowhere in the band.`]
  const below = band.fromMHz - own.fromMHz
  const above = own.toMHz - band.toMHz
  const edge = (past: number, side: 'below' | 'above', open: boolean) => {
    const inside = side === 'below' ? 'inside its lower end' : 'inside its upper end'
    if (past < 0) return `${widthText(-past)} ${inside}`
    return `${open ? 'at least ' : ''}${widthText(past)} ${side} it`
  }
  return [
    `The limit is met from ${range(own)}: from ${edge(below, 'below', own.openBelow)} to ${edge(above, 'above', own.openAbove)}.`,
  ]
}

/** Below this a trim is nothing that anybody cuts, m. */
const LEAST_TRIM_M = 5e-4

function trimSaid(own: Resonance | null, { band, lengthM }: SweepLimits): string[] {
  const middle = (band.fromMHz + band.toMHz) / 2
  if (!own) return ['There is no resonance in what was swept.']
  const at = own.at.frequencyMHz
  const where = `Its best match is at ${mhzText(at)}, ${dbText(own.at.returnLossDb)}`
  const off = at - middle
  if (at >= band.fromMHz && at <= band.toMHz) return [`${where}: inside the band.`]
  const way = off < 0 ? 'too long' : 'too short'
  if (lengthM === null)
    return [
      `${where}, ${widthText(Math.abs(off))} ${off < 0 ? 'below' : 'above'} the middle of the band: ${way}.`,
    ]
  const trim = tooLongM(lengthM, at, middle)
  if (Math.abs(trim) < LEAST_TRIM_M) return [`${where}.`]
  return [
    `${where}: ${millimetreText(Math.abs(trim))} ${way} for the middle of the band. ${trim > 0 ? 'Take half of it off first, and sweep again.' : 'Nothing can be cut on to it: lengthen it, or load it.'}`,
  ]
}

/** A resonance of a quality above this is narrow enough to say so. */
const NARROW = 40

function widthSaid(s: Sweep, own: Resonance | null): string[] {
  if (!own) return []
  const widths = usableWidths(s, own.at.frequencyMHz).flatMap(({ swr, stretch }) =>
    stretch
      ? [
          `${stretch.openBelow || stretch.openAbove ? 'at least ' : ''}${widthText(stretch.toMHz - stretch.fromMHz)} at SWR ${limitText(swr)}`,
        ]
      : [],
  )
  const quality = ownQuality(s, own)
  if (widths.length === 0) return []
  const q =
    quality === null
      ? ''
      : ` Q is ${figureText(quality, 0)}${quality > NARROW ? ': deep but narrow, so a hand or rain moves it out' : ''}.`
  return [`Usable width ${widths.join(', ')}.${q}`]
}

/** What a lead between hides. */
function leadSaid({ worst }: PassBand, { leadDb, limitSwr }: SweepLimits): string[] {
  if (leadDb === null || leadDb <= 0) return []
  const at = atAntenna(worst.returnLossDb, leadDb)
  const most = highestSeen(leadDb)
  const flat =
    most < limitSwr
      ? [
          `Through ${dbText(leadDb)} of lead no SWR above ${swrText(most)} is ever seen, so this limit says nothing: measure at the antenna.`,
        ]
      : []
  if (!at)
    return [
      ...flat,
      `${dbText(leadDb)} is more than this lead can take: less came back than it alone would let through.`,
    ]
  return [
    ...flat,
    `Through ${dbText(leadDb)} of lead the antenna itself stands at SWR ${swrText(swrOfSize(at.size))} where it is worst.`,
  ]
}

function othersSaid(all: readonly Resonance[], band: SweepBand): string[] {
  const others = all.filter(
    (r) => !r.own && r.at.swr < 3 && (r.at.frequencyMHz < band.fromMHz || r.at.frequencyMHz > band.toMHz),
  )
  if (others.length === 0) return []
  return [
    `It matches at ${others.map((r) => mhzText(r.at.frequencyMHz)).join(' and ')} too. That is no leave to transmit there, and no proof that it radiates.`,
  ]
}

/** What the figures are worth. */
function worthSaid(pass: PassBand, { loadAgainDb }: SweepLimits): string[] {
  if (loadAgainDb === null) return ['Not calibrated here: what lead and port add is in these figures.']
  const { low, high } = swrDoubt(Math.min(pass.worst.swr, 10), loadAgainDb)
  return [
    `The load came back at ${dbText(loadAgainDb)} after calibrating, so an SWR of ${swrText(Math.min(pass.worst.swr, 10))} is between ${swrText(low)} and ${swrText(high)}.`,
  ]
}

/** What two set-ups of one antenna differ by, in a sentence. */
export function apartSaid(a: string, b: string, d: SweepsApart): string {
  const where = `at ${mhzText(d.most.frequencyMHz)} ${dbText(d.most.aDb)} and ${dbText(d.most.bDb)}`
  if (d.repeats === null)
    return `Cannot tell: “${a}” and “${b}” lie apart (${where}), but nothing was swept twice. Take the plug off, put it on and sweep again, each of them.`
  if (d.verdict === 'cannot tell')
    return `Cannot tell: “${a}” and “${b}” lie no farther apart than the sweeps repeat.`
  return `“${a}” and “${b}” differ by more than the sweeps repeat: most ${where}.`
}
