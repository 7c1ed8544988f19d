'use client'

import { useMemo } from 'react'
import type { Bearing, Fix } from '@/core/bench'
import { direct, inverse, type Place } from '@/core/geo'
import { gridBounds } from '@/core/terrain/grid'
import type { Units } from '@/core/units'
import type { GridPlace } from '@/workers/terrain'
import { MapFrame } from '@/ui/map/MapFrame'
import { useTerrain } from '@/ui/terrain/useTerrain'

const HEIGHT = 520

interface Props {
  bearings: readonly Bearing[]
  fix: Fix | null
  /** A place that one would stand at next; null for none. */
  next: Place | null
  /** Where the simulated transmitter is; null while nobody asked. */
  hidden: Place | null
  /** Where one stands now, by what was typed; null for none. */
  stand: Place | null
  grids: readonly GridPlace[]
  units: Units
  onPick: (place: Place) => void
}

const NONE: never[] = []
const nothing = () => undefined
/** A bearing that crosses nothing yet is drawn so far, m. */
const ALONE_M = 3000
const PAST = 1.15

/** Outline of an ellipse on the ground, as a ring of longitudes and latitudes. */
function ellipseRing({ place, ellipse: e }: Fix): [number, number][] {
  return Array.from({ length: 73 }, (_, i) => {
    const t = (2 * Math.PI * i) / 72
    const [along, across] = [e.longM * Math.cos(t), e.shortM * Math.sin(t)]
    const turn = (Math.atan2(across, along) * 180) / Math.PI
    const { lat, lon } = direct(place, e.bearingDeg + turn, Math.hypot(along, across))
    return [lon, lat]
  })
}

/** What the map shows while nothing is drawn on it: the ground that is kept. */
function boxOf(grids: readonly GridPlace[]): readonly [number, number, number, number] | null {
  if (grids.length === 0) return null
  const all = grids.map(gridBounds)
  return [
    Math.min(...all.map((b) => b.west)),
    Math.min(...all.map((b) => b.south)),
    Math.max(...all.map((b) => b.east)),
    Math.max(...all.map((b) => b.north)),
  ]
}

/** How far a bearing is drawn: past the fix, or as far as the ways to its neighbours. */
function linesOf(bearings: readonly Bearing[], fix: Fix | null) {
  return bearings.flatMap((b) => {
    const taken = fix?.contributions.find((c) => c.id === b.id)
    const far = fix ? inverse(b, fix.place).distanceM * PAST : ALONE_M
    const along = (deg: number) => ({
      name: b.name,
      track: [{ lat: b.lat, lon: b.lon }, direct(b, deg, far)],
    })
    if (taken) return [along(taken.takenDeg)]
    return b.bothWays ? [along(b.bearingDeg), along(b.bearingDeg + 180)] : [along(b.bearingDeg)]
  })
}

/** Stands, their bearings, where these cross, and the ellipse about it, on the ground that is kept. */
export function FixMap({ bearings, fix, next, hidden, stand, grids, units, onPick }: Props) {
  const { worker } = useTerrain(grids)
  const ground = useMemo(() => (worker ? { worker, ids: grids.map((g) => g.id) } : null), [worker, grids])
  const fit = useMemo(() => (bearings.length === 0 ? boxOf(grids) : null), [bearings.length, grids])
  const content = useMemo(
    () => ({
      base: null,
      legs: linesOf(bearings, fix),
      marks: bearings.map((b) => ({ id: b.id, name: b.name, lat: b.lat, lon: b.lon })),
      sites: [
        ...(fix ? [{ id: 'fix', name: 'Most likely', role: 'fix', ...fix.place, doubtM: null }] : []),
        ...(next ? [{ id: 'next', name: 'Stand here next', role: 'next', ...next, doubtM: null }] : []),
        ...(hidden ? [{ id: 'hidden', name: 'Where it was', role: 'hidden', ...hidden, doubtM: null }] : []),
      ],
      farthestM: 0,
      units,
    }),
    [bearings, fix, next, hidden, units],
  )
  const areas = useMemo(
    () => (fix ? [{ id: 'ellipse', name: '90 of 100', kind: 'to cover', rings: [ellipseRing(fix)] }] : NONE),
    [fix],
  )
  return (
    <MapFrame
      content={content}
      ground={ground}
      areas={areas}
      extents={NONE}
      outlines={NONE}
      backdrop={null}
      sight={null}
      target={stand}
      label="Map of bearings and their fix"
      height={HEIGHT}
      measuring={false}
      onMeasured={nothing}
      drawing={false}
      onDrawn={nothing}
      onPointer={nothing}
      onPick={onPick}
      onMoveMark={nothing}
      fixedMarks
      fit={fit}
    />
  )
}
