'use client'

import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useRouter } from 'next/navigation'
import type { Units } from '@/core/units'

/** Metric or imperial, chosen once for every screen and device. */
export function UnitsSwitch({ units }: { units: Units }) {
  const router = useRouter()
  const choose = async (next: Units | null) => {
    if (!next) return
    const body = JSON.stringify({ units: next })
    // Where the server cannot be reached the page says so itself, and the units stay as they are.
    await fetch('/api/units', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body,
    }).catch(() => undefined)
    router.refresh()
  }
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={units}
      onChange={(_, next: Units | null) => void choose(next)}
      aria-label="Units"
    >
      <ToggleButton value="metric">km, m</ToggleButton>
      <ToggleButton value="imperial">mi, ft</ToggleButton>
    </ToggleButtonGroup>
  )
}
