'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useMemo, useState, type ReactNode } from 'react'
import { usedGround } from '@/core/offered'
import { placedSite, type Place } from '@/core/geo'
import type { Direction, Link } from '@/core/kit'
import { stateWords, type Correction, type PredictionSettings } from '@/core/reach'
import { radiusFrom } from '@/core/reach/map/sitesTogether'
import type { RigBurden } from '@/core/reach/map/enough'
import { areaSentence, mapSentence } from '@/core/reach/map/mapWords'
import type { ReachMap } from '@/core/reach/map/reachMap'
import type { Units } from '@/core/units'
import type { LegWithMarks, SiteRow } from '@/data/ground'
import type { TrialGround } from '@/data/trialGround'
import { Empty, LinkButton, PageHead, Refused } from '@/ui/shell'
import { useTerrain } from '@/ui/terrain/useTerrain'
import { AreasCovered } from './AreasCovered'
import { asSet, UNSET, type SetOnMap } from './asSet'
import { EnoughPart } from './EnoughPart'
import { nearSites } from './nearSites'
import type { MapPlace } from './mapPlace'
import { SitesPart } from './SitesPart'
import { MapChoices } from './MapChoices'
import { NextBestPart, worthwhile } from './NextBestPart'
import { useNextBest } from './useNextBest'
import { useOnMap } from './useOnMap'
import { ReachKey } from './ReachKey'
import { ReachOnMap } from './ReachOnMap'
import { RoutesCovered } from './RoutesCovered'
import { SetSliders } from './SetSliders'
import { TakeReachOut } from './TakeReachOut'
import { useReachMap } from './useReachMap'

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
  /** What each rig is to carry, by its id. */
  burdens: [string, RigBurden][]
  /** What a report tells of a level, dB; null where it tells none. */
  reportDb: number | null
  units: Units
  /** How well the log tells what it has not seen; it comes later. */
  honest: ReactNode
}

/** What is missing before there is a map. */
function Missing({ trialId, what }: { trialId: string; what: 'base' | 'ground' | 'links' }) {
  const [title, words, slug, name] = {
    base: ['The base has no place yet', 'Reach is drawn round it.', 'ground', 'Place the base'],
    ground: [
      'The ground is not known yet',
      'Bring elevation in, or choose flat ground: without it nobody can tell where hills take the signal away.',
      'ground',
      'Bring ground in',
    ],
    links: [
      'Nothing to predict yet',
      'Choose the rigs that are compared; below 30 MHz there is no reach as an area to draw.',
      'plan',
      'Choose what is compared',
    ],
  }[what] as [string, string, string, string]
  return (
    <>
      <PageHead title="Reach" lead="Where it holds, not only how far on this road." />
      <Empty
        title={title}
        action={
          <LinkButton href={`/trials/${trialId}/${slug}`} variant="contained">
            {name}
          </LinkButton>
        }
      >
        {words}
      </Empty>
    </>
  )
}

/** Where it holds: the reach of one link, or what one wins over another, on the ground. */
export function ReachStep(props: ReachStepProps) {
  const base = useMemo(() => placedSite(props.site), [props.site])
  const { grids } = usedGround(props.ground)
  if (props.links.length === 0) return <Missing trialId={props.trialId} what="links" />
  if (!base) return <Missing trialId={props.trialId} what="base" />
  if (grids.length === 0) return <Missing trialId={props.trialId} what="ground" />
  return <ReachMapStep {...props} base={base} />
}

/** Says that sliders were drawn, and takes it back. */
function NotAsInKit({ set, links, onReset }: { set: SetOnMap; links: number; onReset: () => void }) {
  if (JSON.stringify(set) === JSON.stringify(UNSET)) return null
  return (
    <Box sx={{ mb: 2 }}>
      <b>Not as in the kit: </b>
      what the sliders say stands for {links > 1 ? 'both links' : 'the link'}.{' '}
      <Button size="small" onClick={onReset}>
        As in the kit again
      </Button>
    </Box>
  )
}

/** What the map says, the largest on the page: of the area to be covered first, where there is one. */
function Said({
  first,
  sentence,
  busy,
  two,
}: {
  first: string | null
  sentence: string
  busy: boolean
  /** Room is kept for both, so that nothing moves once they are there. */
  two: boolean
}) {
  return (
    <Box
      role="status"
      aria-busy={busy}
      sx={{
        fontSize: '1.35rem',
        fontWeight: 700,
        lineHeight: 1.3,
        mb: 1.5,
        minHeight: { xs: '3.9em', md: two ? '2.5em' : '1.3em' },
        maxWidth: 980,
      }}
    >
      {first ?? sentence}
      {first && <Box sx={{ fontSize: '1rem', fontWeight: 400 }}>{sentence}</Box>}
    </Box>
  )
}

/** What the map says, and of the first area to be covered before it, where there is one. */
function sentencesOf(
  map: ReachMap | null,
  area: { id: string; name: string } | undefined,
  links: readonly Link[],
  reliability: number,
  units: Units,
): { first: string | null; sentence: string } {
  if (!map) return { first: null, sentence: 'Working out the map…' }
  const covered = map.areas.find((a) => a.id === area?.id)
  const letters = links.map((l) => l.letter)
  const names = links.map((l) => `${l.letter}, ${l.name},`)
  return {
    first:
      area && covered
        ? areaSentence(covered, area.name || 'the area to be covered', letters, reliability)
        : null,
    sentence: mapSentence(map, names, reliability, units),
  }
}

/** The trial's own base, beside the ids of sites. */
const OWN = 'own'

/** The bases that the map can be drawn about: the trial's own, and other sites near it. */
function useBases(own: Place & { name: string }, rows: SiteRow[]) {
  const near = useMemo(() => nearSites(own, rows), [own, rows])
  const [fromId, setFrom] = useState(OWN)
  const other = near.sites.find((s) => s.id === fromId)
  const base: MapPlace = other ? { name: other.name, lat: other.lat, lon: other.lon, from: other.id } : own
  return { ...near, base, isOther: other !== undefined, fromId: other?.id ?? OWN, setFrom }
}

/** Farther out than the farthest mark by this, and never nearer, m. */
const [ROUND, LEAST_M] = [1.3, 1000]

function ReachMapStep(props: ReachStepProps & { base: Place & { name: string } }) {
  const { legs, links, units, correction, prediction } = props
  const used = useMemo(() => usedGround(props.ground), [props.ground])
  const farthestM = Math.max(0, ...legs.flatMap((l) => l.marks).map((m) => m.distanceM))
  const usualM = Math.max(LEAST_M, Math.ceil((farthestM * ROUND) / 500) * 500)
  const [shown, setShown] = useState<string[]>(links.slice(0, 2).map((l) => l.id))
  const [directions, setDirections] = useState(props.directions)
  const [reliability, setReliability] = useState(props.reliability)
  const [radiusM, setRadius] = useState(usualM)
  const [set, setSet] = useState<SetOnMap>(UNSET)
  const [needed, setNeeded] = useState(0.8)
  const { sites, leftOut, base, isOther, fromId, setFrom } = useBases(props.base, props.sites)
  const mapM = isOther ? radiusFrom(props.base, base, radiusM) : radiusM
  const { worker, key: groundKey, failed } = useTerrain(used.grids, used.cover)
  const settings = useMemo(() => ({ ...prediction, correction }), [prediction, correction])
  const drawn = useMemo(
    () => shown.flatMap((id) => links.filter((l) => l.id === id)).map((l) => asSet(l, set)),
    [shown, links, set],
  )
  const { areas, routes, marks } = useOnMap(used.areas, legs)
  const asked = { links: drawn, directions, settings, reliability, areas, routes }
  const found = useReachMap({ worker, groundKey, base, radiusM: mapM, ...asked })
  const next = useNextBest(
    found.finest && !isOther ? worker : null,
    { groundKey, base, radiusM, ...asked, marks },
    props.reportDb,
  )
  const worths = useMemo(
    () => (next.at === 'there' && !isOther ? worthwhile(next.value) : []),
    [next, isOther],
  )
  const { map } = found
  const { first, sentence } = sentencesOf(map, areas[0], drawn, reliability, units)
  return (
    <>
      <PageHead title="Reach">
        <Box sx={{ color: 'var(--soft)' }}>{stateWords(correction)}</Box>
      </PageHead>
      <Said {...{ first, sentence }} busy={!found.finest} two={areas.length > 0} />
      {(failed ?? found.failed) && (
        <Refused
          title="The map could not be worked out"
          problems={[{ where: 'Reach', message: `${failed ?? found.failed}. Reload the page to try again.` }]}
        />
      )}
      <MapChoices
        {...{ links, shown, directions, radiusM, usualM, units }}
        asked={props.directions}
        bases={[{ id: OWN, name: props.base.name }, ...sites]}
        from={fromId}
        onFrom={setFrom}
        onShown={setShown}
        onDirections={setDirections}
        onRadius={setRadius}
      />
      <ReachOnMap
        {...{ worker, base, routes, marks, areas, map, settings, directions, worths, sites, units }}
        radiusM={radiusM === usualM ? null : radiusM}
        backdrops={used.backdrops}
        gridIds={used.grids.map((g) => g.id).join()}
        links={drawn}
      />
      <ReachKey {...{ reliability, map }} links={drawn} corrected={correction !== null} />
      <SetSliders
        {...{ set, reliability, units }}
        link={drawn[0]!}
        onSet={setSet}
        onReliability={setReliability}
      />
      <NotAsInKit set={set} links={drawn.length} onReset={() => setSet(UNSET)} />
      {map && <AreasCovered {...{ areas, map, base, units }} links={drawn} trialId={props.trialId} />}
      {map && <RoutesCovered {...{ routes, map, units }} links={drawn} />}
      <EnoughPart
        {...{ groundKey, base, links, needed, units }}
        onNeeded={setNeeded}
        radiusM={mapM}
        worker={found.finest ? worker : null}
        ask={{ directions, settings, reliability, areas, routes: NO_ROUTES }}
        first={drawn[0]!}
        burdens={new Map(props.burdens)}
      />
      <SitesPart
        {...{ groundKey, radiusM, units, sites, leftOut, needed }}
        trialId={props.trialId}
        worker={found.finest ? worker : null}
        base={props.base}
        ask={{ directions, settings, reliability, areas, routes: NO_ROUTES }}
        link={drawn[0]!}
      />
      {!isOther && (
        <NextBestPart
          {...{ next, base, units }}
          links={drawn}
          names={new Map([...marks, ...routes, ...areas].map(({ id, name }) => [id, name]))}
          areas={areas.length > 0}
        />
      )}
      {props.honest}
      {map && (
        <TakeReachOut
          {...{ worker, base, directions, reliability, settings, map }}
          radiusM={mapM}
          trialName={props.trialName}
          links={drawn}
          sentence={first ?? sentence}
        />
      )}
    </>
  )
}

const NO_ROUTES: never[] = []
