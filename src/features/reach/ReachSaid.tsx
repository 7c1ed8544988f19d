import Box from '@mui/material/Box'
import type { Link } from '@/core/kit'
import { areaSentence, mapSentence } from '@/core/reach/map/mapWords'
import type { ReachMap } from '@/core/reach/map/reachMap'
import type { Units } from '@/core/units'

/** What the map says, and of the first area to be covered before it, where there is one. */
export function sentencesOf(
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

/** What the map says, the largest on the page: of the area to be covered first, where there is one. */
export function ReachSaid({
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
