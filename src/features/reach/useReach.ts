import { useMemo, useState, type ReactNode } from 'react'
import { usedGround } from '@/core/offered'
import type { Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import type { Correction, LegReachOnGround, PredictionSettings } from '@/core/reach'
import type { RigBurden } from '@/core/reach/map/enough'
import { toCoverWords } from '@/core/reach/map/mapWords'
import { radiusFrom } from '@/core/reach/map/sitesTogether'
import { togetherSentence } from '@/core/reach/map/siteWords'
import type { Units } from '@/core/units'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { TrialGround } from '@/data/trialGround'
import { useTerrain } from '@/ui/terrain/useTerrain'
import { asSet, isUnset, UNSET, type SetOnMap } from './asSet'
import { worthwhile } from './NextBestPart'
import { sentencesOf } from './ReachSaid'
import { useBases } from './useBases'
import { useNextBest } from './useNextBest'
import { useOnMap } from './useOnMap'
import { useReachMap } from './useReachMap'
import { useSitesTogether, useTogetherMap } from './useSitesTogether'

export interface ReachStepProps {
  trialId: string
  trialName: string
  site: SiteRow | null
  /** Candidates and relays, wherever they are. */
  sites: SiteRow[]
  legs: LegWithMarks[]
  /** Those whose levels are predicted. */
  links: Link[]
  directions: Direction[]
  reliability: number
  ground: TrialGround
  prediction: PredictionSettings
  /** What the log taught; null before any check. */
  correction: Correction | null
  /** How far each link is copied along the legs, as it is in the kit and as the trial asks; so do the findings. */
  onLegs: LegReachOnGround[]
  /** What each rig is to carry, by its id. */
  burdens: [string, RigBurden][]
  /** What a report tells of a level, dB; null where it tells none. */
  reportDb: number | null
  units: Units
  /** How well the log tells what it has not seen; it comes later. */
  honest: ReactNode
}

export type PlacedReachProps = ReachStepProps & { base: Place & { name: string } }

/** Farther out than the farthest mark by this, and never nearer, m. */
const [ROUND, LEAST_M] = [1.3, 1000]
export const NO_ROUTES: never[] = []

/** What is chosen of the map: whose reach, from where, which way, how far out, how sure, and with which sliders. */
function useChosen({ legs, links, base, sites, ...props }: PlacedReachProps) {
  const farthestM = Math.max(0, ...legs.flatMap((l) => l.marks).map((m) => m.distanceM))
  const usualM = Math.max(LEAST_M, Math.ceil((farthestM * ROUND) / 500) * 500)
  const [shown, setShown] = useState<string[]>(links.slice(0, 2).map((l) => l.id))
  const [directions, setDirections] = useState(props.directions)
  const [reliability, setReliability] = useState(props.reliability)
  const [radiusM, setRadius] = useState(usualM)
  const [set, setSet] = useState<SetOnMap>(UNSET)
  const [needed, setNeeded] = useState(0.8)
  const bases = useBases(base, sites)
  const { together } = bases
  const drawn = useMemo(
    () =>
      shown
        .slice(0, together ? 1 : 2)
        .flatMap((id) => links.filter((l) => l.id === id))
        .map((l) => asSet(l, set)),
    [shown, links, set, together],
  )
  return {
    ...{
      shown,
      setShown,
      directions,
      setDirections,
      reliability,
      setReliability,
      usualM,
      radiusM,
      setRadius,
    },
    ...{ set, setSet, needed, setNeeded, bases, drawn },
    mapM: bases.isOther ? radiusFrom(base, bases.base, radiusM) : radiusM,
  }
}

/** What is chosen of the map of reach, and what the worker makes of it. */
export function useReach(props: PlacedReachProps) {
  const { correction, prediction, units } = props
  const chosen = useChosen(props)
  const { drawn, directions, reliability, radiusM, needed } = chosen
  const { sites, base, isOther, together } = chosen.bases
  const used = useMemo(() => usedGround(props.ground), [props.ground])
  const { worker, key: groundKey, failed } = useTerrain(used.grids, used.cover)
  const settings = useMemo(() => ({ ...prediction, correction }), [prediction, correction])
  const { areas, routes, marks } = useOnMap(used.areas, props.legs)
  const asked = { links: drawn, directions, settings, reliability, areas, routes }
  const found = useReachMap({ worker, groundKey, base, radiusM: chosen.mapM, ...asked })
  const ofSites = [
    found.finest ? worker : null,
    groundKey,
    props.base,
    radiusM,
    { ...asked, links: drawn.slice(0, 1), routes: NO_ROUTES },
    sites,
  ] as const
  const withSites = useSitesTogether(ofSites, needed)
  const allDrawn = useTogetherMap(ofSites, together)
  const own = !isOther && !together
  const asAsked =
    own && directions === props.directions && reliability === props.reliability && isUnset(chosen.set)
  const next = useNextBest(
    found.finest && own ? worker : null,
    { groundKey, base, radiusM, ...asked, marks },
    props.reportDb,
  )
  const worths = useMemo(() => (next.at === 'there' && own ? worthwhile(next.value) : []), [next, own])
  const map = useMemo(
    () => (together && found.map ? { ...found.map, layers: allDrawn.value ?? [] } : found.map),
    [together, found.map, allDrawn.value],
  )
  const toCover = toCoverWords(areas, found.map)
  const said = together
    ? {
        first: null,
        sentence: togetherSentence(withSites.value, sites.length + 1, toCover, reliability),
      }
    : sentencesOf(map, areas[0], drawn, reliability, units)
  return {
    ...{
      chosen,
      used,
      worker,
      groundKey,
      settings,
      areas,
      routes,
      marks,
      withSites,
      own,
      onLegs: asAsked ? props.onLegs : [],
      next,
      worths,
      map,
      toCover,
      said,
    },
    finest: found.finest,
    busy: !found.finest || (together && allDrawn.at !== 'there'),
    failure: failed ?? found.failed ?? (together && allDrawn.at === 'failed' ? allDrawn.why : null),
  }
}
