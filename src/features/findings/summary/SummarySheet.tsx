import type { ReactNode } from 'react'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { LinkButton } from '@/ui/shell/LinkButton'
import { FindingsToCome } from '../frame/FindingsToCome'
import type { AskedFindings } from '../frame/openFindings'
import { paramsFromSettings } from '../frame/ruleParams'
import { PrintButton } from './PrintButton'

interface Props {
  asked: AskedFindings
  /** What is on it; nothing while that is worked out. */
  children?: ReactNode
}

/** The sheet to print with its head, which is there before what it says. */
export function SummarySheet({ asked: { open, plan, shown, settings }, children }: Props) {
  return (
    <Box
      sx={{
        maxWidth: 980,
        '@media print': {
          zoom: 0.62,
          maxWidth: 'none',
          '& h3': { mt: 1 },
          '& td, & th': { py: 0.3 },
          '& details': { display: 'none' },
        },
      }}
    >
      <Box className="no-print" sx={{ display: 'flex', gap: 1, mb: 2 }}>
        <PrintButton disabled={!children} />
        <LinkButton href={`/trials/${open.trial.id}/findings?${paramsFromSettings(settings, shown.row.id)}`}>
          Back to the findings
        </LinkButton>
      </Box>
      <Typography variant="h1" component="h1" sx={{ mb: 0.25 }}>
        {plan.trialName}
      </Typography>
      <Typography sx={{ color: 'var(--soft)', mb: 1.5 }}>
        {plan.question} {shown.row.name}, {shown.row.startedAt.slice(0, 10)}
        {plan.base && `, from ${plan.base.name}`}.
      </Typography>
      {children ?? <FindingsToCome />}
    </Box>
  )
}
