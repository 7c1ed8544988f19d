import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import { poolOf } from './compute'
import { FigurePicker } from './FigurePicker'
import { PlacesNav } from './PlacesNav'
import { RunPicker } from './RunPicker'
import type { AskedFindings } from './openFindings'

/** What every place of the findings stands in: where one is, which run it is, and whether that counts. */
export function FindingsFrame({ asked, children }: { asked: AskedFindings; children: ReactNode }) {
  const { open, runs, shown, chosen, settings, figures } = asked
  const { apart } = poolOf(chosen, settings)
  return (
    <>
      <Box
        component="h1"
        sx={{ position: 'absolute', width: '1px', height: '1px', overflow: 'hidden', clipPath: 'inset(50%)' }}
      >
        Findings
      </Box>
      <PlacesNav trialId={open.trial.id}>
        {figures && <FigurePicker figures={figures} runId={shown.row.id} />}
        <RunPicker
          runId={shown.row.id}
          runs={runs.map((r) => ({ id: r.row.id, name: r.row.name, state: r.log.state }))}
        />
      </PlacesNav>
      {shown.log.state === 'voided' && (
        <Box sx={{ borderLeft: '5px solid var(--bad)', pl: 2, mb: 2 }}>
          This run is void: {shown.log.stateReason}. What follows is shown for the record and does not count.
        </Box>
      )}
      {apart.map((a) => (
        <Box key={a.runId} sx={{ borderLeft: '5px solid var(--bad)', pl: 2, mb: 2 }}>
          {a.name} stays out: {a.why}.
        </Box>
      ))}
      {children}
    </>
  )
}
