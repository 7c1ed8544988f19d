'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useCallback, useEffect, useState } from 'react'
import { asked } from '@/ui/answers/posted'
import { BringIn } from './BringIn'
import { DeviceTable } from './DeviceTable'
import { DoorPart } from './DoorPart'
import type { CrewState, DeviceLine, GivableRun } from './types'

const LOOK_MS = 10_000

interface Props {
  /** Null where the application was started in a way that lets nobody in. */
  state: CrewState | null
  /** Where another server stands before this one; devices come in by it. */
  origin: string | null
  devices: DeviceLine[]
  runs: GivableRun[]
  /** When the page was made, ms. */
  madeAt: number
}

/** Devices: the door, bringing one in, and all that were. */
export function CrewPage({ state: first, origin, devices: known, runs, madeAt }: Props) {
  const [state, setState] = useState(first)
  const [devices, setDevices] = useState(known)
  const [now, setNow] = useState(madeAt)
  const look = useCallback(async () => {
    const answer = await asked<{ devices: DeviceLine[] }>('GET', '/api/crew/devices').catch(() => null)
    if (answer?.ok) setDevices(answer.value.devices)
    setNow(Date.now())
  }, [])
  const lookNow = useCallback(() => void look(), [look])
  useEffect(() => {
    const timer = setInterval(lookNow, LOOK_MS)
    return () => clearInterval(timer)
  }, [lookNow])
  return (
    <>
      {origin !== null && (
        <Box sx={{ mb: 3 }}>
          Devices come in by <b>{origin}</b>, the server in front of this one.
        </Box>
      )}
      {state === null ? (
        <Box sx={{ mb: 3 }}>
          Other devices can be let in where the application was started with <code>npm start</code> or{' '}
          <code>npm run demo</code>.
        </Box>
      ) : (
        origin === null && <DoorPart state={state} onChange={setState} />
      )}
      {(origin !== null || state?.open) && (
        <Box component="section" aria-labelledby="bring-in" sx={{ mb: 4 }}>
          <Typography variant="h2" component="h2" id="bring-in" sx={{ mb: 1.5 }}>
            Bring a device in
          </Typography>
          <BringIn runs={runs} fingerprint={state?.fingerprint ?? null} onIn={lookNow} />
        </Box>
      )}
      {devices.length > 0 && (
        <Box component="section" aria-labelledby="known">
          <Typography variant="h2" component="h2" id="known" sx={{ mb: 1 }}>
            Devices that were brought in
          </Typography>
          <DeviceTable {...{ devices, runs, now }} onChange={lookNow} />
          <Box sx={{ color: 'var(--soft)', mt: 1, maxWidth: 760 }}>
            One that is shut out gets nothing more from that moment on. What it has logged stays here, and
            what is still on it alone can be written to a file there and read in under Field.
          </Box>
        </Box>
      )}
    </>
  )
}
