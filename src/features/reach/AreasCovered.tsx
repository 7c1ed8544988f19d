import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { bearingText, coordinateText, inverse, type Place } from '@/core/geo'
import type { Link as RadioLink } from '@/core/kit'
import { shareText } from '@/core/reach/map/mapWords'
import type { ReachMap } from '@/core/reach/map/reachMap'
import { areaText, distanceText, type Units } from '@/core/units'
import { RigBadge } from '@/ui/shell'
import { Table } from '@/ui/table/Table'
import { looksOf } from '@/ui/theme/palette'

interface Props {
  trialId: string
  areas: { id: string; name: string }[]
  map: ReachMap
  links: RadioLink[]
  base: Place
  units: Units
}

/** A hole as one finds it: its size, how far out and on which bearing, and its coordinates. */
function holeText(hole: { km2: number; place: Place }, base: Place, units: Units): string {
  const { distanceM, bearingDeg } = inverse(base, hole.place)
  return `${areaText(hole.km2, units)}, ${distanceText(distanceM, units)} out on ${bearingText(bearingDeg)}, at ${coordinateText(hole.place, 'degrees')}`
}

/** Ground to be covered: the share that each link covers, and the holes. */
export function AreasCovered({ trialId, areas, map, links, base, units }: Props) {
  const looks = looksOf(links.map((l) => l.letter))
  return (
    <Box component="section" sx={{ my: 3 }}>
      <Typography variant="h2" component="h2" gutterBottom>
        Areas to be covered
      </Typography>
      {areas.length === 0 ? (
        <Box sx={{ color: 'var(--soft)' }}>
          None is marked. Draw one under <PageLink href={`/trials/${trialId}/ground`}>Ground</PageLink> as
          “ground to be covered”, and its share and its holes stand here.
        </Box>
      ) : (
        <Table
          label="Areas to be covered"
          stacks
          head={
            <>
              <th>Area</th>
              <th>Rig</th>
              <th>Share covered, nine times in ten</th>
              <th>Holes, the largest first</th>
            </>
          }
        >
          {areas.flatMap((a) => {
            const found = map.areas.find((m) => m.id === a.id)
            return links.map((l, i) => (
              <tr key={`${a.id} ${l.id}`}>
                <th scope="row">{i === 0 ? a.name || 'an area without a name' : ''}</th>
                <td data-label="Rig">
                  <RigBadge letter={l.letter} index={looks[i]!} size={18} /> {l.name}
                </td>
                <td data-label="Share covered">
                  <b>{found?.links[i] ? shareText(found.links[i]) : '…'}</b>
                </td>
                <td data-label="Holes">
                  {found?.holes[i]?.length === 0 && 'none'}
                  {found?.holes[i]?.map((h, k) => (
                    <div key={k}>{holeText(h, base, units)}</div>
                  ))}
                </td>
              </tr>
            ))
          })}
        </Table>
      )}
    </Box>
  )
}
