'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { inverse, snapToTrack, type CoordinateFormat, type Place } from '@/core/geo'
import { problem } from '@/core/outcome'
import type { Direction, Link } from '@/core/kit'
import { USUAL_PREDICTION } from '@/core/reach'
import type { Rings } from '@/core/terrain'
import type { Units } from '@/core/units'
import type { AreaRow } from '@/data/areas'
import type { BackdropRow } from '@/data/backdrops'
import type { GridRow } from '@/data/grids'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { CoverArea } from '@/core/terrain'
import { useAction } from '@/ui/answers/useAction'
import { whyOf } from '@/ui/answers/useAnswer'
import { PageHead, Refused } from '@/ui/shell'
import { useTerrain } from '@/ui/terrain/useTerrain'
import type { Picture } from '@/ui/map/reliefLayers'
import { putMark } from './actions'
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

const isCover = (a: AreaRow): a is AreaRow & CoverArea => a.kind !== 'to cover'

/** The ground: where the base stands, where to stop, what lies between, and what to expect there. */
export function GroundStep(props: Props) {
  const { trialId, site, sites, legs, links, directions, reliability, grids, areas, units } = props
  const action = useAction()
  const [settings, setSettings] = useState(USUAL_PREDICTION)
  const [chosen, setChosen] = useState<{ id: string | null; name: string; place: Place } | null>(null)
  const [format, setFormat] = useState<CoordinateFormat>('degrees')
  const [snap, setSnap] = useState(true)
  const [sight, setSight] = useState<{ picture: Picture; words: string } | null>(null)
  const [reach, setReach] = useState(false)
  const [drawing, setDrawing] = useState(false)
  const [drawn, setDrawn] = useState<Rings | null>(null)
  const [pointer] = useState(makePointer)
  const cover = useMemo(() => areas.filter(isCover), [areas])
  const { worker, key: groundKey, failed } = useTerrain(grids, cover)
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
  const content = useGroundContent(base, legs, placed, predictions, sites, units)
  const rings = useOutlines(reach, { worker, groundKey, base, links, directions, settings, reliability })

  const outlines = rings.at === 'there' ? rings.value : null

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
    const snapped = snap && leg ? snapToTrack(leg.track, to) : null
    const on = snapped && snapped.offM <= SNAP_M ? snapped : null
    await action.run(() => putMark({ markId, place: on?.place ?? to, alongM: on?.alongM ?? null }))
  }
  const showSight = async (from: Place, heightM: number, name: string) => {
    if (!worker) return
    const farM = links[0]?.out.antennaHeightM ?? 1.5
    const found = await worker.sight(from, heightM, farM, SIGHT_RADIUS_M, SIGHT_INK).catch(whyOf)
    if (typeof found === 'string')
      action.refuse(problem('sight', name, `What is in sight could not be worked out: ${found}.`))
    else if (!found) action.refuse(problem('sight', name, 'It stands outside all ground that is known.'))
    else
      setSight({
        picture: found,
        words: `Yellow: in sight from ${name}, ${Math.round(100 * found.landShare)} % of the land.`,
      })
  }
  const choose = (id: string) => {
    const m = placed.find((p) => p.id === id)
    if (m) setChosen({ id, name: m.name, place: m })
  }
  return (
    <>
      <PageHead
        title="Ground"
        lead="Where the base stands, the marks to stop at along each leg, and what to expect there. Distances are crow-flies from the base."
      />
      <MapSection
        content={content}
        ground={ground}
        areas={areas}
        outlines={outlines ?? NO_OUTLINES}
        reach={reach}
        onReach={setReach}
        backdrops={props.backdrops}
        sight={sight?.picture ?? null}
        onHideSight={() => setSight(null)}
        chosen={chosen}
        pointer={pointer}
        format={format}
        onFormat={setFormat}
        snap={snap}
        onSnap={setSnap}
        drawing={drawing}
        onDrawn={(rings) => {
          setDrawn(rings)
          setDrawing(false)
        }}
        onPick={pick}
        onMoveMark={(id, p) => void moveMark(id, p)}
        units={units}
      />
      <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem', mt: 0.5, mb: 2 }} role="status">
        {sight
          ? sight.words
          : 'Marks: full in sight, yellow grazing, open shadowed. Drag one to move it; click anywhere for the profile.'}
        {reach &&
          (outlines ? (
            <OutlineWords
              links={links}
              points={outlines.map((o) => o.points)}
              reliability={reliability}
              units={units}
            />
          ) : (
            <div>
              {grids.length === 0 || !base
                ? 'Rings of reach need a base and its ground.'
                : rings.at === 'failed'
                  ? `The rings could not be worked out: ${rings.why}.`
                  : 'Working out the rings…'}
            </div>
          ))}
      </Box>
      {action.refusal('It was not taken in')}
      {(failed ?? unexpected) && (
        <Refused
          title="The ground is stored and cannot be read here"
          problems={[{ where: 'Ground', message: `${failed ?? unexpected}. Reload the page to try again.` }]}
        />
      )}
      <BaseOnGround name={base?.name ?? 'Base'} heightM={baseM} />
      {base && grids.length > 0 && (
        <ProfileSection {...{ worker, groundKey, base, chosen, pointer, links, settings, units }} />
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
            </>
          )}
          <LegList
            trialId={trialId}
            legs={legs}
            links={links}
            predictions={predictions}
            hasGround={baseM !== null}
            chosen={chosen?.id ?? null}
            units={units}
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
          trialId={trialId}
          trialName={props.trialName}
          site={site}
          base={base}
          legs={legs}
          sites={sites}
          grids={grids}
          areas={areas}
          backdrops={props.backdrops}
          kept={props.kept}
          format={format}
          picked={chosen?.place ?? null}
          drawn={drawn}
          drawing={drawing}
          onDraw={(on) => {
            setDrawing(on)
            if (on) document.querySelector('[aria-label^="Map:"]')?.scrollIntoView({ block: 'center' })
          }}
          onDrawnDone={() => setDrawn(null)}
          units={units}
        />
      </Box>
    </>
  )
}

const NO_OUTLINES: never[] = []
