'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { clashesOf } from '@/core/trial'
import { BlindPart } from './BlindPart'
import { CarriedPart } from './CarriedPart'
import { ChangesPart } from './ChangesPart'
import { ClockPart } from './ClockPart'
import { ConditionsPart } from './ConditionsPart'
import { DevicePart } from './DevicePart'
import { EarPart } from './EarPart'
import { EndPart } from './EndPart'
import { FilePart } from './FilePart'
import { LogPart } from './LogPart'
import { MenuTheme, menuVars } from './MenuTheme'
import { OthersPart } from './OthersPart'
import { Part } from './Part'
import { PositionPart } from './PositionPart'
import type { MenuProps } from './shared'
import { WherePart } from './WherePart'
import { WhyNotPart } from './WhyNotPart'

/** All that is not needed for every check. */
export function FieldMenu({ first = null, ...props }: MenuProps & { first?: 'why' | 'others' | null }) {
  const { pack, handle, settings, onClose } = props
  const clashes = clashesOf(handle.log).length
  return (
    <MenuTheme name={settings.theme}>
      <Dialog
        open
        fullScreen
        disableRestoreFocus
        onClose={onClose}
        aria-labelledby="more-title"
        slotProps={{
          paper: { style: { ...menuVars(settings.theme), background: 'var(--paper)', color: 'var(--ink)' } },
        }}
      >
        <Box sx={{ maxWidth: 640, width: '100%', mx: 'auto', p: 2 }}>
          <Box sx={{ display: 'flex', alignItems: 'center', mb: 1, gap: 1 }}>
            <Typography id="more-title" variant="h2" component="h1" sx={{ flex: 1 }}>
              {pack.plan.trialName}
            </Typography>
            <Button variant="contained" size="large" onClick={onClose}>
              Back to the log
            </Button>
          </Box>
          {settings.role === 'base' && !settings.alone && (
            <Part
              title="The others: their last word, what comes next"
              open={first === 'others'}
              atOnce={first === 'others'}
            >
              <OthersPart {...props} />
            </Part>
          )}
          <Part title="Go, skip, new marks" open={first === null}>
            <WherePart {...props} />
          </Part>
          <Part title="Heard on the way: comparisons, the edge, other stations">
            <EarPart {...props} />
          </Part>
          <Part title="Throughput and delay">
            <CarriedPart {...props} />
          </Part>
          <Part
            title="Why was it not heard? Noise and other channels"
            open={first === 'why'}
            atOnce={first === 'why'}
          >
            <WhyNotPart {...props} />
          </Part>
          <Part title="Changes: attenuator, rigs, legs">
            <ChangesPart {...props} />
          </Part>
          <Part title="Work to a clock; send now, grade later">
            <ClockPart {...props} />
          </Part>
          <Part title="Conditions, at the start and at the end">
            <ConditionsPart {...props} />
          </Part>
          <Part title="Blind order">
            <BlindPart {...props} />
          </Part>
          <Part title={`The log${clashes > 0 ? `: ${clashes} to settle` : ''}`} open={clashes > 0}>
            <LogPart {...props} />
          </Part>
          <Part title="Position">
            <PositionPart {...props} />
          </Part>
          <Part title="This device: who you are, times, look">
            <DevicePart {...props} />
          </Part>
          <Part title="To a file, and what is only here">
            <FilePart {...props} />
          </Part>
          <Part title="The end of the run">
            <EndPart {...props} />
          </Part>
          <Box sx={{ borderTop: '1px solid var(--rule)', py: 2 }}>
            <PageLink href={`/trials/${pack.trialId}/field`}>Leave the field screen</PageLink>
          </Box>
        </Box>
      </Dialog>
    </MenuTheme>
  )
}
