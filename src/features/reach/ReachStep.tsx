'use client'

import Box from '@mui/material/Box'
import { useMemo } from 'react'
import { usedGround } from '@/core/offered'
import { placedSite } from '@/core/geo'
import { stateWords } from '@/core/reach'
import { PageHead, Refused } from '@/ui/shell'
import { AreasCovered } from './AreasCovered'
import { UNSET } from './asSet'
import { EnoughPart } from './EnoughPart'
import { NotAsInKit } from './NotAsInKit'
import { SitesPart } from './SitesPart'
import { MapChoices } from './MapChoices'
import { NextBestPart } from './NextBestPart'
import { ReachKey } from './ReachKey'
import { ReachMissing } from './ReachMissing'
import { ReachOnMap } from './ReachOnMap'
import { ReachSaid } from './ReachSaid'
import { RoutesCovered } from './RoutesCovered'
import { SetSliders } from './SetSliders'
import { TakeReachOut } from './TakeReachOut'
import { NO_ROUTES, useReach, type PlacedReachProps, type ReachStepProps } from './useReach'

/** Where it holds: the reach of one link, or what one wins over another, on the ground. */
export function ReachStep(props: ReachStepProps) {
  const base = useMemo(() => placedSite(props.site), [props.site])
  const { grids } = usedGround(props.ground)
  if (props.links.length === 0) return <ReachMissing trialId={props.trialId} what="links" />
  if (!base) return <ReachMissing trialId={props.trialId} what="base" />
  if (grids.length === 0) return <ReachMissing trialId={props.trialId} what="ground" />
  return <ReachMapStep {...props} base={base} />
}

function ReachMapStep(props: PlacedReachProps) {
  const { links, units, correction } = props
  const {
    chosen,
    used,
    worker,
    groundKey,
    settings,
    areas,
    routes,
    marks,
    own,
    onLegs,
    next,
    worths,
    map,
    said,
    toCover,
    ...found
  } = useReach(props)
  const { shown, directions, reliability, usualM, radiusM, mapM, set, needed, drawn } = chosen
  const { sites, leftOut, base, together, fromId, setFrom, choices } = chosen.bases
  return (
    <>
      <PageHead title="Reach">
        <Box sx={{ color: 'var(--soft)' }}>{stateWords(correction)}</Box>
      </PageHead>
      <ReachSaid {...said} busy={found.busy} two={areas.length > 0} />
      {found.failure && (
        <Refused
          title="The map could not be worked out"
          problems={[{ where: 'Reach', message: `${found.failure}. Reload the page to try again.` }]}
        />
      )}
      <MapChoices
        {...{ links, shown, directions, radiusM, usualM, units }}
        asked={props.directions}
        against={!together}
        bases={choices}
        from={fromId}
        onFrom={setFrom}
        onShown={chosen.setShown}
        onDirections={chosen.setDirections}
        onRadius={chosen.setRadius}
      />
      <ReachOnMap
        {...{ worker, base, routes, marks, areas, map, settings, directions, worths, sites, units }}
        radiusM={radiusM === usualM ? null : radiusM}
        backdrops={used.backdrops}
        all={together}
        gridIds={used.grids.map((g) => g.id).join()}
        links={drawn}
      />
      <ReachKey {...{ reliability, map }} links={drawn} corrected={correction !== null} all={together} />
      <SetSliders
        {...{ set, reliability, units }}
        link={drawn[0]!}
        onSet={chosen.setSet}
        onReliability={chosen.setReliability}
      />
      <NotAsInKit set={set} links={drawn.length} onReset={() => chosen.setSet(UNSET)} />
      {!together && (
        <>
          {map && <AreasCovered {...{ areas, map, base, units }} links={drawn} trialId={props.trialId} />}
          {map && <RoutesCovered {...{ routes, map, onLegs, units }} links={drawn} />}
          <EnoughPart
            {...{ groundKey, base, links, needed, toCover, units }}
            onNeeded={chosen.setNeeded}
            radiusM={mapM}
            worker={found.finest ? worker : null}
            ask={{ directions, settings, reliability, areas, routes: NO_ROUTES }}
            first={drawn[0]!}
            burdens={new Map(props.burdens)}
          />
        </>
      )}
      <SitesPart
        {...{ units, sites, leftOut, needed, toCover }}
        answer={found.withSites}
        trialId={props.trialId}
        base={props.base}
        link={drawn[0]!}
      />
      {own && (
        <NextBestPart
          {...{ next, base, toCover, units }}
          links={drawn}
          names={new Map([...marks, ...routes, ...areas].map(({ id, name }) => [id, name]))}
        />
      )}
      {props.honest}
      {map && !together && (
        <TakeReachOut
          {...{ worker, base, directions, reliability, settings, map }}
          radiusM={mapM}
          trialName={props.trialName}
          links={drawn}
          sentence={said.first ?? said.sentence}
        />
      )}
    </>
  )
}
