'use client'

import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useRouter } from 'next/navigation'
import type { Units } from '@/core/units'

/** Metric or imperial, chosen once and kept in this browser. */
export function UnitsSwitch({ units }: { units: Units }) {
  const router = useRouter()
  const choose = (next: Units | null) => {
    if (!next) return
    document.cookie = `units=${next}; path=/; max-age=31536000; samesite=lax`
    router.refresh()
  }
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={units}
      onChange={(_, next: Units | null) => choose(next)}
      aria-label="Units"
    >
      <ToggleButton value="metric">km, m</ToggleButton>
      <ToggleButton value="imperial">mi, ft</ToggleButton>
    </ToggleButtonGroup>
  )
}
