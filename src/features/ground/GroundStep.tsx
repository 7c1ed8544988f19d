'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { placedSite, type CoordinateFormat } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import { sightEnds, stateWords, type Correction, type PredictionSettings } from '@/core/reach'
import type { Rings } from '@/core/terrain'
import type { Units } from '@/core/units'
import type { OtherPlaceWithLegs } from '@/data/places'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { TrialGround } from '@/data/trialGround'
import { useAction } from '@/ui/answers/useAction'
import type { Answer } from '@/ui/answers/useAnswer'
import type { MapOutline } from '@/ui/map/areaDrawing'
import { PageHead, Refused } from '@/ui/shell'
import { useTerrain } from '@/ui/terrain/useTerrain'
import type { Takeable } from './useBringGround'
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
import { useGroundContent, useMarkKinds, usePlacedMarks } from './useGroundContent'
import { useKeptPrediction } from './useKeptPrediction'
import { useSight } from './useSight'
import { useExtents, useUsedGround } from './useUsedGround'
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
  ground: TrialGround
  prediction: PredictionSettings
  /** What the log taught; null before any check. */
  correction: Correction | null
  kept: LegWithMarks[]
  places: OtherPlaceWithLegs[]
  minutesAtMark: number
  /** What this step is for in this way of working. */
  lead: string
  units: Units
}

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
  by: Correction | null
  units: Units
}

/** What stands under the map: how to read it, and the rings of reach in words. */
function UnderMap({ sight, reach, rings, hasGround, links, reliability, by, units }: UnderMapProps) {
  return (
    <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem', mt: 0.5, mb: 2 }} role="status">
      {sight !== null
        ? sight
        : 'Marks: full in sight, yellow grazing, open shadowed. Drag one to move it; click anywhere for the profile.'}
      {reach && rings.at === 'there' && <div>{stateWords(by)}</div>}
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

/** What the prediction takes for granted, once there is something to predict. */
function Expectation({
  links,
  marks,
  kept,
  change,
  refusal,
  by,
}: Pick<ReturnType<typeof useKeptPrediction>, 'kept' | 'change' | 'refusal'> & {
  links: Link[]
  by: Correction | null
  marks: readonly unknown[]
}) {
  if (links.length === 0 || marks.length === 0) return null
  return (
    <>
      <Typography variant="h2" component="h2">
        What to expect
      </Typography>
      <Box sx={{ color: 'var(--soft)' }}>{stateWords(by)}</Box>
      <PredictionFields value={kept} onChange={change} ends={sightEnds(links)} links={links} />
      {refusal}
    </>
  )
}

/** An area that is being drawn on the map, or was just drawn. */
function useDrawnArea() {
  const [drawing, setDrawing] = useState(false)
  const [drawn, setDrawn] = useState<Rings | null>(null)
  return {
    drawing,
    drawn,
    draw: (on: boolean) => {
      setDrawing(on)
      if (on) document.querySelector('[aria-label^="Map:"]')?.scrollIntoView({ block: 'center' })
    },
    keep: (rings: Rings) => {
      setDrawn(rings)
      setDrawing(false)
    },
    forget: () => setDrawn(null),
  }
}

/** The ground: where the base stands, where to stop, what lies between, and what to expect there. */
export function GroundStep(props: Props) {
  const { trialId, site, sites, legs, links, directions, reliability, units } = props
  const { grids, areas, backdrops, cover } = useUsedGround(props.ground)
  const action = useAction()
  const { settings, kept, change, refusal } = useKeptPrediction(trialId, props.prediction, props.correction)
  const [looked, setLooked] = useState<readonly Takeable[]>(NONE)
  const [format, setFormat] = useState<CoordinateFormat>('degrees')
  const [snap, setSnap] = useState(true)
  const [reach, setReach] = useState(false)
  const { drawing, drawn, draw, keep, forget } = useDrawnArea()
  const [pointer] = useState(makePointer)
  const { worker, key: groundKey, failed } = useTerrain(grids, cover)
  const { sight, showSight, hideSight } = useSight(worker, links[0]?.out.antennaHeightM ?? 1.5, action)
  const gridIds = grids.map((g) => g.id).join()
  const ground = useMemo(
    () => (worker && gridIds !== '' ? { worker, ids: gridIds.split(',') } : null),
    [worker, gridIds],
  )
  const base = useMemo(() => placedSite(site), [site])
  const marks = useMemo(() => legs.flatMap((l) => l.marks), [legs])
  const placed = usePlacedMarks(legs)
  const {
    baseM,
    predictions,
    failed: unexpected,
  } = usePredictions(worker, groundKey, base, marks, links, settings)
  const { chosen, pick, choose, moveMark } = useChosenMark({ placed, legs, snap, action })
  const content = useGroundContent(base, legs, placed, sites, units)
  const kinds = useMarkKinds(predictions)
  const rings = useOutlines(reach, { worker, groundKey, base, links, directions, settings, reliability })

  const outlines = rings.at === 'there' ? rings.value : null

  const extents = useExtents(looked)
  const mapped = site !== null || grids.length + backdrops.length + sites.length + looked.length > 0
  return (
    <>
      <PageHead title="Ground" lead={props.lead} />
      {mapped && (
        <>
          <MapSection
            {...{
              content,
              kinds,
              ground,
              areas,
              extents,
              backdrops,
              reach,
              chosen,
              pointer,
              format,
              snap,
              drawing,
              units,
            }}
            outlines={outlines ?? NO_OUTLINES}
            onReach={setReach}
            sight={sight?.picture ?? null}
            onHideSight={hideSight}
            onFormat={setFormat}
            onSnap={setSnap}
            onDrawn={keep}
            onPick={pick}
            onMoveMark={(id, p) => void moveMark(id, p)}
          />
          <UnderMap
            {...{ rings, links, reliability, units, by: props.correction }}
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
          <Expectation {...{ links, marks, kept, change, refusal }} by={props.correction} />
          <LegList
            {...{ trialId, legs, links, predictions, units }}
            hasGround={baseM !== null}
            chosen={chosen?.id ?? null}
            onChoose={choose}
          />
          {grids.length > 0 && (
            <SitesPanel
              {...{ trialId, worker, groundKey, base, sites, areas, marks, links, settings, units }}
              onSight={(p, h, n) => void showSight(p, h, n)}
            />
          )}
          <TurnBackPanel marks={marks} minutesAtMark={props.minutesAtMark} units={units} />
        </Box>
        <GroundSide
          {...{ trialId, site, base, legs, sites, format, drawn, drawing, units }}
          ground={props.ground}
          onLooked={setLooked}
          trialName={props.trialName}
          kept={props.kept}
          places={props.places}
          picked={chosen?.place ?? null}
          onDraw={draw}
          onDrawnDone={forget}
        />
      </Box>
    </>
  )
}

const NO_OUTLINES: never[] = []
const NONE: never[] = []
