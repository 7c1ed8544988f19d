import Box from '@mui/material/Box'
import Slider from '@mui/material/Slider'
import { useId } from 'react'
import type { Link } from '@/core/kit'
import { heightText, type Units } from '@/core/units'
import type { SetOnMap } from './asSet'

interface Props {
  link: Link
  set: SetOnMap
  onSet: (set: SetOnMap) => void
  reliability: number
  onReliability: (share: number) => void
  units: Units
}

interface Range {
  min: number
  max: number
  /** Steps from one end to the other. */
  steps: number
}

/** Even steps in the logarithm: a doubling is as long everywhere. */
const toStep = ({ min, max, steps }: Range, v: number) => (steps * Math.log(v / min)) / Math.log(max / min)
function fromStep({ min, max, steps }: Range, i: number): number {
  const v = min * (max / min) ** (i / steps)
  const digits = v < 10 ? 1 : 0
  return Math.min(max, Math.max(min, Number(v.toFixed(v < 0.95 ? 2 : digits))))
}

const HEIGHT_OUT: Range = { min: 0.5, max: 20, steps: 60 }
const HEIGHT_BASE: Range = { min: 1, max: 100, steps: 60 }
const POWER: Range = { min: 0.1, max: 200, steps: 80 }
const FREQUENCY: Range = { min: 30, max: 3000, steps: 120 }

/** One figure that may be drawn. */
function OnMap({
  label,
  text,
  value,
  range,
  onChange,
}: {
  label: string
  text: (v: number) => string
  value: number
  range: Range
  onChange: (v: number) => void
}) {
  const id = useId()
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, alignItems: 'baseline' }}>
        <span id={id}>{label}</span>
        <b style={{ whiteSpace: 'nowrap' }}>{text(value)}</b>
      </Box>
      <Slider
        size="small"
        aria-labelledby={id}
        min={0}
        max={range.steps}
        value={toStep(range, Math.min(range.max, Math.max(range.min, value)))}
        getAriaValueText={() => text(value)}
        onChange={(_, i) => onChange(fromStep(range, i as number))}
      />
    </Box>
  )
}

const watts = (w: number) => (w < 1 ? `${Math.round(1000 * w)} mW` : `${Number(w.toPrecision(3))} W`)

/** What the map may be asked of: more height, less power, how sure. */
export function SetSliders({ link, set, onSet, reliability, onReliability, units }: Props) {
  const id = useId()
  return (
    <Box
      role="group"
      aria-label="What if"
      sx={{
        display: 'grid',
        gap: '4px 28px',
        gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', lg: 'repeat(5, 1fr)' },
        my: 1.5,
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, alignItems: 'baseline' }}>
          <span id={id}>Of calls</span>
          <b style={{ whiteSpace: 'nowrap' }}>{Math.round(100 * reliability)} of 100</b>
        </Box>
        <Slider
          size="small"
          aria-labelledby={id}
          min={50}
          max={99}
          value={Math.round(100 * reliability)}
          onChange={(_, v) => onReliability((v as number) / 100)}
        />
      </Box>
      <OnMap
        label="Height out there"
        text={(m) => heightText(m, units)}
        value={link.out.antennaHeightM}
        range={HEIGHT_OUT}
        onChange={(farM) => onSet({ ...set, farM })}
      />
      <OnMap
        label="Height at the base"
        text={(m) => heightText(m, units)}
        value={link.base.antennaHeightM}
        range={HEIGHT_BASE}
        onChange={(baseM) => onSet({ ...set, baseM })}
      />
      <OnMap
        label="Power out there"
        text={watts}
        value={link.out.powerW}
        range={POWER}
        onChange={(powerW) => onSet({ ...set, powerW })}
      />
      <OnMap
        label="Frequency"
        text={(f) => `${Number(f.toPrecision(4))} MHz`}
        value={link.out.txMHz}
        range={FREQUENCY}
        onChange={(frequencyMHz) => onSet({ ...set, frequencyMHz })}
      />
    </Box>
  )
}
