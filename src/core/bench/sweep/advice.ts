import type { Problem } from '@/core/outcome'
import { problem } from '@/core/outcome'
import type { Sweep } from './sweep'

export interface SweepBand {
  fromMHz: number
  toMHz: number
}

/** Points inside the band below which an edge could hide between two of them. */
const FEWEST_IN_BAND = 11
const WANTED_IN_BAND = 21
const [FEWEST, MOST] = [101, 1601]

/** A round step of frequency, MHz, not above the one wanted: 1, 2 or 5 of a decade. */
function roundStep(wanted: number): number {
  const decade = 10 ** Math.floor(Math.log10(wanted))
  const lead = [5, 2, 1].find((n) => n * decade <= wanted * (1 + 1e-9)) ?? 1
  return lead * decade
}

/**
 * Where to start and stop and with how many points: the band and as much again on each side, a tenth of its middle at
 * the least, so that a resonance beside the band is seen; enough points that an edge lies well between two.
 * @param band above 0, from below to
 * @example adviseSpan({ fromMHz: 430, toMHz: 440 }) // 380 to 490 MHz
 */
export function adviseSpan(band: SweepBand): {
  fromMHz: number
  toMHz: number
  points: number
  stepMHz: number
} {
  const middle = (band.fromMHz + band.toMHz) / 2
  const width = band.toMHz - band.fromMHz
  const beside = Math.max(width, middle * 0.1)
  const round = roundStep(beside / 4)
  const below = Math.floor((band.fromMHz - beside) / round) * round
  const fromMHz = Number((below > 0 ? below : Number((band.fromMHz / 2).toPrecision(1))).toPrecision(9))
  const toMHz = Number((Math.ceil((band.toMHz + beside) / round) * round).toPrecision(9))
  const wanted = Math.ceil((toMHz - fromMHz) / (width / WANTED_IN_BAND)) + 1
  const points = Math.min(MOST, Math.max(FEWEST, Math.ceil((wanted - 1) / 100) * 100 + 1))
  return { fromMHz, toMHz, points, stepMHz: (toMHz - fromMHz) / (points - 1) }
}

/** What is wrong with a span that somebody typed; empty where it will do. */
export function spanProblems(
  span: { fromMHz: number; toMHz: number; points: number },
  band: SweepBand,
): Problem[] {
  const said: Problem[] = []
  const { fromMHz, toMHz, points } = span
  const advice = adviseSpan(band)
  if (!(toMHz > fromMHz)) return [problem('span', 'stop', 'The stop frequency must be above the start.')]
  if (fromMHz > band.fromMHz || toMHz < band.toMHz)
    said.push(
      problem(
        'span-misses',
        'start',
        `The span leaves out part of the band ${band.fromMHz} to ${band.toMHz} MHz. Sweep from ${advice.fromMHz} to ${advice.toMHz} MHz.`,
      ),
    )
  const inBand = Math.floor(((band.toMHz - band.fromMHz) / (toMHz - fromMHz)) * (points - 1)) + 1
  if (inBand < FEWEST_IN_BAND)
    said.push(
      problem(
        'few-points',
        'points',
        `Only ${inBand} of ${points} points lie in the band: an edge could hide between two. Take a narrower span, or ${advice.points} points.`,
      ),
    )
  return said
}

/** What is wrong with a sweep as it came in, or worth knowing; `stops` where nothing can be read from it. */
export interface SweepFault extends Problem {
  stops: boolean
}

/** Above this a passive antenna cannot send back: it is the calibration, or noise. */
const TOO_LARGE = 1.02

/** What can be wrong with a measured or a read sweep. @param band null where nobody said which */
export function sweepFaults(s: Sweep, band: SweepBand | null): SweepFault[] {
  const said: SweepFault[] = []
  const add = (stops: boolean, code: string, where: string, message: string) =>
    said.push({ ...problem(code, where, message), stops })
  const n = s.frequencyMHz.length
  const broken = s.re.findIndex((v, i) => !Number.isFinite(v) || !Number.isFinite(s.im[i]!))
  if (broken >= 0)
    add(true, 'no-number', `point ${broken + 1}`, `Point ${broken + 1} is no number. Sweep again.`)
  if (n < 2) {
    add(true, 'too-few', 'sweep', 'A sweep needs two points at least.')
    return said
  }
  const back = s.frequencyMHz.findIndex((f, i) => i > 0 && !(f > s.frequencyMHz[i - 1]!))
  if (back >= 0) add(true, 'order', `point ${back + 1}`, `The frequency does not rise at point ${back + 1}.`)
  const over = s.re.filter((v, i) => Math.hypot(v, s.im[i]!) > TOO_LARGE).length
  if (over > 0)
    add(
      false,
      'more-than-all',
      'sweep',
      `At ${over} of ${n} points more comes back than went out. No antenna does that: calibrate again.`,
    )
  if (!band) return said
  const [low, high] = [s.frequencyMHz[0]!, s.frequencyMHz[n - 1]!]
  if (high < band.fromMHz || low > band.toMHz)
    add(
      true,
      'span-misses',
      'sweep',
      `The sweep goes from ${low} to ${high} MHz and has nothing of the band ${band.fromMHz} to ${band.toMHz} MHz.`,
    )
  else if (low > band.fromMHz || high < band.toMHz)
    add(
      false,
      'span-short',
      'sweep',
      `The sweep goes from ${low} to ${high} MHz; part of the band ${band.fromMHz} to ${band.toMHz} MHz was not measured.`,
    )
  const inBand = s.frequencyMHz.filter((f) => f >= band.fromMHz && f <= band.toMHz).length
  if (inBand < FEWEST_IN_BAND && high >= band.fromMHz && low <= band.toMHz)
    add(
      false,
      'few-points',
      'sweep',
      `${inBand === 0 ? 'No point lies' : `Only ${inBand} points lie`} in the band: an edge could hide between two of them.`,
    )
  return said
}
