'use client'

import { figureText, percentText, signedText } from '@/core/units'
import type { Link } from '@/core/kit'
import { pathOver, predictBoth, type PredictionSettings } from '@/core/reach'
import type { GroundProfile } from '@/core/terrain'
import { RigBadge } from '@/ui/shell'
import { Table } from '@/ui/table/Table'
import { looksOf } from '@/ui/theme/palette'

interface Props {
  links: Link[]
  profile: GroundProfile
  settings: PredictionSettings
  /** Heights that are tried in place of the rigs' own; null for those. */
  heights: { nearM: number; farM: number } | null
}

/** What each link should do at the far end of a profile, each direction. */
export function ExpectedThere({ links, profile, settings, heights }: Props) {
  const looks = looksOf(links.map((l) => l.letter))
  return (
    <Table
      label="What to expect there"
      head={
        <>
          <th>Link</th>
          <th>To base</th>
          <th>From base</th>
          <th>Weaker way</th>
        </>
      }
    >
      {links.map((link, i) => {
        const at = {
          ...link,
          base: { ...link.base, antennaHeightM: heights?.nearM ?? link.base.antennaHeightM },
          out: { ...link.out, antennaHeightM: heights?.farM ?? link.out.antennaHeightM },
        }
        const p = predictBoth(at, pathOver(profile), settings)
        const cell = (x: typeof p.toBase) => (
          <td title={x.notes.join('; ')}>
            <b>{percentText(x.chance)}</b>{' '}
            <span style={{ color: 'var(--soft)' }}>
              {figureText(x.levelDbm, 0)} dBm, {signedText(x.marginDb, 0)} dB
            </span>
          </td>
        )
        return (
          <tr key={link.id}>
            <td style={{ whiteSpace: 'nowrap' }}>
              <RigBadge letter={link.letter} index={looks[i]!} size={20} /> {link.name}
            </td>
            {cell(p.toBase)}
            {cell(p.fromBase)}
            <td style={{ color: 'var(--soft)' }}>{p.why}</td>
          </tr>
        )
      })}
    </Table>
  )
}
