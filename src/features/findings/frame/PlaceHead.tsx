import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

/** The heading of a place, what it says in a sentence, and what can be done there. */
export function PlaceHead({
  title,
  says,
  children,
}: {
  title: string
  says?: ReactNode
  children?: ReactNode
}) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start', mb: 1.5 }}>
      <Box sx={{ flex: 1, minWidth: 260 }}>
        <Typography variant="h2" component="h2">
          {title}
        </Typography>
        {says && <Box sx={{ maxWidth: 860, mt: 0.5 }}>{says}</Box>}
      </Box>
      {children}
    </Box>
  )
}

/** A part of a place under a heading of its own. */
export function PlacePart({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 3.5 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 1, fontSize: '1.2rem' }}>
        {title}
      </Typography>
      {children}
    </Box>
  )
}

/** Sentences one under another. */
export const Sentences = ({ of }: { of: readonly string[] }) => (
  <ul style={{ margin: 0, paddingLeft: 20, maxWidth: 860 }}>
    {of.map((w) => (
      <li key={w}>{w}</li>
    ))}
  </ul>
)
