import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Link } from '@/core/kit'
import { shareText } from '@/core/reach/map/mapWords'
import type { ReachMap, Stretch } from '@/core/reach/map/reachMap'
import { legReachesHead, legReachText, linkKey, type LegReachOnGround } from '@/core/reach'
import { distanceText, type Units } from '@/core/units'
import { RigBadge } from '@/ui/shell'
import { looksOf, rigLook } from '@/ui/theme/palette'

interface Props {
  /** How far each link is copied along them without a gap; empty where other figures are set than the trial's. */
  onLegs: LegReachOnGround[]
  routes: { id: string; name: string }[]
  map: ReachMap
  links: Link[]
  units: Units
}

const HEIGHT = 16

/** Fill of a stretch: full where it is covered, hatched in doubt, empty where it is not, dotted where nobody knows. */
function Ribbon({
  stretches,
  lengthM,
  hue,
  id,
}: {
  stretches: Stretch[]
  lengthM: number
  hue: string
  id: string
}) {
  const fill = { covered: hue, 'in doubt': `url(#${id})`, 'not covered': 'none', 'not known': 'none' }
  return (
    <svg
      viewBox={`0 0 1000 ${HEIGHT}`}
      preserveAspectRatio="none"
      style={{ width: '100%', height: HEIGHT, display: 'block', border: '1px solid var(--ink)' }}
      aria-hidden
    >
      <pattern id={id} width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="4" height="8" fill={hue} />
      </pattern>
      {stretches.map((s) => (
        <rect
          key={s.fromM}
          x={(1000 * s.fromM) / lengthM}
          width={(1000 * (s.toM - s.fromM)) / lengthM}
          height={HEIGHT}
          fill={fill[s.state]}
          opacity={s.state === 'covered' ? 0.85 : 0.7}
        />
      ))}
    </svg>
  )
}

/** Stretches that are not surely covered, by distance along the way. */
function doubtText(stretches: Stretch[], units: Units): string {
  const of = (state: Stretch['state']) =>
    stretches
      .filter((s) => s.state === state)
      .map((s) => `${distanceText(s.fromM, units)} to ${distanceText(s.toM, units)}`)
      .join(', ')
  const parts = (['in doubt', 'not covered', 'not known'] as const).flatMap((state) => {
    const text = of(state)
    return text === '' ? [] : [`${state} ${text}`]
  })
  return parts.length === 0 ? 'covered all the way' : parts.join('; ')
}

function ReachHere({ reach, units }: { reach: LegReachOnGround | undefined; units: Units }) {
  return reach ? (
    <>
      <b>{legReachText(reach, units)}</b>;{' '}
    </>
  ) : null
}

/** The ways out: how much of each is covered, and where it is in doubt, by distance along it. */
export function RoutesCovered({ routes, map, links, onLegs, units }: Props) {
  const looks = looksOf(links.map((l) => l.letter))
  if (routes.length === 0) return null
  return (
    <Box component="section" aria-labelledby="along" sx={{ my: 3 }}>
      <Typography id="along" variant="h2" component="h2" gutterBottom>
        Along the ways out
      </Typography>
      <Box sx={{ color: 'var(--soft)', mb: 1 }}>
        Full: covered nine times in ten or surer. Hatched: in doubt. Empty: not covered.
        {onLegs[0] && ` ${legReachesHead(onLegs[0].chance)}`}
      </Box>
      {routes.map((r) => {
        const found = map.routes.find((m) => m.id === r.id)
        if (!found) return null
        return (
          <Box key={r.id} sx={{ mb: 2 }}>
            <b>{r.name}</b>, {distanceText(found.lengthM, units)}
            {links.map((l, i) => (
              <Box
                key={l.id}
                sx={{
                  display: 'grid',
                  gap: '2px 12px',
                  alignItems: 'center',
                  gridTemplateColumns: { xs: '34px 1fr', md: '34px minmax(200px, 460px) 1fr' },
                  my: 0.5,
                }}
              >
                <RigBadge letter={l.letter} index={looks[i]!} size={18} />
                <Ribbon
                  stretches={found.stretches[i] ?? []}
                  lengthM={found.lengthM || 1}
                  hue={rigLook(looks[i]!).hue}
                  id={`doubt-${r.id}-${i}`}
                />
                <Box sx={{ gridColumn: { xs: '1 / -1', md: 'auto' } }}>
                  <ReachHere
                    reach={onLegs.find((o) => o.legId === r.id && o.key === linkKey(l))}
                    units={units}
                  />
                  {found.share[i] && shareText(found.share[i])}: {doubtText(found.stretches[i] ?? [], units)}
                </Box>
              </Box>
            ))}
          </Box>
        )
      })}
    </Box>
  )
}
