import type { Lane, Post, StripModel } from './model'

/** A lane of more posts than these is drawn in so many places, each post standing for several checks. */
const MOST_POSTS = 120
const PLACES = 30

const mean = (values: readonly number[]) => values.reduce((s, v) => s + v, 0) / values.length

/** Several checks near one another in one direction as one post: as high as they were on average, its cap filled by the share heard. */
function together(posts: readonly Post[]): Post {
  const [first] = posts as [Post]
  if (posts.length === 1) return first
  const heard = posts.filter((p) => p.state === 'heard')
  const lost = posts.filter((p) => p.state === 'not heard')
  const made = heard.length + lost.length
  const heights = heard.flatMap((p) => (p.height === null ? [] : [p.height]))
  const state =
    made === 0 ? first.state : heard.length >= lost.length ? ('heard' as const) : ('not heard' as const)
  return {
    ...first,
    distanceM: mean(posts.map((p) => p.distanceM)),
    state,
    height: state === 'heard' && heights.length > 0 ? mean(heights) : null,
    readability: state === 'heard' ? (5 * heard.length) / made : null,
    said: made === 0 ? `${posts.length} checks` : `${heard.length} of ${made} checks heard`,
    remark: '',
  }
}

function thinLane(lane: Lane, farthestM: number): Lane {
  if (lane.posts.length <= MOST_POSTS) return lane
  const bins = new Map<string, Post[]>()
  for (const p of lane.posts) {
    const key = `${Math.floor(PLACES * Math.sqrt(p.distanceM / farthestM))} ${p.direction}`
    bins.set(key, [...(bins.get(key) ?? []), p])
  }
  const posts = [...bins.values()].map(together).sort((a, b) => a.distanceM - b.distanceM)
  return { ...lane, posts }
}

/** So many points of the ground are all that a strip can show. */
const GROUND_POINTS = 100

/** The ground as the strip draws it; what each leg is expected to bring is in the wedges already. */
function drawnGround(ground: NonNullable<StripModel['ground']>): StripModel['ground'] {
  const legs = ground.legs.map((leg) => {
    const step = Math.max(1, (leg.ground.length - 1) / GROUND_POINTS)
    const shown = Array.from({ length: Math.min(leg.ground.length, GROUND_POINTS + 1) }, (_, i) => {
      const { distanceM, heightM } = leg.ground[Math.round(i * step)]!
      return { distanceM: Math.round(distanceM), heightM: Math.round(10 * heightM) / 10 }
    })
    return { ...leg, ground: shown, chances: {} }
  })
  return { ...ground, legs }
}

const rounded = (v: number, digits: number) => Number(v.toFixed(digits))

/** A lane with no more digits than can be seen, its posts numbered. */
function drawnLane(lane: Lane): Lane {
  return {
    ...lane,
    wedge: lane.wedge.map((w) => ({ distanceM: Math.round(w.distanceM), chance: rounded(w.chance, 2) })),
    brackets: lane.brackets.map((b) => ({
      ...b,
      estimateM: b.estimateM === null ? null : Math.round(b.estimateM),
      lowM: b.lowM === null ? null : Math.round(b.lowM),
      highM: b.highM === null ? null : Math.round(b.highM),
    })),
    posts: lane.posts.map((p, i) => ({
      ...p,
      id: String(i),
      distanceM: Math.round(p.distanceM),
      height: p.height === null ? null : rounded(p.height, 2),
      readability: p.readability === null ? null : rounded(p.readability, 1),
    })),
  }
}

/**
 * A strip as it is sent to be drawn: of many checks, what was logged near one another stands as one post; the ground
 * has no more points, and no figure more digits, than can be seen.
 */
export function thinned(model: StripModel): StripModel {
  const lanes = model.lanes.map((l) => thinLane(l, Math.max(1, model.farthestM)))
  return {
    ...model,
    lanes: lanes.map(drawnLane),
    ground: model.ground && drawnGround(model.ground),
    thin: lanes.some((l, i) => l !== model.lanes[i]),
  }
}
