import Box from '@mui/material/Box'
import { PageLink } from '@/ui/shell/PageLink'
import { countText } from '@/core/units'

const DAY_MS = 24 * 3_600_000
/** Entries that are nowhere else for so long are spoken of, days. */
const PATIENCE_DAYS = 14

interface Props {
  /** Entries that came since the last backup, and since when the first of them is here. */
  since: number
  oldest: string | null
  now: number
}

/** Reminds of a backup once there are entries that have long been nowhere else. */
export function BackupReminder({ since, oldest, now }: Props) {
  const days = oldest === null ? 0 : Math.floor((now - Date.parse(oldest)) / DAY_MS)
  if (days < PATIENCE_DAYS) return null
  return (
    <Box role="note" sx={{ borderLeft: '6px solid var(--accent-fill)', pl: 1.5, mb: 2 }}>
      {countText(since, 'entry is', 'entries are')} on this machine alone, some for {days} days.{' '}
      <PageLink href="/keep" style={{ color: 'var(--accent)', fontWeight: 700 }}>
        Back up everything
      </PageLink>
    </Box>
  )
}
