'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useEffect, useMemo, useState } from 'react'
import { coordinateText, inverse, snapToWay, type CoordinateFormat, type Place } from '@/core/geo'
import type { Problem } from '@/core/formats'
import type { Link } from '@/core/kit'
import { USUAL_PREDICTION } from '@/core/reach'
import type { GroundProfile } from '@/core/terrain'
import { distanceText, type Units } from '@/core/units'
import type { GridRow } from '@/data/grids'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import { PageHead, Refused } from '@/ui/shell'
import { useTerrain } from '@/ui/terrain/useTerrain'
import type { Raster } from '@/ui/map/reliefLayers'
import { putMark } from './actions'
import { GroundSide } from './GroundSide'
import { HorizonWords } from './HorizonWords'
import { LegList } from './LegList'
import { MapBar } from './MapBar'
import { marksOnGround } from './marksOnGround'
import { PredictionFields } from './PredictionFields'
import { ProfilePanel } from './ProfilePanel'
import { SitesPanel } from './SitesPanel'
import { useGroundDrawing } from './useGroundDrawing'
import { useProfiles } from './useProfiles'
import { WayPanel } from './WayPanel'

const GroundMap = dynamic(() => import('@/ui/map/GroundMap').then((m) => m.GroundMap), { ssr: false })

interface Props {
  trialId: string
  site: SiteRow | null
  sites: SiteRow[]
  legs: LegWithMarks[]
  links: Link[]
  grids: GridRow[]
  kept: LegWithMarks[]
  minutesAtMark: number
  units: Units
}

/** A mark is picked by a click no farther off, m. */
const PICKED_M = 60
/** A mark dragged no farther from its way than this is snapped to it, m. */
const SNAP_M = 150
const SIGHT_INK: [number, number, number] = [244, 185, 44]
/** What is in sight is looked for this far, m. */
const SIGHT_RADIUS_M = 30_000

/** The ground: where the base stands, where to stop, what lies between, and what to expect there. */
export function GroundStep({ trialId, site, sites, legs, links, grids, kept, minutesAtMark, units }: Props) {
  const [problems, setProblems] = useState<Problem[]>([])
  const [settings, setSettings] = useState(USUAL_PREDICTION)
  const [chosen, setChosen] = useState<{ id: string | null; name: string; place: Place } | null>(null)
  const [pointed, setPointed] = useState<Place | null>(null)
  const [profile, setProfile] = useState<{ profile: GroundProfile; name: string } | null>(null)
  const [heights, setHeights] = useState<{ nearM: number; farM: number } | null>(null)
  const [format, setFormat] = useState<CoordinateFormat>('degrees')
  const [measuring, setMeasuring] = useState(false)
  const [measured, setMeasured] = useState<number | null>(null)
  const [snap, setSnap] = useState(true)
  const [sight, setSight] = useState<{ raster: Raster; words: string } | null>(null)
  const worker = useTerrain(grids)
  const drawn = useGroundDrawing(worker, grids)
  const base = useMemo(
    () => (site?.lat != null && site.lon != null ? { lat: site.lat, lon: site.lon, name: site.name } : null),
    [site],
  )
  const marks = useMemo(() => legs.flatMap((l) => l.marks), [legs])
  const placed = useMemo(
    () =>
      marks.flatMap((m) =>
        m.lat !== null && m.lon !== null ? [{ id: m.id, name: m.name, lat: m.lat, lon: m.lon }] : [],
      ),
    [marks],
  )
  const profiles = useProfiles(worker, base, placed)
  const outlooks = useMemo(
    () => marksOnGround(marks, profiles, links, settings),
    [marks, profiles, links, settings],
  )
  const content = useMemo(
    () => ({
      base,
      legs: legs.map((l) => ({ name: l.name, way: l.way })),
      marks: placed.map((m) => ({ ...m, kind: outlooks.find((o) => o.mark.id === m.id)?.kind ?? null })),
      sites: sites.flatMap((s) =>
        s.lat !== null && s.lon !== null
          ? [{ id: s.id, name: s.name, role: s.role, doubtM: s.doubtM, lat: s.lat, lon: s.lon }]
          : [],
      ),
      farthestM: Math.max(500, ...marks.map((m) => m.distanceM)),
      units,
    }),
    [base, legs, placed, outlooks, sites, marks, units],
  )

  // The profile follows the pointer over the map; away from it, it goes to what was picked.
  const target = pointed ?? chosen?.place ?? null
  const targetName = pointed ? 'the pointer' : (chosen?.name ?? 'a mark')
  useEffect(() => {
    if (!worker || !base || !target) return
    let stale = false
    void worker.profile(base, target).then((p) => {
      if (!stale && p) setProfile({ profile: p, name: targetName })
    })
    return () => {
      stale = true
    }
  }, [worker, base, target, targetName])

  const pick = (place: Place) => {
    const near = placed.map((m) => ({ m, off: inverse(m, place).distanceM })).sort((a, b) => a.off - b.off)[0]
    setChosen(
      near && near.off < PICKED_M
        ? { id: near.m.id, name: near.m.name, place: near.m }
        : { id: null, name: 'the place picked', place },
    )
  }
  const moveMark = async (markId: string, to: Place) => {
    const leg = legs.find((l) => l.marks.some((m) => m.id === markId))
    const snapped = snap && leg ? snapToWay(leg.way, to) : null
    const on = snapped && snapped.offM <= SNAP_M ? snapped : null
    const result = await putMark({ markId, place: on?.place ?? to, alongM: on?.alongM ?? null })
    setProblems(result.ok ? [] : [{ code: 'mark', where: 'Mark', message: result.message }])
  }
  const showSight = async (from: Place, heightM: number, name: string) => {
    if (!worker) return
    const found = await worker.sight(
      from,
      heightM,
      links[0]?.out.antennaHeightM ?? 1.5,
      SIGHT_RADIUS_M,
      SIGHT_INK,
    )
    if (!found)
      setProblems([{ code: 'sight', where: name, message: 'It stands outside all ground that is known.' }])
    else
      setSight({
        raster: found,
        words: `Yellow: in sight from ${name}, ${Math.round(100 * found.landShare)} % of the land.`,
      })
  }
  const readout = () => {
    if (measured !== null) return `Measured: ${distanceText(measured, units)}`
    if (measuring) return 'Click two places'
    if (pointed) return coordinateText(pointed, format)
    return chosen ? `${chosen.name}: ${coordinateText(chosen.place, format)}` : ''
  }
  const baseHeight = [...profiles.values()][0]?.heightsM[0]
  const own = { nearM: links[0]?.base.antennaHeightM ?? 8, farM: links[0]?.out.antennaHeightM ?? 1.5 }
  const tried = heights ?? own
  return (
    <>
      <PageHead
        title="Ground"
        lead="Where the base stands, the marks to stop at along each leg, and what to expect there. Distances are crow-flies from the base."
      />
      <MapBar
        format={format}
        onFormat={setFormat}
        measuring={measuring}
        onMeasuring={(on) => {
          setMeasuring(on)
          setMeasured(null)
        }}
        snap={snap}
        onSnap={setSnap}
        onHideSight={sight ? () => setSight(null) : null}
        words={readout()}
      />
      <GroundMap
        content={content}
        grids={drawn}
        sight={sight?.raster ?? null}
        target={chosen?.place ?? null}
        label={`Map: ${base?.name ?? 'no base yet'}, ${legs.length} legs, ${marks.length} marks`}
        height={520}
        measuring={measuring}
        onMeasured={setMeasured}
        onPointer={setPointed}
        onPick={pick}
        onMoveMark={(id, p) => void moveMark(id, p)}
      />
      <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem', mt: 0.5, mb: 2 }}>
        {sight
          ? sight.words
          : 'Marks: full in sight, yellow grazing, open shadowed. Drag one to move it; click anywhere for the profile.'}
      </Box>
      {problems.length > 0 && <Refused title="It was not taken in" problems={problems} />}
      {baseHeight !== undefined && (Number.isNaN(baseHeight) || baseHeight <= 0) && (
        <Refused
          title={
            Number.isNaN(baseHeight)
              ? 'The base stands outside the ground that is known'
              : 'The base stands in the sea'
          }
          problems={[
            {
              where: base?.name ?? 'Base',
              message: Number.isNaN(baseHeight)
                ? 'Nothing is predicted from there. Bring in the tile that holds it, or place the base elsewhere.'
                : 'By this ground its height is 0 m. Check its coordinates; what is predicted counts from the water.',
            },
          ]}
        />
      )}
      {base && grids.length > 0 && (
        <ProfilePanel
          profile={profile?.profile ?? null}
          baseName={base.name}
          farName={profile?.name ?? 'a mark'}
          links={links}
          settings={settings}
          nearM={tried.nearM}
          farM={tried.farM}
          tried={heights !== null}
          units={units}
          onNear={(nearM) => setHeights({ ...tried, nearM })}
          onFar={(farM) => setHeights({ ...tried, farM })}
          onOwnHeights={() => setHeights(null)}
        />
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 4,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 7fr) minmax(0, 4fr)' },
        }}
      >
        <Box>
          {links.length > 0 && marks.length > 0 && (
            <>
              <Typography variant="h2" component="h2">
                What to expect
              </Typography>
              <PredictionFields value={settings} onChange={setSettings} />
              <HorizonWords
                link={links[0]!}
                model={settings.model}
                distanceKm={profile?.profile.lengthKm ?? null}
                units={units}
              />
            </>
          )}
          <LegList
            trialId={trialId}
            legs={legs}
            links={links}
            outlooks={outlooks}
            chosen={chosen?.id ?? null}
            units={units}
            onChoose={(id) => {
              const m = placed.find((p) => p.id === id)
              if (m) setChosen({ id, name: m.name, place: m })
            }}
          />
          {grids.length > 0 && (
            <SitesPanel
              worker={worker}
              base={base}
              sites={sites}
              marks={marks}
              links={links}
              settings={settings}
              units={units}
              onSight={(p, h, n) => void showSight(p, h, n)}
            />
          )}
          <WayPanel marks={marks} minutesAtMark={minutesAtMark} units={units} />
        </Box>
        <GroundSide
          trialId={trialId}
          base={base}
          hasLegs={legs.length > 0}
          grids={grids}
          kept={kept}
          format={format}
          picked={chosen?.place ?? null}
          units={units}
        />
      </Box>
    </>
  )
}
