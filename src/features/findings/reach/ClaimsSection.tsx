import { claimWords, type Findings } from '@/core/findings'
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
  units: Units
}

/** What a maker or anybody else says that a link reaches, held against what was found. */
export function ClaimsSection({ links, runId, findings, settings, units }: Props) {
  const claimed = links.filter((l) => settings.claims[l.id] !== undefined)
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
            <li key={l.id}>
              {claimWords(
                l.name,
                settings.claims[l.id]!,
                findings.usable.filter((u) => u.linkId === l.id),
                settings.reliability,
                units,
              )}
            </li>
          ))}
        </ul>
      )}
    </PlacePart>
  )
}
