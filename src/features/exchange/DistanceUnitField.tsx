import FormControlLabel from '@mui/material/FormControlLabel'
import FormLabel from '@mui/material/FormLabel'
import Radio from '@mui/material/Radio'
import RadioGroup from '@mui/material/RadioGroup'
import { DISTANCE_UNIT_NAMES, DISTANCE_UNITS, type DistanceUnit } from '@/core/formats'
import { distanceText, type Units } from '@/core/units'

interface Props {
  /** The column's heading, and some of what stands under it. */
  heading: string
  given: { text: string; value: number }[]
  value: DistanceUnit | null
  units: Units
  onChange: (unit: DistanceUnit) => void
}

/** What a column of distances is in, where its heading does not say: each choice shows what it makes of the first ones. */
export function DistanceUnitField({ heading, given, value, units, onChange }: Props) {
  const figures = given.map((d) => d.value).filter(Number.isFinite)
  const read = (unit: DistanceUnit) =>
    figures.map((v) => distanceText(v * DISTANCE_UNITS[unit], units)).join(', ')
  return (
    <>
      <FormLabel id="distance-unit" sx={{ display: 'block', mt: 2 }}>
        “{heading}” does not say what {given.map((d) => d.text).join(', ')} are in. Are they
      </FormLabel>
      <RadioGroup
        aria-labelledby="distance-unit"
        value={value ?? ''}
        onChange={(e) => onChange(e.target.value as DistanceUnit)}
      >
        {(Object.keys(DISTANCE_UNITS) as DistanceUnit[]).map((unit) => (
          <FormControlLabel
            key={unit}
            value={unit}
            control={<Radio size="small" />}
            label={
              <>
                {DISTANCE_UNIT_NAMES[unit]}
                {figures.length > 0 && <span style={{ color: 'var(--soft)' }}>: {read(unit)}</span>}
              </>
            }
          />
        ))}
      </RadioGroup>
    </>
  )
}
