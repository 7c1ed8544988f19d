import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import type { Answer } from '@/core/findings'
import type { Units } from '@/core/units'
import { AnswerLines } from './AnswerLines'

/** Cautions and other things beyond these are folded away. */
const MOST_CAUTIONS = 2
const MOST_BESIDE = 2

/** The first of some sentences, the rest behind a fold. */
function FirstOnes({
  of,
  most,
  more,
  className,
  sx,
}: {
  of: readonly string[]
  most: number
  more: string
  className?: string
  sx: object
}) {
  if (of.length === 0) return null
  return (
    <Box className={className} sx={sx}>
      {of.slice(0, most).map((w) => (
        <Box key={w} sx={{ mb: 0.5 }}>
          {w}
        </Box>
      ))}
      {of.length > most && (
        <details>
          <summary style={{ cursor: 'pointer' }}>
            {of.length - most} {more}
          </summary>
          {of.slice(most).map((w) => (
            <Box key={w} sx={{ mt: 0.5 }}>
              {w}
            </Box>
          ))}
        </details>
      )}
    </Box>
  )
}

interface Props {
  answer: Answer
  /** The look of each link, by its id. */
  looks: Record<string, number>
  units: Units
  /** What changes the copy rule. */
  change?: ReactNode
}

/** The answer on one screen: what was found, each rig on a common scale, how sure it is, what would settle it. */
export function AnswerView({ answer, looks, units, change }: Props) {
  const { lead, detail, sure, settle, copied, cautions, beside } = answer
  return (
    <Box
      component="section"
      aria-label="Answer"
      sx={{
        maxWidth: 1060,
        display: 'flex',
        flexDirection: 'column',
        '& > .lines': { order: { xs: 1, md: 0 } },
        '& > .after': { order: { xs: 3, md: 0 } },
        '& > .beside': { order: { xs: 2, md: 0 } },
        '& > .cautions': { order: { xs: 2, md: 0 } },
      }}
    >
      <Typography
        variant="h2"
        component="h2"
        sx={{ fontSize: { xs: '1.25rem', md: '1.75rem' }, lineHeight: 1.2, fontWeight: 700, mb: 0.5 }}
      >
        {lead}
      </Typography>
      {detail.length > 0 && (
        <Box className="beside" sx={{ maxWidth: 860, mb: 1 }}>
          {detail.map((d) => (
            <Box key={d} component="span" sx={{ display: detail.length > 2 ? 'block' : 'inline' }}>
              {d}{' '}
            </Box>
          ))}
        </Box>
      )}
      <FirstOnes
        of={cautions}
        className="cautions"
        most={MOST_CAUTIONS}
        more="more to know before this is believed"
        sx={{ borderLeft: '4px solid var(--bad)', pl: 1.75, maxWidth: 860 }}
      />
      <div className="lines">
        <AnswerLines {...{ answer, looks, units }} />
      </div>
      <Box className="after" sx={{ maxWidth: 860, display: 'grid', gap: 0.5 }}>
        <span>
          {sure} {settle && <b>{settle}</b>}
        </span>
        {(copied || change) && (
          <span>
            {copied && `Copied means ${copied}. `}
            {change}
          </span>
        )}
        <FirstOnes of={beside} most={MOST_BESIDE} more="more in this log" sx={{ mt: 0.5 }} />
      </Box>
    </Box>
  )
}
