'use client'

import Box from '@mui/material/Box'
import { Option } from './Option'
import { TextField } from './TextField'
import { defaultScale, type Scale, type ScaleKind, type StrengthMeaning } from '@/core/reports'

const KINDS: [ScaleKind, string][] = [
  ['readability-strength', 'Readability and strength ("5 by 7")'],
  ['readability', 'Readability alone (0 to 5)'],
  ['strength', 'Strength alone (S-units, or out of 5)'],
  ['level', 'Level on a display (dBm and the like)'],
  ['count', 'Words or packets copied (4 of 5)'],
  ['words', 'Plain words, in an order'],
  ['heard', 'Heard or not heard'],
  ['bare', 'A bare reading: bars, per cent, or any figure'],
  ['rate', 'Rate or delay (Mbit/s, ms)'],
]

/** What a strength figure can be, with the step it is read by. */
const METERS: [string, string, Partial<StrengthMeaning>][] = [
  [
    'nominal',
    'Own meter, never measured: 6 dB a step by the recommendation',
    { by: 'own meter', stepDb: 6, calibrated: false },
  ],
  [
    'unknown',
    "Own meter or a stranger's, its step not to be trusted: 3 to 6 dB",
    { by: 'stranger', stepDb: null, calibrated: false },
  ],
  ['measured', 'Own meter, its step measured', { by: 'own meter', stepDb: 6, calibrated: true }],
  ['ear', 'Judged by ear: an order, never dB', { by: 'ear', stepDb: null, calibrated: false }],
]

function meterOf(s: StrengthMeaning): string {
  if (s.by === 'ear') return 'ear'
  if (s.calibrated) return 'measured'
  return s.stepDb === null ? 'unknown' : 'nominal'
}

function StrengthFields({
  value,
  onChange,
}: {
  value: StrengthMeaning
  onChange: (s: StrengthMeaning) => void
}) {
  const meter = meterOf(value)
  return (
    <>
      <TextField
        select
        label="Strength is"
        value={meter}
        onChange={(e) => onChange({ ...value, ...METERS.find(([k]) => k === e.target.value)![2] })}
      >
        {METERS.map(([k, name]) => (
          <Option key={k} value={k}>
            {name}
          </Option>
        ))}
      </TextField>
      {meter === 'measured' && (
        <TextField
          type="number"
          label="dB a step, as measured"
          value={value.stepDb ?? ''}
          onChange={(e) => onChange({ ...value, stepDb: Number(e.target.value) || 6 })}
          slotProps={{ htmlInput: { min: 1, max: 10, step: 0.1 } }}
        />
      )}
      {(meter === 'ear' || meter === 'unknown') && (
        <TextField
          select
          label="Its top"
          value={value.top}
          onChange={(e) => onChange({ ...value, top: Number(e.target.value) as 5 | 9 })}
        >
          <Option value={5}>5</Option>
          <Option value={9}>9</Option>
        </TextField>
      )}
    </>
  )
}

function LevelFields({
  value,
  onChange,
}: {
  value: Extract<Scale, { kind: 'level' }>
  onChange: (s: Scale) => void
}) {
  return (
    <>
      <TextField
        select
        label="Unit"
        value={value.unit}
        onChange={(e) => onChange({ ...value, unit: e.target.value as typeof value.unit })}
      >
        {['dBm', 'dB(uV/m)', 'dBm/m2', 'SINR dB'].map((u) => (
          <Option key={u} value={u}>
            {u}
          </Option>
        ))}
      </TextField>
      <TextField
        select
        label="The minus sign"
        value={value.minusOmitted ? 'out' : 'said'}
        onChange={(e) => onChange({ ...value, minusOmitted: e.target.value === 'out' })}
      >
        <Option value="said">is given: -97</Option>
        <Option value="out">is left out: 97 means -97</Option>
      </TextField>
    </>
  )
}

/** What a bare reading is out of. */
const BARE: Record<BareScale['unit'], [label: string, bottom: number, top: number]> = {
  reading: ['A figure of its own', 0, 100],
  bars: ['Bars', 0, 5],
  'per cent': ['Per cent', 0, 100],
}
type BareScale = Extract<Scale, { kind: 'bare' }>

function BareFields({ value, onChange }: { value: BareScale; onChange: (s: Scale) => void }) {
  return (
    <>
      <TextField
        select
        label="The figure is"
        value={value.unit}
        onChange={(e) => {
          const unit = e.target.value as BareScale['unit']
          onChange({ ...value, unit, bottom: BARE[unit][1], top: BARE[unit][2] })
        }}
      >
        {Object.entries(BARE).map(([unit, [label]]) => (
          <Option key={unit} value={unit}>
            {label}
          </Option>
        ))}
      </TextField>
      {value.unit !== 'per cent' && (
        <TextField
          type="number"
          label="Highest it shows"
          value={value.top}
          onChange={(e) => onChange({ ...value, top: Number(e.target.value) || 1 })}
          slotProps={{ htmlInput: { min: 1, max: 100000 } }}
        />
      )}
    </>
  )
}

/** The words of an ordered list, worst first, one step a line. */
function WordFields({
  value,
  onChange,
}: {
  value: Extract<Scale, { kind: 'words' }>
  onChange: (s: Scale) => void
}) {
  return (
    <TextField
      label="The words, worst first; one step a line, commas between alike"
      multiline
      minRows={3}
      defaultValue={value.words.map((w) => w.words.join(', ')).join('\n')}
      onBlur={(e) =>
        onChange({
          ...value,
          words: e.target.value
            .split('\n')
            .filter((l) => l.trim() !== '')
            .map((l, step) => ({ step, words: l.split(',').map((w) => w.trim()) })),
        })
      }
    />
  )
}

/** The scale in which one listener reports. Declared before anything is read. */
export function ScaleField({
  label,
  value,
  onChange,
}: {
  label: string
  value: Scale
  onChange: (s: Scale) => void
}) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
      <TextField
        select
        label={label}
        value={value.kind}
        onChange={(e) => onChange(defaultScale(e.target.value as ScaleKind))}
      >
        {KINDS.map(([k, name]) => (
          <Option key={k} value={k}>
            {name}
          </Option>
        ))}
      </TextField>
      {(value.kind === 'readability-strength' || value.kind === 'strength') && (
        <StrengthFields value={value.strength} onChange={(strength) => onChange({ ...value, strength })} />
      )}
      {value.kind === 'level' && <LevelFields value={value} onChange={onChange} />}
      {value.kind === 'words' && <WordFields value={value} onChange={onChange} />}
      {value.kind === 'bare' && <BareFields value={value} onChange={onChange} />}
      {value.kind === 'rate' && (
        <TextField
          select
          label="Unit"
          value={value.unit}
          onChange={(e) => onChange({ ...value, unit: e.target.value as typeof value.unit })}
        >
          {['Mbit/s', 'kbit/s', 'ms'].map((u) => (
            <Option key={u} value={u}>
              {u}
            </Option>
          ))}
        </TextField>
      )}
      {value.kind === 'count' && (
        <TextField
          type="number"
          label="Of how many"
          value={value.total ?? ''}
          onChange={(e) => onChange({ ...value, total: Number(e.target.value) || null })}
          slotProps={{ htmlInput: { min: 1, max: 1000 } }}
        />
      )}
    </Box>
  )
}
