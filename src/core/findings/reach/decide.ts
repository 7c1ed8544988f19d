import type { Link } from '@/core/kit/rig/rig'
import type { Reach } from '@/core/reach/reach'
import { distanceText, type Units } from '@/core/units'
import { andList, inHundred } from '../words/phrases'
import type { Findings } from '../findings'
import { UNLIKELY } from '../standing/needChances'
import { chanceInWords } from '../words/words'

/** An area that is to be covered, as distances of places spread evenly over it from the base, the nearest first. */
export interface AreaNeed {
  name: string
  distancesM: readonly number[]
}

/** What would be enough. */
export interface Need {
  floorM: number | null
  ceilingM: number | null
  area?: AreaNeed | null
  /** How often, 0 to 1. */
  reliability: number
}

/** What it takes to carry and own a rig; null where nobody said. */
export interface Burden {
  wornMm: number | null
  weightG: number | null
  price: number | null
  powerW: number
}

type Met = 'meets it' | 'seems to meet it' | 'cannot tell' | 'falls short' | 'heard too far'

export interface NeedAnswer {
  linkId: string
  met: Met
  why: string
  burden: Burden | null
  /** The chance that it meets the need, floor and ceiling together; null where it was tried at too few marks. */
  chance: number | null
}

function floorMet(reach: Reach, floorM: number): Met {
  if (reach.seen === 'too few marks') return 'cannot tell'
  if (reach.seen === 'none copied') return reach.nearestM <= floorM ? 'falls short' : 'cannot tell'
  if (reach.lowM !== null && reach.lowM >= floorM) return 'meets it'
  if (reach.seen === 'all copied') return reach.farthestM >= floorM ? 'seems to meet it' : 'cannot tell'
  if (reach.highM !== null && reach.highM < floorM) return 'falls short'
  if (reach.estimateM !== null && reach.estimateM >= floorM) return 'seems to meet it'
  return 'cannot tell'
}

/** Share of an area that lies within a distance, in a hundred. */
function shareWithin({ distancesM }: AreaNeed, metres: number): number {
  const out = distancesM.findIndex((d) => d > metres)
  return Math.round((100 * (out < 0 ? distancesM.length : out)) / Math.max(1, distancesM.length))
}

/** How much of an area lies within a reach, with the margin that the reach has. */
function areaWords(reach: Reach | undefined, area: AreaNeed, often: string): string {
  if (!reach || reach.seen === 'too few marks') return `what was tested does not settle ${area.name}`
  const about = reach.estimateM ?? (reach.seen === 'all copied' ? reach.farthestM : 0)
  const [low, high] = [reach.lowM ?? 0, reach.highM ?? Infinity].map((m) => shareWithin(area, m))
  const share = shareWithin(area, about)
  const margin = low === high ? '' : ` (${Math.min(low!, share)} to ${Math.max(high!, share)})`
  return `about ${share} % of ${area.name}${margin} lies within its reach ${often}`
}

/** null where it is not heard too far as far as is known. */
function ceilingBroken(far: Reach | undefined, ceilingM: number): 'heard too far' | 'cannot tell' | null {
  if (!far || far.seen === 'too few marks') return 'cannot tell'
  if (far.seen === 'none copied') return null
  if (far.seen === 'all copied') return far.farthestM > ceilingM ? 'heard too far' : 'cannot tell'
  if (far.highM !== null && far.highM <= ceilingM) return null
  if (far.lowM !== null && far.lowM > ceilingM) return 'heard too far'
  return 'cannot tell'
}

const ORDER: Record<Met, number> = {
  'meets it': 0,
  'seems to meet it': 1,
  'cannot tell': 2,
  'falls short': 3,
  'heard too far': 4,
}

/** Lighter first: what is worn, then weight, price, power; what nobody said comes after what is known. */
function compareBurden(a: Burden | null, b: Burden | null): number {
  const of = (x: Burden | null) => [x?.wornMm, x?.weightG, x?.price, x?.powerW].map((v) => v ?? Infinity)
  const [p, q] = [of(a), of(b)]
  for (let i = 0; i < p.length; i++) if (p[i] !== q[i]) return p[i]! - q[i]!
  return 0
}

/**
 * The rigs against a need: which meet it and how surely by the usable reach, the least burdensome of those
 * first. To meet it surely the lower end of the 90 % interval must reach the floor; to be unlikely beyond the
 * ceiling the upper end of the reach at one copy in ten must stay within it. An area is covered where its
 * farthest place is within reach.
 * @returns empty where nothing is needed
 */
export function decide(
  findings: Findings,
  links: readonly Link[],
  need: Need,
  burdens: ReadonlyMap<string, Burden>,
  units: Units,
): NeedAnswer[] {
  const area = need.area ?? null
  if (need.floorM === null && need.ceilingM === null && area === null) return []
  const show = (m: number) => distanceText(m, units)
  const answers = links.map((link): NeedAnswer => {
    const at = (chance: number) =>
      findings.usable.find((u) => u.linkId === link.id && Math.abs(u.chance - chance) < 1e-9)?.reach
    const reach = at(need.reliability)
    const burden = burdens.get(link.out.id) ?? null
    let met: Met = 'meets it'
    const why: string[] = []
    if (need.floorM !== null) {
      met = reach ? floorMet(reach, need.floorM) : 'cannot tell'
      const surely =
        reach?.lowM != null ? `surely ${show(Math.min(reach.lowM, reach.farthestM))}` : 'how far is not sure'
      why.push(
        met === 'meets it'
          ? `copied to ${show(need.floorM)} ${chanceInWords(need.reliability)}, ${surely}`
          : met === 'falls short'
            ? `${show(need.floorM)} is farther than it reaches ${chanceInWords(need.reliability)}`
            : met === 'seems to meet it'
              ? `${show(need.floorM)} is within its reach, but the margin does not hold it: ${surely}`
              : `what was tested does not settle ${show(need.floorM)}`,
      )
    }
    if (area) {
      const here = reach ? floorMet(reach, area.distancesM.at(-1) ?? 0) : 'cannot tell'
      if (need.floorM === null || ORDER[here] > ORDER[met]) met = here
      why.push(areaWords(reach, area, chanceInWords(need.reliability)))
    }
    if (need.ceilingM !== null && met !== 'falls short') {
      const far = findings.reaches
        .filter((r) => r.linkId === link.id)
        .map((r) => r.reaches.find((x) => x.chance === UNLIKELY))
        // Too far either way is too far.
        .sort((a, b) => (b?.estimateM ?? Infinity) - (a?.estimateM ?? Infinity))[0]
      const broken = ceilingBroken(far, need.ceilingM)
      if (broken === 'heard too far') {
        met = 'heard too far'
        why.push(`it is still heard beyond ${show(need.ceilingM)}`)
      } else if (broken === 'cannot tell') {
        if (met === 'meets it') met = 'seems to meet it'
        why.push(`whether it is quiet beyond ${show(need.ceilingM)} is not settled`)
      } else why.push(`unlikely to be heard beyond ${show(need.ceilingM)}`)
    }
    const told = reach && reach.seen !== 'too few marks'
    const chance = told ? (findings.need.find((n) => n.linkId === link.id)?.chance ?? null) : null
    return { linkId: link.id, met, why: why.join('; '), burden, chance }
  })
  return answers.sort((a, b) => ORDER[a.met] - ORDER[b.met] || compareBurden(a.burden, b.burden))
}

/** How a burden is more or less than another's, in a phrase: "18 cm longer and 40 g heavier"; empty where they are alike. */
function moreWords(a: Burden | null, b: Burden | null, units: Units): string {
  const metric = units === 'metric'
  const by = (
    x: number | null | undefined,
    y: number | null | undefined,
    size: number,
    unit: string,
    more: string,
    less: string,
  ) => {
    if (x == null || y == null) return null
    const difference = Math.round((x - y) / size)
    if (difference === 0) return null
    return `${Math.abs(difference)} ${unit} ${difference > 0 ? more : less}`
  }
  return andList(
    [
      by(a?.wornMm, b?.wornMm, metric ? 10 : 25.4, metric ? 'cm' : 'in', 'longer', 'shorter'),
      by(a?.weightG, b?.weightG, metric ? 1 : 28.35, metric ? 'g' : 'oz', 'heavier', 'lighter'),
      by(a?.powerW, b?.powerW, 1, 'W', 'stronger', 'weaker'),
    ].filter((w): w is string => w !== null),
  )
}

/** The chances of the likeliest against one another, with what the one costs over the other; empty where none is known. */
function chanceWords(answers: readonly NeedAnswer[], name: (id: string) => string, units: Units): string {
  const known = answers.filter((a) => a.chance !== null).sort((a, b) => b.chance! - a.chance!)
  const [first, second] = known
  if (!first) return ''
  const rest = known.slice(1, 4).map((a) => `${name(a.linkId)} with ${inHundred(a.chance!)}`)
  const more = second ? moreWords(first.burden, second.burden, units) : ''
  return ` ${name(first.linkId)} meets it with ${inHundred(first.chance!)} chances of 100${rest.length > 0 ? `, ${andList(rest)}` : ''}${more ? `; ${name(first.linkId)} is ${more} than ${name(second!.linkId)}` : ''}.`
}

/** The decision in a sentence or two. */
export function decisionWords(
  answers: readonly NeedAnswer[],
  name: (id: string) => string,
  units: Units,
): string {
  return answers.length === 0 ? '' : `${metWords(answers, name)}${chanceWords(answers, name, units)}`
}

function metWords(answers: readonly NeedAnswer[], name: (id: string) => string): string {
  const first = answers[0]!
  const meeting = answers.filter((a) => a.met === 'meets it')
  if (meeting.length > 1)
    return `${name(first.linkId)} is the least that meets the need; ${meeting
      .slice(1)
      .map((a) => name(a.linkId))
      .join(' and ')} would too.`
  if (meeting.length === 1) return `Only ${name(first.linkId)} surely meets the need.`
  if (first.met === 'seems to meet it') return `None surely meets the need; ${name(first.linkId)} seems to.`
  if (answers.every((a) => a.met === 'falls short')) return 'None of them meets the need.'
  if (answers.every((a) => a.met === 'heard too far')) return 'All of them are heard too far.'
  return 'What was tested does not settle the need.'
}
