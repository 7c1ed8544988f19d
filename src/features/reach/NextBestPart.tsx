import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { bearingText, inverse, type Place } from '@/core/geo'
import type { Link } from '@/core/kit'
import type { NextOnMap } from '@/core/reach/map/nextOnMap'
import { distanceText, percentText, type Units } from '@/core/units'
import type { Answer } from '@/ui/answers/useAnswer'
import { RigBadge } from '@/ui/shell'
import { Table } from '@/ui/table/Table'
import { looksOf } from '@/ui/theme/palette'

interface Props {
  next: Answer<NextOnMap[]>
  links: Link[]
  /** Of marks, ways out and areas, by their ids. */
  names: ReadonlyMap<string, string>
  base: Place
  /** What is to be covered, as it is spoken of: its share is asked. */
  toCover: string
  units: Units
}

const SHOWN = 3
/** Less than this is not worth a walk. */
const LITTLE = 0.02

/** The best of each place (a stop makes all its checks), as far as it is worth a walk. */
export function worthwhile(next: readonly NextOnMap[]): NextOnMap[] {
  const seen = new Set<string>()
  return next.filter(({ at, narrows }) => {
    if (narrows < LITTLE) return false
    const key = `${at.place.lat} ${at.place.lon}`
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}

const ON = { mark: 'At', route: 'On', area: 'In' } as const

const whereText = ({ on, id }: NextOnMap['at'], names: Props['names']) =>
  `${ON[on]} ${names.get(id) ?? 'a place'}`

/** The next best check: where, with which rig and which way, and what it narrows for how long a walk. */
export function NextBestPart({ next, links, names, base, toCover, units }: Props) {
  const looks = looksOf(links.map((l) => l.letter))
  const asked = `${links.length > 1 ? 'what one covers more than the other' : `what ${links[0]!.letter} covers`} of ${toCover}`
  const best = next.at === 'there' ? worthwhile(next.value) : []
  return (
    <Box component="section" sx={{ my: 3 }}>
      <Typography variant="h2" component="h2" gutterBottom>
        The next best check
      </Typography>
      {next.at === 'asking' && <Box sx={{ color: 'var(--soft)' }}>Working it out…</Box>}
      {next.at === 'failed' && <Box role="alert">It could not be worked out: {next.why}.</Box>}
      {next.at === 'there' && best.length === 0 && (
        <Box>No single check at a mark, on a way out or in an area tells much more of {asked}.</Box>
      )}
      {best.length > 0 && (
        <>
          <Box sx={{ mb: 1 }}>
            For {asked}; a ring on the map is the larger, the more a check there tells.
          </Box>
          <Table
            label="The next best checks"
            stacks
            head={
              <>
                <th>Where</th>
                <th>Which</th>
                <th>Narrows its variance by</th>
                <th>On foot from the base</th>
              </>
            }
          >
            {best.slice(0, SHOWN).map((n) => {
              const i = links.findIndex((l) => l.id === n.linkId)
              return (
                <tr key={`${n.at.place.lat} ${n.at.place.lon}`}>
                  <th scope="row">
                    <b>{whereText(n.at, names)}</b>, {distanceText(n.at.distanceM, units)} out
                    {n.at.on === 'area' && ` on ${bearingText(inverse(base, n.at.place).bearingDeg)}`}
                  </th>
                  <td data-label="Which">
                    <RigBadge letter={links[i]!.letter} index={looks[i]!} size={18} /> {links[i]!.name},{' '}
                    {n.direction}
                  </td>
                  <td data-label="Narrows its variance by">{percentText(n.narrows)}</td>
                  <td data-label="On foot from the base">{Math.round(n.minutes)} min</td>
                </tr>
              )
            })}
          </Table>
        </>
      )}
    </Box>
  )
}
