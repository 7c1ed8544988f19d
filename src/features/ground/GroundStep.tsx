'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import type { CoordinateFormat } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import { USUAL_PREDICTION } from '@/core/reach'
import type { Rings } from '@/core/terrain'
import type { Units } from '@/core/units'
import type { AreaRow } from '@/data/areas'
import type { BackdropRow } from '@/data/backdrops'
import type { GridRow } from '@/data/grids'
import type { OtherPlace } from '@/data/places'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { CoverArea } from '@/core/terrain'
import { useAction } from '@/ui/answers/useAction'
import type { Answer } from '@/ui/answers/useAnswer'
import type { MapOutline } from '@/ui/map/areaDrawing'
import { PageHead, Refused } from '@/ui/shell'
import { useTerrain } from '@/ui/terrain/useTerrain'
import { useChosenMark } from './useChosenMark'
import { BaseOnGround } from './BaseOnGround'
import { GroundSide } from './GroundSide'
import { LegList } from './LegList'
import { MapSection } from './MapSection'
import { OutlineWords } from './OutlineWords'
import { makePointer } from './pointer'
import { PredictionFields } from './PredictionFields'
import { ProfileSection } from './ProfileSection'
import { SitesPanel } from './SitesPanel'
import { useGroundContent, usePlacedMarks } from './useGroundContent'
import { useSight } from './useSight'
import { useOutlines } from './useOutlines'
import { usePredictions } from './usePredictions'
import { TurnBackPanel } from './TurnBackPanel'

interface Props {
  trialId: string
  trialName: string
  site: SiteRow | null
  sites: SiteRow[]
  legs: LegWithMarks[]
  links: Link[]
  directions: Direction[]
  reliability: number
  grids: GridRow[]
  areas: AreaRow[]
  backdrops: BackdropRow[]
  kept: LegWithMarks[]
  places: OtherPlace[]
  minutesAtMark: number
  /** What this step is for in this way of working. */
  lead: string
  units: Units
}

const isCover = (a: AreaRow): a is AreaRow & CoverArea => a.kind !== 'to cover'

/** Why the ground that is stored could not be worked with, if so. */
function Unreadable({ why }: { why: string | null }) {
  if (why === null) return null
  return (
    <Refused
      title="The ground is stored and cannot be read here"
      problems={[{ where: 'Ground', message: `${why}. Reload the page to try again.` }]}
    />
  )
}

interface UnderMapProps {
  sight: string | null
  reach: boolean
  rings: Answer<MapOutline[]>
  hasGround: boolean
  links: Link[]
  reliability: number
  units: Units
}

/** What stands under the map: how to read it, and the rings of reach in words. */
function UnderMap({ sight, reach, rings, hasGround, links, reliability, units }: UnderMapProps) {
  return (
    <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem', mt: 0.5, mb: 2 }} role="status">
      {sight !== null
        ? sight
        : 'Marks: full in sight, yellow grazing, open shadowed. Drag one to move it; click anywhere for the profile.'}
      {reach &&
        (rings.at === 'there' ? (
          <OutlineWords
            links={links}
            points={rings.value.map((o) => o.points)}
            reliability={reliability}
            units={units}
          />
        ) : (
          <div>
            {!hasGround
              ? 'Rings of reach need a base and its ground.'
              : rings.at === 'failed'
                ? `The rings could not be worked out: ${rings.why}.`
                : 'Working out the rings…'}
          </div>
        ))}
    </Box>
  )
}

/** The ground: where the base stands, where to stop, what lies between, and what to expect there. */
export function GroundStep(props: Props) {
  const { trialId, site, sites, legs, links, directions, reliability, grids, areas, units } = props
  const action = useAction()
  const [settings, setSettings] = useState(USUAL_PREDICTION)
  const [format, setFormat] = useState<CoordinateFormat>('degrees')
  const [snap, setSnap] = useState(true)
  const [reach, setReach] = useState(false)
  const [drawing, setDrawing] = useState(false)
  const [drawn, setDrawn] = useState<Rings | null>(null)
  const [pointer] = useState(makePointer)
  const cover = useMemo(() => areas.filter(isCover), [areas])
  const { worker, key: groundKey, failed } = useTerrain(grids, cover)
  const { sight, showSight, hideSight } = useSight(worker, links[0]?.out.antennaHeightM ?? 1.5, action)
  const gridIds = grids.map((g) => g.id).join()
  const ground = useMemo(
    () => (worker && gridIds !== '' ? { worker, ids: gridIds.split(',') } : null),
    [worker, gridIds],
  )
  const base = useMemo(
    () => (site?.lat != null && site.lon != null ? { lat: site.lat, lon: site.lon, name: site.name } : null),
    [site],
  )
  const marks = useMemo(() => legs.flatMap((l) => l.marks), [legs])
  const placed = usePlacedMarks(legs)
  const {
    baseM,
    predictions,
    failed: unexpected,
  } = usePredictions(worker, groundKey, base, marks, links, settings)
  const { chosen, pick, choose, moveMark } = useChosenMark({ placed, legs, snap, action })
  const content = useGroundContent(base, legs, placed, predictions, sites, units)
  const rings = useOutlines(reach, { worker, groundKey, base, links, directions, settings, reliability })

  const outlines = rings.at === 'there' ? rings.value : null

  const mapped = site !== null || grids.length + props.backdrops.length + sites.length > 0
  return (
    <>
      <PageHead title="Ground" lead={props.lead} />
      {mapped && (
        <>
          <MapSection
            {...{ content, ground, areas, reach, chosen, pointer, format, snap, drawing, units }}
            outlines={outlines ?? NO_OUTLINES}
            onReach={setReach}
            backdrops={props.backdrops}
            sight={sight?.picture ?? null}
            onHideSight={hideSight}
            onFormat={setFormat}
            onSnap={setSnap}
            onDrawn={(rings) => {
              setDrawn(rings)
              setDrawing(false)
            }}
            onPick={pick}
            onMoveMark={(id, p) => void moveMark(id, p)}
          />
          <UnderMap
            {...{ rings, links, reliability, units }}
            sight={sight?.words ?? null}
            reach={reach}
            hasGround={grids.length > 0 && base !== null}
          />
        </>
      )}
      {action.refusal('It was not taken in')}
      <Unreadable why={failed ?? unexpected} />
      <BaseOnGround name={base?.name ?? 'Base'} heightM={baseM} />
      {base && grids.length > 0 && (
        <ProfileSection {...{ worker, groundKey, base, chosen, pointer, links, settings, units }} />
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 4,
          // With no base yet there is nothing to stand beside the form that asks for it.
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            lg: mapped ? 'minmax(0, 7fr) minmax(0, 4fr)' : 'minmax(0, 620px)',
          },
        }}
      >
        <Box sx={{ order: mapped ? 0 : 1 }}>
          {links.length > 0 && marks.length > 0 && (
            <>
              <Typography variant="h2" component="h2">
                What to expect
              </Typography>
              <PredictionFields value={settings} onChange={setSettings} />
            </>
          )}
          <LegList
            {...{ trialId, legs, links, predictions, units }}
            hasGround={baseM !== null}
            chosen={chosen?.id ?? null}
            onChoose={choose}
          />
          {grids.length > 0 && (
            <SitesPanel
              {...{ worker, groundKey, base, sites, areas, marks, links, directions, settings, units }}
              onSight={(p, h, n) => void showSight(p, h, n)}
            />
          )}
          <TurnBackPanel marks={marks} minutesAtMark={props.minutesAtMark} units={units} />
        </Box>
        <GroundSide
          {...{ trialId, site, base, legs, sites, grids, areas, format, drawn, drawing, units }}
          trialName={props.trialName}
          backdrops={props.backdrops}
          kept={props.kept}
          places={props.places}
          picked={chosen?.place ?? null}
          onDraw={(on) => {
            setDrawing(on)
            if (on) document.querySelector('[aria-label^="Map:"]')?.scrollIntoView({ block: 'center' })
          }}
          onDrawnDone={() => setDrawn(null)}
        />
      </Box>
    </>
  )
}

const NO_OUTLINES: never[] = []
