import { claimWords, edgeClaimWords, type Findings } from '@/core/findings'
import type { EdgeReach } from '@/core/reach'
import type { Link } from '@/core/kit'
import type { Units } from '@/core/units'
import type { Settings } from '../frame/ruleParams'
import { PlacePart } from '../frame/PlaceHead'
import { ClaimsForm } from './ClaimsForm'

interface Props {
  links: readonly Link[]
  runId: string
  findings: Findings
  settings: Settings
  /** Reaches by walks to the edge, where those are what there is. */
  edges: readonly EdgeReach[]
  units: Units
}

/** What a maker or anybody else says that a link reaches, held against what was found. */
export function ClaimsSection({ links, runId, findings, settings, edges, units }: Props) {
  const claimed = links.filter((l) => settings.claims[l.id] !== undefined)
  const claimSaid = (id: string, name: string) => {
    const claimM = settings.claims[id]!
    const walked = edges.find((e) => e.link === id)
    if (walked) return edgeClaimWords(name, claimM, walked, units)
    const usable = findings.usable.filter((u) => u.linkId === id)
    return claimWords(name, claimM, usable, settings.reliability, units)
  }
  return (
    <PlacePart title="Maker’s claims">
      <ClaimsForm
        {...{ runId, settings, units }}
        links={links.map(({ id, letter, name }) => ({ id, letter, name }))}
      />
      {claimed.length === 0 ? (
        <p style={{ margin: 0 }}>Type the reach that a maker or anybody else claims for a rig.</p>
      ) : (
        <ul style={{ margin: 0, paddingLeft: 20 }}>
          {claimed.map((l) => (
            <li key={l.id}>{claimSaid(l.id, l.name)}</li>
          ))}
        </ul>
      )}
    </PlacePart>
  )
}
