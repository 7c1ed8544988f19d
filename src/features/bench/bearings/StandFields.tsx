'use client'

import Box from '@mui/material/Box'
import { HereButton } from '@/ui/fields/HereButton'
import { NumberBox, numberProblem } from '@/ui/fields/NumberBox'
import { Quiet } from '@/ui/shell/Quiet'
import { placeDigits } from './placeDigits'

export interface StandText {
  lat: string
  lon: string
}

/** Where one stands: typed, by the device, or clicked on the map. */
export function StandFields({ stand, onStand }: { stand: StandText; onStand: (stand: StandText) => void }) {
  return (
    <>
      <NumberBox
        label="Latitude"
        unit="°"
        value={stand.lat}
        problem={stand.lat === '' ? null : numberProblem(stand.lat, { min: -90, max: 90 }, '°')}
        onChange={(v) => onStand({ ...stand, lat: v })}
      />
      <NumberBox
        label="Longitude"
        unit="°"
        value={stand.lon}
        problem={stand.lon === '' ? null : numberProblem(stand.lon, { min: -180, max: 180 }, '°')}
        onChange={(v) => onStand({ ...stand, lon: v })}
      />
      <Box sx={{ gridColumn: '1 / -1' }}>
        <HereButton words="Where I stand" onPlace={(p) => onStand(placeDigits(p))} />
        <Quiet small sx={{ mt: 0.5 }}>
          Or click the place on the map.
        </Quiet>
      </Box>
    </>
  )
}
