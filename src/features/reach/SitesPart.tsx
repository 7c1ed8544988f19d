'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import type { ReactNode } from 'react'
import { inverse, type Place } from '@/core/geo'
import type { Link as RigLink } from '@/core/kit'
import { pointsOneWay } from '@/core/kit/rig/taken'
import type { Share } from '@/core/reach/map/jointDraws'
import { shareRange, shareText } from '@/core/reach/map/mapWords'
import { pairsSentence, sitesSentence, type NamedSite } from '@/core/reach/map/siteWords'
import type { SitesTogether, SiteWorth } from '@/core/reach/map/sitesTogether'
import { distanceText, heightText, percentText, type Units } from '@/core/units'
import type { Answer } from '@/ui/answers/useAnswer'
import { Table } from '@/ui/table/Table'

/** A candidate for a base, or a relay's place. */
export type ReachSite = NamedSite & Place

interface Props {
  trialId: string
  /** What they add; asked once the map is as fine as it gets. */
  answer: Answer<SitesTogether>
  base: Place & { name: string }
  /** What is to be covered, as it is spoken of. */
  toCover: string
  link: RigLink
  sites: ReachSite[]
  /** So much of it is needed, 0 to 1. */
  needed: number
  /** Sites that lie too far off to be tried. */
  leftOut: number
  units: Units
}

/** What other bases and relays would add to the base, and what all cover together. */
export function SitesPart(props: Props) {
  const { answer, base, link, sites, needed, toCover, units } = props
  const found = answer.value
  return (
    <Box component="section" sx={{ my: 3 }}>
      <Typography variant="h2" component="h2" gutterBottom>
        Other bases and relays
      </Typography>
      {sites.length === 0 ? (
        <Box sx={{ color: 'var(--soft)' }}>
          No other site is marked{props.leftOut > 0 && ' near enough'}. Mark a candidate for a base or a
          relay’s place under <PageLink href={`/trials/${props.trialId}/ground`}>Ground</PageLink>, and what
          it would add stands here.
        </Box>
      ) : (
        <>
          <Box role="status" sx={{ fontWeight: 700, mb: 1, minHeight: '1.5em', maxWidth: 980 }}>
            {answer.at === 'failed' && `It could not be worked out: ${answer.why}.`}
            {answer.at !== 'failed' && !found && 'Working it out…'}
            {found && sitesSentence(found, sites, toCover, needed)}
          </Box>
          {found && <SitesTable {...{ found, sites, base, units }} />}
          {found && (
            <Box sx={{ color: 'var(--soft)', mt: 1, maxWidth: 980 }}>
              For {link.letter}, {link.name}, with the base’s own rig at{' '}
              {heightText(link.base.antennaHeightM, units)} on each site.{' '}
              {pointsOneWay(link.base) &&
                'How its antenna would point there nobody said: it is taken to point at whoever calls. '}
              {sites.length > 1 &&
                `Each next adds most to those above it: ${found.order.map((o) => `${percentText(o.share.median)} with ${nameOf(sites, o.id)}`).join(', then ')}. `}
              From at least one of all {shareText(found.atLeastOne)} of {toCover} is covered, from at least
              two {shareText(found.atLeastTwo)}.{` ${pairsSentence(found, sites, toCover)}`}
              {props.leftOut > 0 && ` Sites farther off are left out: ${props.leftOut}.`}
            </Box>
          )}
        </>
      )}
    </Box>
  )
}

const nameOf = (sites: readonly ReachSite[], id: string) => sites.find((s) => s.id === id)?.name ?? 'a site'

const linkedText = ({ linked }: SiteWorth) =>
  linked === null ? 'ground not known' : `${Math.round(100 * linked)} of 100`

const HEADS = [
  'From it alone',
  'With the base',
  'Relay: heard there',
  'heard from there',
  'copies the base',
  'through to the base',
] as const

/** A share large, where it lies nine times in ten below it. */
function ShareCell({ head, share, strong }: { head: string; share: Share; strong?: boolean }) {
  return (
    <td data-label={head} style={{ fontWeight: strong ? 700 : 400 }}>
      {percentText(share.median)} <Soft>{shareRange(share)}</Soft>
    </td>
  )
}

const Soft = ({ children }: { children: ReactNode }) => (
  <Box
    component="span"
    sx={{ color: 'var(--soft)', fontSize: '0.88rem', fontWeight: 400, display: { md: 'block' } }}
  >
    {children}
  </Box>
)

function SitesTable({
  found,
  sites,
  base,
  units,
}: {
  found: SitesTogether
  sites: ReachSite[]
  base: Place & { name: string }
  units: Units
}) {
  const [alone, withBase, heard, from, copies, through] = HEADS
  return (
    <Table
      label="Other bases and relays"
      stacks
      head={
        <>
          <th>Site</th>
          {HEADS.map((h) => (
            <th key={h}>{h}</th>
          ))}
        </>
      }
    >
      <tr>
        <th scope="row">
          {base.name} <Soft>the base now</Soft>
        </th>
        <ShareCell head={alone} share={found.base} strong />
        <td colSpan={HEADS.length - 1} />
      </tr>
      {found.order.map(({ id }) => {
        const [s, worth] = [sites.find((o) => o.id === id), found.sites.find((w) => w.id === id)]
        if (!s || !worth) return null
        return (
          <tr key={id}>
            <th scope="row">
              {s.name}{' '}
              <Soft>
                {s.role}, {distanceText(inverse(base, s).distanceM, units)} away
              </Soft>
            </th>
            <ShareCell head={alone} share={worth.alone} />
            <ShareCell head={withBase} share={worth.withBase} strong />
            <ShareCell head={heard} share={worth.in} />
            <ShareCell head={from} share={worth.out} />
            <td data-label={copies}>{linkedText(worth)}</td>
            <ShareCell head={through} share={worth.through} strong />
          </tr>
        )
      })}
    </Table>
  )
}
