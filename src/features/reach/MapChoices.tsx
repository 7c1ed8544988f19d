import Box from '@mui/material/Box'
import type { Direction, Link } from '@/core/kit'
import { distanceText, type Units } from '@/core/units'
import { PickOne } from '@/ui/fields/PickOne'

interface Props {
  links: Link[]
  /** Ids of the one or two that are drawn. */
  shown: string[]
  onShown: (ids: string[]) => void
  /** Whether one can be held against another. */
  against: boolean
  /** The trial's base first; where there are others one chooses. */
  bases: { id: string; name: string }[]
  from: string
  onFrom: (id: string) => void
  /** The trial's own. */
  asked: Direction[]
  directions: Direction[]
  onDirections: (directions: Direction[]) => void
  radiusM: number
  usualM: number
  onRadius: (m: number) => void
  units: Units
}

const NOBODY = 'nobody'
const FARTHEST_M = 60_000
const WAYS = { both: 'the worse of both ways', 'to base': 'to base', 'from base': 'from base' }

const named = (l: Link) => ({ value: l.id, name: `${l.letter}  ${l.name}` })

/** What the map shows: whose reach, against whom, which way, how far out. */
export function MapChoices(props: Props) {
  const { links, shown, asked, directions, radiusM, usualM, units } = props
  const [first, second] = shown
  const bothWays = asked.includes('loop') || asked.length > 1
  const outTo = [usualM / 2, usualM, usualM * 2, usualM * 4].filter((m) => m <= FARTHEST_M)
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', mb: 1 }}>
      <PickOne
        label="Reach of"
        value={first!}
        options={links.map(named)}
        onPick={(id) => props.onShown([id, ...shown.slice(1).filter((s) => s !== id)])}
        sx={{ minWidth: 220 }}
      />
      {links.length > 1 && props.against && (
        <PickOne
          label="Against"
          value={second ?? NOBODY}
          options={[{ value: NOBODY, name: 'nobody' }, ...links.filter((l) => l.id !== first).map(named)]}
          onPick={(id) => props.onShown(id === NOBODY ? [first!] : [first!, id])}
          sx={{ minWidth: 220 }}
        />
      )}
      {props.bases.length > 1 && (
        <PickOne
          label="From"
          value={props.from}
          options={props.bases.map(({ id, name }) => ({ value: id, name }))}
          onPick={props.onFrom}
          sx={{ minWidth: 180 }}
        />
      )}
      {bothWays && (
        <PickOne
          label="Way"
          value={directions === asked ? 'both' : directions[0] === 'to base' ? 'to base' : 'from base'}
          options={(['both', 'to base', 'from base'] as const).map((value) => ({ value, name: WAYS[value] }))}
          onPick={(way) => props.onDirections(way === 'both' ? asked : [way])}
          sx={{ minWidth: 200 }}
        />
      )}
      <PickOne
        label="Out to"
        value={String(radiusM)}
        options={outTo.map((m) => ({ value: String(m), name: distanceText(m, units) }))}
        onPick={(m) => props.onRadius(Number(m))}
        sx={{ minWidth: 110 }}
      />
    </Box>
  )
}
