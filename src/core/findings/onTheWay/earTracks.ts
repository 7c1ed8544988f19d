import { inverse, type Place } from '@/core/geo'
import {
  earStatesOf,
  marksNow,
  placeOfBase,
  type EarState,
  type LoggedEvent,
  type RunLog,
  type TrialPlan,
} from '@/core/trial'

/** A stretch of a drive on which a link was heard one way. */
interface EarSpan {
  name: string
  means: EarState['means']
  /** Nearer and farther end by distance from the base, m; the farther is null where the drive did not bound it. */
  fromM: number
  toM: number | null
}

/** How one link was heard on one way, out or home, on one side. */
export interface EarTrack {
  linkId: string
  way: 'out' | 'home'
  /** The leg that the drive went along; null where places do not tell it. */
  legId: string | null
  legName: string | null
  /** In the order of the drive. */
  spans: EarSpan[]
}

type State = Extract<LoggedEvent['body'], { kind: 'state' }>

const placeOf = (fix: Place | null | undefined): Place | null => (fix ? { lat: fix.lat, lon: fix.lon } : null)

/** The leg whose nearest mark lies nearest to a place. */
function legAt(place: Place | null, marks: ReturnType<typeof marksNow>) {
  if (!place) return null
  let [nearest, least]: [(typeof marks)[number] | null, number] = [null, Infinity]
  for (const m of marks) {
    if (m.lat === null || m.lon === null) continue
    const { distanceM } = inverse(place, { lat: m.lat, lon: m.lon })
    if (distanceM < least) [nearest, least] = [m, distanceM]
  }
  return nearest && { id: nearest.legId, name: nearest.legName }
}

/**
 * Changes of state by ear, as stretches of the way: a state holds from its change to the next one. On the way home the
 * last state holds to the base; on the way out it is open. A change without a place, or without a name yet, says
 * nothing. Where places tell which leg each change was on, each leg is a side of its own.
 */
export function earTracks(plan: TrialPlan, log: RunLog): EarTrack[] {
  const meanings = new Map(earStatesOf(plan).map((s) => [s.name, s.means]))
  const base = placeOfBase(plan.base)
  const marks = marksNow(plan, log)
  const tracks = new Map<
    string,
    EarTrack & { changes: { distanceM: number; name: string; means: EarState['means'] }[] }
  >()
  const take = (body: State) => {
    const place = placeOf(body.fix)
    const distanceM = body.distanceM ?? (place && base ? inverse(base, place).distanceM : null)
    const means = body.state === null ? undefined : meanings.get(body.state)
    if (distanceM === null || !means || body.state === null) return
    const leg = legAt(place, marks)
    const key = `${body.linkId} ${body.way} ${leg?.id}`
    const track = tracks.get(key) ?? {
      linkId: body.linkId,
      way: body.way,
      legId: leg?.id ?? null,
      legName: leg?.name ?? null,
      spans: [],
      changes: [],
    }
    tracks.set(key, track)
    track.changes.push({ distanceM, name: body.state, means })
  }
  for (const { body } of log.events) if (body.kind === 'state') take(body)
  return [...tracks.values()].map(({ changes, ...track }) => ({
    ...track,
    spans: changes.map(({ distanceM, name, means }, i): EarSpan => {
      const next = changes[i + 1]?.distanceM ?? (track.way === 'home' ? 0 : null)
      return next === null
        ? { name, means, fromM: distanceM, toM: null }
        : { name, means, fromM: Math.min(distanceM, next), toM: Math.max(distanceM, next) }
    }),
  }))
}
