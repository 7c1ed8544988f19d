'use client'

import Box from '@mui/material/Box'
import { useMemo, useState } from 'react'
import { bearingText, inverse, type Place } from '@/core/geo'
import { metresPerDegree } from '@/core/geo/degrees'
import type { Direction, Link } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import type { NextOnMap } from '@/core/reach/map/nextOnMap'
import type { ReachMap } from '@/core/reach/map/reachMap'
import type { Rings } from '@/core/terrain'
import { distanceText, type Units } from '@/core/units'
import type { BackdropRow } from '@/data/backdrops'
import { useAnswer } from '@/ui/answers/useAnswer'
import type { MapCoverage } from '@/ui/map/coverageDrawing'
import type { MapContent } from '@/ui/map/mapDrawing'
import { PickOne } from '@/ui/fields/PickOne'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { MapFrame } from '@/ui/map/MapFrame'
import { useNight } from '@/ui/theme/useNight'
import { looksNow } from '@/ui/theme/looksNow'
import type { PlaceReach } from '@/workers/reachMaps'
import { asMapBase, type MapPlace } from './mapPlace'
import type { ReachSite } from './SitesPart'

interface Props {
  worker: TerrainWorker | null
  base: MapPlace
  /** Ways out, and marks, that have places. */
  routes: { name: string; track: Place[] }[]
  marks: (Place & { id: string; name: string; distanceM: number })[]
  areas: { id: string; name: string; rings: Rings }[]
  backdrops: BackdropRow[]
  gridIds: string
  /** The map goes so far out; to what is drawn where null. */
  radiusM: number | null
  map: ReachMap | null
  links: Link[]
  directions: Direction[]
  settings: PredictionSettings
  /** What checks at places are worth, the best first. */
  worths: NextOnMap[]
  /** Other sites on the map. */
  sites: ReachSite[]
  /** They and the base are drawn together. */
  all: boolean
  units: Units
}

const HOW_WORDS = {
  known: 'near what was logged',
  inferred: 'between what was logged',
  'only the prediction': 'far from what was logged: the prediction alone',
} as const

/** What is to be expected at a place from one base, or from each of several, in words. */
function PlaceWords({
  place,
  there,
  from,
  props,
}: {
  place: Place
  there: PlaceReach[]
  from: readonly MapPlace[]
  props: Props
}) {
  const { base, links, units } = props
  const { distanceM, bearingDeg } = inverse(base, place)
  const out = `${distanceText(distanceM, units)} out, bearing ${bearingText(bearingDeg)}`
  const known = there.flatMap(({ chances }, i) => (chances ? [{ chances, name: from[i]!.name }] : []))
  if (known.length === 0) return <>{out}: the ground is not known all the way there.</>
  const how = there.length === 1 ? there[0]!.how : null
  const said = (chances: readonly number[], name: string) =>
    links.map((l, i) => `${name || l.letter} ${Math.round(100 * chances[i]!)} of 100 calls`)
  return (
    <>
      <b>{out}: </b>
      {known.flatMap(({ chances, name }) => said(chances, from.length > 1 ? name : '')).join(', ')}
      {how && `; ${HOW_WORDS[how]}`}.
    </>
  )
}

/** Round about what is drawn, as a share of it. */
const ROUND = 0.12

/** What the map is to show, degrees: as far out as is asked, or base, ways out and areas. */
function boxAbout(
  base: Place,
  routes: Props['routes'],
  marks: Props['marks'],
  areas: Props['areas'],
  radiusM: number | null,
): [west: number, south: number, east: number, north: number] {
  const degree = metresPerDegree(base.lat)
  if (radiusM !== null) {
    const [up, across] = [radiusM / degree.lat, radiusM / degree.lon]
    return [base.lon - across, base.lat - up, base.lon + across, base.lat + up]
  }
  const places = [
    base,
    ...routes.flatMap((r) => r.track),
    ...marks,
    ...areas.flatMap((a) => (a.rings[0] ?? []).map(([lon, lat]) => ({ lat, lon }))),
  ]
  const lats = places.map((p) => p.lat)
  const lons = places.map((p) => p.lon)
  const [west, east, south, north] = [
    Math.min(...lons),
    Math.max(...lons),
    Math.min(...lats),
    Math.max(...lats),
  ]
  const [across, up] = [ROUND * (east - west) + 500 / degree.lon, ROUND * (north - south) + 500 / degree.lat]
  return [west - across, south - up, east + across, north + up]
}

/** The map itself: what is covered over the ground, with the legs, and what is to be expected where one clicks. */
export function ReachOnMap(props: Props) {
  const {
    worker,
    base,
    routes,
    marks,
    areas,
    backdrops,
    gridIds,
    map,
    links,
    directions,
    settings,
    worths,
    sites,
    all,
    units,
  } = props
  const [place, setPlace] = useState<Place | null>(null)
  const [backdropId, setBackdrop] = useState('')
  const night = useNight()
  const content = useMemo(
    (): MapContent => ({
      base,
      legs: routes,
      marks: marks.map(({ id, name, lat, lon }) => ({ id, name, lat, lon })),
      sites: sites.map((s) => ({ ...s, doubtM: null })),
      farthestM: Math.max(500, ...marks.map((m) => m.distanceM)),
      units,
    }),
    // A base is the same while it stands where it stood.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [base.lat, base.lon, base.name, routes, marks, sites, units],
  )
  const fit = useMemo(
    () => boxAbout(base, routes, marks, areas, props.radiusM),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [base.lat, base.lon, routes, marks, areas, props.radiusM],
  )
  const ground = useMemo(() => (worker ? { worker, ids: gridIds.split(',') } : null), [worker, gridIds])
  const letters = links.map((l) => l.letter).join()
  const coverage = useMemo((): MapCoverage | null => {
    if (!map) return null
    const looks = looksNow(letters.split(','))
    const most = worths[0]?.narrows || 1
    return {
      layers: map.layers,
      looks,
      worths: worths
        .slice(0, RINGS)
        .map((w) => ({ place: w.at.place, share: Math.min(1, w.narrows / most) })),
    }
    // The hues are another light's at night.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [map, letters, night, worths])
  const drawnAreas = useMemo(() => areas.map((a) => ({ ...a, kind: 'to cover' })), [areas])
  const asked: MapPlace[] = all ? [base, ...sites.map((s) => ({ ...s, from: s.id }))] : [base]
  const there = useAnswer(
    worker && place
      ? [worker, place.lat, place.lon, settings, JSON.stringify([asked, links, directions])]
      : null,
    ([w, lat, lon]) =>
      Promise.all(asked.map((b) => w.reachAt(asMapBase(b), { lat, lon }, links, directions, settings))),
  )
  return (
    <Box sx={{ position: 'relative' }}>
      <MapFrame
        {...{ content, ground, coverage }}
        areas={drawnAreas}
        extents={NONE}
        outlines={NONE}
        backdrop={backdrops.find((b) => b.id === backdropId) ?? null}
        sight={null}
        target={place}
        label={`Map of reach: ${base.name}, ${links.map((l) => l.name).join(' against ')}`}
        height={560}
        measuring={false}
        onMeasured={nothing}
        drawing={false}
        onDrawn={nothing}
        onPointer={nothing}
        onPick={setPlace}
        onMoveMark={nothing}
        fixedMarks
        fit={fit}
      />
      <Box
        role="status"
        sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', minHeight: 28, mt: 0.5 }}
      >
        <span>
          {place && there.at === 'there' ? (
            <PlaceWords {...{ place, props }} there={there.value} from={asked} />
          ) : (
            <span style={{ color: 'var(--soft)' }}>Click anywhere to ask what comes through from there.</span>
          )}
        </span>
        {backdrops.length > 0 && (
          <PickOne
            label="Ground drawn as"
            value={backdropId}
            options={[
              { value: '', name: 'relief and contours' },
              ...backdrops.map((b) => ({ value: b.id, name: b.name })),
            ]}
            onPick={setBackdrop}
            sx={{ minWidth: 190, ml: 'auto' }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          />
        )}
      </Box>
    </Box>
  )
}

/** Rings of what checks are worth, at most. */
const RINGS = 6
const NONE: never[] = []
const nothing = () => undefined
