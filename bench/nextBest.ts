// How many checks it takes to be as sure, chosen one by one where they tell most and in even spacing: what is asked is by
// how much one rig covers more of the marks than the other. npm run next-best -- 200
import { groupedBy } from '../src/core/groupedBy'
import { linkKey } from '../src/core/reach'
import { learnCorrection, type MarginSeen } from '../src/core/reach/correction/learnCorrection'
import { wayKey, type AskedPlace } from '../src/core/reach/map/jointDraws'
import { doubtOf, nextBest, type NextAsk } from '../src/core/reach/map/nextBest'
import { field, links } from './simulatedField'
import { BENCHMARKS, writeTable } from './table'

/** Even spacing is given so many checks. */
const EVEN = 32
const WAYS = ['to base', 'from base'] as const
/** How things spread in these fields, but for how far shadowing reaches, which differs from one to the next. */
const fixed = { shadowDb: 6, shadowM: 600, ownDb: 2, callDb: 2.5 }

type Check = { spot: number; key: string; direction: (typeof WAYS)[number] }

function trial(seed: number): number | null {
  const { seen, truth } = field(seed)
  const spots = [...new Map(truth.map((t) => [`${t.spot.lat} ${t.spot.lon}`, t.spot])).values()]
  const at = (s: MarginSeen) => spots.findIndex((p) => p.lat === s.place.lat && p.lon === s.place.lon)
  const said = groupedBy(seen, (s) => `${at(s)} ${s.key} ${s.direction}`)
  const places = spots.map((spot): AskedPlace => ({
    place: spot,
    distanceM: spot.distanceM,
    predictedDb: Object.fromEntries(
      links.flatMap((l) =>
        WAYS.map((d) => [
          wayKey(l, d),
          truth.find((t) => t.spot === spot && t.key === linkKey(l) && t.direction === d)?.predicted ?? NaN,
        ]),
      ),
    ),
  }))
  const told = (made: readonly Check[]) =>
    made.flatMap((c) => said.get(`${c.spot} ${c.key} ${c.direction}`) ?? [])
  const ask = (made: readonly Check[]): NextAsk => ({
    targets: places,
    candidates: places.map((p) => ({ ...p, minutes: 1 })),
    links,
    directions: WAYS,
    correction: learnCorrection(told(made), { fixed }),
    reliability: 0.9,
    reportDb: 3,
  })
  // In even spacing: the middle of each leg first, then the halves, and so on; both rigs, both ways at each.
  const order = evenly(spots.length)
  const even = order.flatMap((spot) =>
    links.flatMap((l) => WAYS.map((direction): Check => ({ spot, key: linkKey(l), direction }))),
  )
  const wanted = doubtOf(ask(even.slice(0, EVEN)))
  const made: Check[] = []
  while (made.length < EVEN) {
    if (made.length > 0 && doubtOf(ask(made)) <= wanted) return made.length
    const worth = nextBest(ask(made))
    const next = worth.find(
      (w) =>
        !made.some((m) => m.spot === w.candidate && m.key === linkKey(w.link) && m.direction === w.direction),
    )
    if (!next) return null
    made.push({ spot: next.candidate, key: linkKey(next.link), direction: next.direction })
  }
  return made.length
}

/** Indices so that the first few are spread evenly over all, whatever their number. */
function evenly(n: number): number[] {
  const order: number[] = []
  for (let parts = 1; order.length < n; parts *= 2)
    for (let i = 0; i < parts; i++) {
      const at = Math.floor(((i + 0.5) * n) / parts)
      if (!order.includes(at)) order.push(at)
    }
  return order.slice(0, n)
}

const fields = Number(process.argv[2] ?? 200)
const found: number[] = []
for (let seed = 1; seed <= fields; seed++) {
  const n = trial(seed)
  if (n !== null) found.push(n)
  console.error(seed, n)
}
found.sort((a, b) => a - b)
const share = (q: number) => found[Math.min(found.length - 1, Math.floor(q * found.length))]!
writeTable(
  BENCHMARKS,
  'next-best',
  ['as sure as by 32 checks in even spacing', 'measured', 'wanted'],
  [
    ['checks that it took, the middle of all trials', `${share(0.5)}`, '16'],
    ['in nine trials of ten at most', `${share(0.9)}`, ''],
    [
      'trials that took half as many at most',
      `${Math.round((100 * found.filter((n) => n <= EVEN / 2).length) / found.length)} %`,
      '',
    ],
  ],
)
