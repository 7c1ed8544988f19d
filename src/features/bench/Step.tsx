import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

/** A step of the work at the bench, by its number. */
export function Step({
  n,
  title,
  done,
  children,
}: {
  n: number
  title: string
  done?: string | null
  children: ReactNode
}) {
  return (
    <Box component="section" sx={{ mb: 2.5 }}>
      <Typography variant="h3" component="h2" sx={{ mb: 1, display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Box
          component="span"
          aria-hidden
          sx={{
            width: 26,
            height: 26,
            lineHeight: '26px',
            textAlign: 'center',
            flexShrink: 0,
            background: 'var(--ink)',
            color: 'var(--paper)',
            borderRadius: '50%',
            fontSize: '0.95rem',
          }}
        >
          {n}
        </Box>
        {title}
        {done && (
          <Box component="span" sx={{ color: 'var(--soft)', fontWeight: 400, fontSize: '0.9rem' }}>
            {done}
          </Box>
        )}
      </Typography>
      {children}
    </Box>
  )
}
