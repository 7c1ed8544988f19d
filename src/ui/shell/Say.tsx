import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'

/** What went wrong: what, where, and what would be right. */
export function Refused({
  title,
  problems,
}: {
  title: string
  problems: { where: string; message: string }[]
}) {
  return (
    <Box role="alert" sx={{ border: '1px solid var(--bad)', borderRadius: '3px', px: 2, py: 1.5, my: 1.5 }}>
      <Typography sx={{ fontWeight: 700 }}>{title}</Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {problems.slice(0, 30).map((p, i) => (
          <li key={i}>
            {p.where && <b>{p.where}: </b>}
            {p.message}
          </li>
        ))}
      </Box>
      {problems.length > 30 && <Typography>and {problems.length - 30} more.</Typography>}
    </Box>
  )
}

/** In the place of every page: the database cannot be used, and what is right then. */
export function NoDatabase({ why }: { why: string }) {
  return (
    <Box component="main" sx={{ maxWidth: 720, mx: 'auto', px: 2, py: 6 }}>
      <Typography variant="h1" component="h1" sx={{ mb: 2 }}>
        The database cannot be used
      </Typography>
      <Box role="alert" sx={{ borderLeft: '6px solid var(--bad)', pl: 2, overflowWrap: 'anywhere' }}>
        {why}
      </Box>
      <Box sx={{ mt: 2, color: 'var(--soft)' }}>
        What telephones log stays on them, and comes here afterwards.
      </Box>
    </Box>
  )
}

/** An empty state: what the step is for and the one action that starts it. */
export function Empty({
  title,
  children,
  action,
}: {
  title: string
  children: ReactNode
  action: ReactNode
}) {
  return (
    <Box sx={{ border: '2px dashed var(--rule)', p: { xs: 2.5, md: 4 }, my: 2, maxWidth: 720 }}>
      <Typography variant="h2" component="h2" gutterBottom>
        {title}
      </Typography>
      <Typography sx={{ mb: 2, color: 'var(--soft)' }}>{children}</Typography>
      {action}
    </Box>
  )
}

export function PageHead({ title, lead, children }: { title: string; lead?: string; children?: ReactNode }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'flex-end', gap: 2, mb: 2 }}>
      <Box sx={{ flex: '1 1 320px' }}>
        <Typography variant="h1" component="h1">
          {title}
        </Typography>
        {lead && <Typography sx={{ color: 'var(--soft)', mt: 0.5, maxWidth: 760 }}>{lead}</Typography>}
      </Box>
      {children}
    </Box>
  )
}
