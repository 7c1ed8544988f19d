// Simulated days on which what is said is held against what is true. The simulator stands apart from the model
// that judges them: its own skeleton, its own words, and what the model does not know of (ridges, lapses, drift,
// favourite figures, rigs swapped at a mark).
import { checkOf, link, plan, rig } from '../src/core/testing/plans'
import { defaultScale, type Scale } from '../src/core/reports'
import { normalCdf, seededRandom, type SeededRandom } from '../src/core/stats'
import { asLogged, plannedChecks, type LoggedCheck, type TrialPlan } from '../src/core/trial'

export interface DayShape {
  name: string
  marks: number
  spacingM: number
  repeats?: number
  oneWay?: boolean
  links?: number
  /** Level falls by 10 n dB a decade; beyond a distance by another. */
  slope?: number
  bend?: { atM: number; slope: number }
  /** Loss of all marks beyond a distance, dB. */
  ridge?: { atM: number; db: number }
  shadowDb?: number
  shadowM?: number
  /** Spread of one link against another at a mark, dB; two figures are A's and all others'. */
  ownDb?: number | readonly [a: number, others: number]
  fading?: 'normal' | 'heavy' | 'rayleigh'
  fadingDb?: number
  /** Share of first calls missed whatever the level. */
  lapse?: number
  /** dB an hour that the base's listener drifts by. */
  driftDb?: number
  /** Of meter figures, the share given as the favourite neighbour (7 and 9). */
  favourite?: number
  /** Rigs are taken for one another at one mark. */
  swapped?: boolean
  /** Share of checks forgotten; of those that would be weak, the share left out besides. */
  forgotten?: number
  weakLeftOut?: number
  inWords?: number
  says?: 'readability and strength' | 'dBm' | 'words' | 'bare digits' | 'heard or not'
  /** All marks are one, and each time round rigs are connected anew. */
  onePlace?: boolean
  meterStepDb?: number
  /** Counts as an ordinary shape, or as one that the model is not made for. */
  misfit?: boolean
  /** True difference's spread, dB; links but A and B have it too. */
  gainDb?: number
}

export const DAY_SHAPES: DayShape[] = [
  { name: 'six marks', marks: 6, spacingM: 500 },
  { name: 'six marks, four repeats', marks: 6, spacingM: 500, repeats: 4 },
  { name: 'twelve marks', marks: 12, spacingM: 350 },
  { name: 'twelve marks, one direction', marks: 12, spacingM: 350, oneWay: true },
  { name: 'thirty marks', marks: 30, spacingM: 150 },
  { name: 'many lost far out, one direction', marks: 14, spacingM: 700, oneWay: true },
  { name: 'three links', marks: 12, spacingM: 350, links: 3 },
  { name: 'half in words', marks: 18, spacingM: 250, inWords: 0.5 },
  { name: 'a display in dBm', marks: 12, spacingM: 350, says: 'dBm' },
  { name: 'words only', marks: 16, spacingM: 300, says: 'words' },
  { name: 'small spreads', marks: 14, spacingM: 300, ownDb: 0.5, fadingDb: 0.8 },
  { name: 'large spreads', marks: 14, spacingM: 300, ownDb: 4, fadingDb: 4.5 },
  { name: 'a gentle slope', marks: 14, spacingM: 600, slope: 2.8 },
  { name: 'a steep slope', marks: 14, spacingM: 200, slope: 5.8 },
  { name: '8 marks, 12 readings in dBm', marks: 8, spacingM: 400, says: 'dBm', repeats: 12 },
  { name: '8 marks, 30 readings in dBm', marks: 8, spacingM: 400, says: 'dBm', repeats: 30 },
  { name: 'ground shared over 1.5 km', marks: 20, spacingM: 200, shadowDb: 8, shadowM: 1500, misfit: true },
  { name: 'first calls missed', marks: 14, spacingM: 300, lapse: 0.08, misfit: true },
  { name: 'heavy tails', marks: 14, spacingM: 300, fading: 'heavy', misfit: true },
  { name: 'Rayleigh fading', marks: 14, spacingM: 300, fading: 'rayleigh', misfit: true },
  { name: 'rigs swapped at a mark', marks: 14, spacingM: 300, swapped: true, misfit: true },
  { name: 'favourite figures', marks: 14, spacingM: 300, favourite: 0.7, misfit: true },
  { name: 'weak checks left out', marks: 16, spacingM: 350, weakLeftOut: 0.5, misfit: true },
  { name: 'a ridge half-way', marks: 14, spacingM: 300, ridge: { atM: 2300, db: 22 }, misfit: true },
  {
    name: 'the slope breaks',
    marks: 14,
    spacingM: 300,
    slope: 2.2,
    bend: { atM: 1500, slope: 6 },
    misfit: true,
  },
  { name: 'a listener who drifts', marks: 16, spacingM: 300, driftDb: 1.5, misfit: true },
  { name: 'one link erratic', marks: 14, spacingM: 300, ownDb: [6, 1], misfit: true },
  { name: 'bare digits', marks: 16, spacingM: 300, says: 'bare digits', misfit: true },
  { name: 'one place, twelve times round', marks: 1, spacingM: 0, repeats: 12, onePlace: true, misfit: true },
  { name: 'heard or not, no more', marks: 24, spacingM: 300, says: 'heard or not', misfit: true },
]

const READABILITY = [
  'carrier only',
  'broken',
  'readable with difficulty',
  'readable, some noise',
  'loud and clear',
]
const FIRST_M = 400
const AT_1_KM_DB = -88
/** Where a call is heard, dB, and how far apart the steps of readability stand above it. */
const FIRST_CUT_DB = -112
export const CUT_APART_DB = 4.5
/** Of bare digits, how many one dB is; the first is where a call is heard. */
export const DIGITS_A_DB = 2
const CUT_SOFT_DB = 1.5
const S9_DB = -93
/** The base is heard so much stronger: its greater power. */
const BASE_OVER_DB = 10 * Math.log10(25 / 2)
const CALLS = 2
const CHECK_MINUTES = 1

/** A day, its plan, and what is true of it. */
export interface Day {
  plan: TrialPlan
  checks: LoggedCheck[]
  /** Gains by link, dB. */
  gainDb: number[]
  /** lg of the true reach in m: where a copy by the plan's rule is had with chance p, over ground like this. */
  lgReach: (link: number, scope: 'to base' | 'from base' | 'both', p: number) => number
}

function scaleOf(shape: DayShape): Scale {
  switch (shape.says ?? 'readability and strength') {
    case 'dBm':
      return defaultScale('level')
    case 'words':
      return defaultScale('readability')
    case 'bare digits':
      return defaultScale('bare')
    case 'heard or not':
      return defaultScale('heard')
    default:
      return defaultScale('readability-strength')
  }
}

/** Median level without place and call, dB. */
function medianDb(shape: DayShape, distanceM: number): number {
  const { slope = 3.8, bend, ridge } = shape
  const near = bend ? Math.min(distanceM, bend.atM) : distanceM
  const far = bend && distanceM > bend.atM ? 10 * bend.slope * Math.log10(distanceM / bend.atM) : 0
  return (
    AT_1_KM_DB - 10 * slope * Math.log10(near / 1000) - far - (ridge && distanceM > ridge.atM ? ridge.db : 0)
  )
}

const ownOf = ({ ownDb = 2 }: DayShape, link: number) =>
  typeof ownDb === 'number' ? ownDb : ownDb[link === 0 ? 0 : 1]

function fadingOf(shape: DayShape, random: SeededRandom): number {
  const { fading = 'normal', fadingDb = 2.5 } = shape
  if (fading === 'rayleigh') return 10 * Math.log10(-Math.log(random.uniform())) + 1.59
  if (fading === 'normal') return fadingDb * random.normal()
  // Student's t with three degrees of freedom.
  let chi = 0
  for (let i = 0; i < 3; i++) chi += random.normal() ** 2
  return (fadingDb * random.normal()) / Math.sqrt(chi / 3)
}

function textOf(shape: DayShape, level: number, readability: number, random: SeededRandom): string {
  const says = shape.says ?? 'readability and strength'
  if (says === 'dBm') return `${Math.round(level)} dBm`
  const words = READABILITY[readability - 1]!
  if (says === 'words') return words
  if (says === 'heard or not') return 'heard'
  if (says === 'bare digits')
    return `${Math.max(0, Math.min(100, Math.round((level - FIRST_CUT_DB) * DIGITS_A_DB)))}`
  if (random.uniform() < (shape.inWords ?? 0.1)) return words
  const over = level - S9_DB
  if (over >= 5) return `${readability} by 9+${Math.min(60, Math.round(over / 10) * 10)}`
  let units = Math.max(1, Math.min(9, Math.round(9 + over / (shape.meterStepDb ?? 6))))
  if ((units === 6 || units === 8) && random.uniform() < (shape.favourite ?? 0)) units++
  return `${readability} by ${units}`
}

/** @param equal A and B are alike */
export function dayOf(shape: DayShape, seed: number, equal: boolean): Day {
  const random = seededRandom(seed * 6007 + 15485863)
  const links = Array.from({ length: shape.links ?? 2 }, (_, i) => link(rig('ABCDEFGH'[i]!)))
  const usual = plan(links, shape.marks, scaleOf(shape), shape.repeats ?? 1)
  const tried: TrialPlan = {
    ...usual,
    marks: usual.marks.map((m, i) => {
      const distanceM = FIRST_M + i * shape.spacingM
      return { ...m, distanceM, alongM: distanceM }
    }),
    directions: shape.oneWay ? ['to base'] : ['to base', 'from base'],
    order: { scheme: 'balanced', seed },
  }
  const gainDb = links.map((_, i) =>
    i === 1 ? 0 : i === 0 && equal ? 0 : (shape.gainDb ?? 4) * random.normal(),
  )
  const { shadowDb = 6, shadowM = 400 } = shape
  const r = Math.exp(-shape.spacingM / shadowM)
  let before = 0
  const shadow = tried.marks.map((_, i) => {
    before = (i === 0 ? 0 : r * before) + shadowDb * random.normal() * (i === 0 ? 1 : Math.sqrt(1 - r * r))
    return before
  })
  const own = tried.marks.map(() => links.map((_, l) => ownOf(shape, l) * random.normal()))
  const rounds = Array.from({ length: shape.onePlace ? tried.repeats : 0 }, () =>
    links.map((_, l) => ownOf(shape, l) * random.normal()),
  )
  const wrongMark = shape.swapped ? 1 + random.below(shape.marks - 2) : -1
  const checks = plannedChecks(tried).flatMap((planned, n): LoggedCheck[] => {
    const m = tried.marks.findIndex((x) => x.id === planned.markId)
    const said = links.findIndex((l) => l.id === planned.linkId)
    const l = m === wrongMark && said < 2 ? 1 - said : said
    const toBase = planned.direction === 'to base'
    const hours = (n * CHECK_MINUTES) / 60
    const median =
      medianDb(shape, tried.marks[m]!.distanceM) +
      (toBase ? 0 : BASE_OVER_DB) +
      gainDb[l]! +
      shadow[m]! +
      (rounds[planned.repeat - 1] ?? own[m]!)[l]! +
      (toBase ? (shape.driftDb ?? 0) * hours : 0)
    if (random.uniform() < (shape.forgotten ?? 0.03)) return []
    let [calls, level, heard] = [0, 0, false]
    while (!heard && calls < CALLS) {
      calls++
      level = median + fadingOf(shape, random)
      heard = level + CUT_SOFT_DB * random.normal() > FIRST_CUT_DB
      if (calls === 1 && random.uniform() < (shape.lapse ?? 0)) heard = false
    }
    const over = level + CUT_SOFT_DB * random.normal() - FIRST_CUT_DB
    const readability = Math.max(1, Math.min(5, 1 + Math.floor(over / CUT_APART_DB)))
    if ((!heard || readability < 3) && random.uniform() < (shape.weakLeftOut ?? 0)) return []
    const text = heard ? textOf(shape, level, readability, random) : 'not heard'
    const body = checkOf(planned.markId, planned.linkId, text, {
      direction: planned.direction,
      repeat: planned.repeat,
      calls,
    })
    const time = new Date(Date.UTC(2026, 4, 16, 8) + hours * 3_600_000).toISOString()
    return [asLogged(body, { id: `c${n}`, time, device: 'simulated', role: 'out there' })]
  })
  return { plan: tried, checks, gainDb, lgReach: (l, scope, p) => lgReachOf(shape, gainDb[l]!, l, scope, p) }
}

/**
 * The chance of readability 3 or better, or of being heard, in two calls at one place whose median is known, dB over
 * the first cut.
 */
function copyAt(over: number, fades: Float64Array, heardWillDo: boolean): number {
  let [copied, silent] = [0, 0]
  for (const e of fades) {
    const z = over + e
    const heard = normalCdf(z / CUT_SOFT_DB)
    copied += heard * (heardWillDo ? 1 : normalCdf((z - 2 * CUT_APART_DB) / CUT_SOFT_DB))
    silent += 1 - heard
  }
  const n = fades.length
  return (copied / n) * (1 + silent / n)
}

const known = new Map<DayShape, Float64Array>()

/** The chance of a copy by level over the first cut, in tenths of a dB from -60 to 90. */
function copyTable(shape: DayShape): Float64Array {
  const made = known.get(shape)
  if (made) return made
  const random = seededRandom(77)
  const fades = Float64Array.from({ length: 4000 }, () => fadingOf(shape, random))
  const coarse = Array.from({ length: 301 }, (_, i) =>
    copyAt(i / 2 - 60, fades, shape.says === 'heard or not'),
  )
  const table = Float64Array.from({ length: 1501 }, (_, i) => {
    const k = Math.min(299, Math.floor(i / 5))
    const t = i / 5 - k
    return coarse[k]! + t * (coarse[k + 1]! - coarse[k]!)
  })
  known.set(shape, table)
  return table
}

function lgReachOf(
  shape: DayShape,
  gain: number,
  link: number,
  scope: 'to base' | 'from base' | 'both',
  p: number,
): number {
  const table = copyTable(shape)
  const place = Math.hypot(shape.shadowDb ?? 6, ownOf(shape, link))
  const read = (over: number) => table[Math.max(0, Math.min(1500, Math.round((over + 60) * 10)))]!
  const chance = (lg: number) => {
    const over = medianDb(shape, 10 ** lg) + gain - FIRST_CUT_DB
    let [sum, total] = [0, 0]
    for (let z = -4; z <= 4; z += 0.1) {
      const w = Math.exp(-0.5 * z * z)
      const at = over + place * z
      const [back, out] = [read(at), read(at + BASE_OVER_DB)]
      sum += w * (scope === 'to base' ? back : scope === 'from base' ? out : back * out)
      total += w
    }
    return sum / total
  }
  let [low, high] = [0, 6]
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (chance(middle) > p) low = middle
    else high = middle
  }
  return (low + high) / 2
}
