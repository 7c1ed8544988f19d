'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import {
  COUNTERPOISE_WORDS,
  elementLengthM,
  ELEMENT_STUFF,
  FRACTIONS,
  lengthsOverBand,
  wavelengthM,
} from '@/core/rf'
import { inchText, likelyFrequencies, millimetreText, shortLengthText, type Units } from '@/core/units'
import { Table } from '@/ui/table/Table'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { CutStrip, MAX_STRIP_M } from './CutStrip'

const STEPS = 8

interface CutProps {
  /** Of the element, m. */
  length: number
  fraction: (typeof FRACTIONS)[number]
  frequencyMHz: number
  velocityFactor: number
  stuff: string
  units: Units
}

/** The length, where to measure from, what it needs, and a strip to print. */
function Cut({ length, fraction, frequencyMHz, velocityFactor, stuff, units }: CutProps) {
  return (
    <>
      <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap', alignItems: 'baseline', mb: 1 }} role="status">
        <Box>
          <Box sx={{ color: 'var(--soft)' }}>Cut it to</Box>
          <Box sx={{ fontSize: '2.4rem', fontWeight: 700, lineHeight: 1.1 }}>
            {shortLengthText(length, units)}
          </Box>
          <Box sx={{ color: 'var(--soft)' }}>
            {units === 'imperial' ? millimetreText(length) : inchText(length)}; {fraction.waves} ×{' '}
            {millimetreText(wavelengthM(frequencyMHz))} × {velocityFactor}
          </Box>
        </Box>
        <Box sx={{ flex: '1 1 320px', maxWidth: 640 }}>
          <b>Measure</b> {fraction.measureFrom.charAt(0).toLowerCase() + fraction.measureFrom.slice(1)}
          <Box sx={{ mt: 0.75 }}>
            <b>Needs</b> {fraction.needs.charAt(0).toLowerCase() + fraction.needs.slice(1)}
          </Box>
          <Box sx={{ mt: 0.75, color: 'var(--soft)' }}>
            Cut it a little long, sweep it where it will stand, and trim: what is near it changes it.
          </Box>
        </Box>
      </Box>
      {length <= MAX_STRIP_M ? (
        <CutStrip lengthM={length} label={`${fraction.name}, ${frequencyMHz} MHz, ${stuff.toLowerCase()}`} />
      ) : (
        <Box sx={{ color: 'var(--soft)', my: 2 }}>
          Longer than {Math.round(MAX_STRIP_M * 1000)} mm it does not fit on a sheet; measure it with a tape.
        </Box>
      )}
    </>
  )
}

/** Lengths over a band, for every fraction. */
function OverBand({ middleMHz, velocityFactor }: { middleMHz: number; velocityFactor: number | null }) {
  const [from, setFrom] = useState('')
  const [to, setTo] = useState('')
  const low = numberIn(from) ?? middleMHz * 0.98
  const high = numberIn(to) ?? middleMHz * 1.02
  const badBand = high > low && low > 0 ? null : 'The upper edge must be above the lower'
  return (
    <>
      <Typography variant="h3" component="h3" sx={{ mt: 3, mb: 1 }}>
        Over a band
      </Typography>
      <Box className="no-print" sx={{ display: 'flex', gap: 1.5, mb: 1 }}>
        <NumberBox
          label="From"
          unit="MHz"
          value={from}
          placeholder={low.toFixed(1)}
          problem={from === '' ? null : (numberProblem(from, { above: 0 }) ?? badBand)}
          onChange={setFrom}
          sx={{ width: 150 }}
        />
        <NumberBox
          label="To"
          unit="MHz"
          value={to}
          placeholder={high.toFixed(1)}
          problem={to === '' ? null : (numberProblem(to, { above: 0 }) ?? badBand)}
          onChange={setTo}
          sx={{ width: 150 }}
        />
      </Box>
      {!badBand && velocityFactor !== null && (
        <Table
          label="Lengths over the band"
          figures
          head={
            <>
              <th>MHz</th>
              {FRACTIONS.map((x) => (
                <th key={x.id}>{x.name}, mm and in</th>
              ))}
            </>
          }
        >
          {lengthsOverBand({ fromMHz: low, toMHz: high, steps: STEPS, velocityFactor }).map((row) => (
            <tr key={row.frequencyMHz}>
              <td>
                <b>{row.frequencyMHz.toFixed(2)}</b>
              </td>
              {row.lengthsM.map((l) => (
                <td key={l.id}>
                  {(l.lengthM * 1000).toFixed(1)}{' '}
                  <span style={{ color: 'var(--soft)' }}>{inchText(l.lengthM)}</span>
                </td>
              ))}
            </tr>
          ))}
        </Table>
      )}
    </>
  )
}

/** Cuts an element: length, where to measure from, what it needs, a strip to print and a table over a band. */
export function CutElement({ units, frequencyMHz }: { units: Units; frequencyMHz: number | null }) {
  const [frequency, setFrequency] = useState(String(frequencyMHz ?? 460))
  const [fractionId, setFraction] = useState('1/4')
  const [stuffId, setStuff] = useState('thin')
  const [velocity, setVelocity] = useState('0.97')
  const f = numberIn(frequency)
  const v = numberIn(velocity)
  const fraction = FRACTIONS.find((x) => x.id === fractionId)!
  const stuff = ELEMENT_STUFF.find((x) => x.id === stuffId)!
  const badF = numberProblem(frequency, { above: 0, max: 300_000 }, 'MHz')
  const badV = numberProblem(velocity, { above: 0, max: 1 })
  const meanings = f === null ? [] : likelyFrequencies(f, [])
  const length =
    !badF && !badV ? elementLengthM({ frequencyMHz: f!, waves: fraction.waves, velocityFactor: v! }) : null
  return (
    <>
      <Box
        className="no-print"
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: 'repeat(auto-fill, minmax(190px, 1fr))',
          mb: 2,
          alignItems: 'start',
        }}
      >
        <NumberBox label="Frequency" unit="MHz" value={frequency} problem={badF} onChange={setFrequency} />
        <TextField
          select
          label="Length in waves"
          value={fractionId}
          onChange={(e) => setFraction(e.target.value)}
        >
          {FRACTIONS.map((x) => (
            <Option key={x.id} value={x.id}>
              {x.name}
            </Option>
          ))}
        </TextField>
        <TextField
          select
          label="Made of"
          value={stuffId}
          helperText={stuff.why}
          onChange={(e) => {
            setStuff(e.target.value)
            setVelocity(String(ELEMENT_STUFF.find((x) => x.id === e.target.value)!.velocityFactor))
          }}
        >
          {ELEMENT_STUFF.map((x) => (
            <Option key={x.id} value={x.id}>
              {x.name}
            </Option>
          ))}
        </TextField>
        <NumberBox
          label="Velocity factor, end effect in it"
          value={velocity}
          problem={badV}
          onChange={setVelocity}
        />
      </Box>
      {meanings.map((m) => (
        <Button
          key={m.typedIn}
          size="small"
          variant="outlined"
          sx={{ mr: 1, mb: 2 }}
          onClick={() => setFrequency(String(m.frequencyMHz))}
        >
          Typed in {m.typedIn}? Take {m.frequencyMHz} MHz
        </Button>
      ))}
      {length !== null && (
        <Cut {...{ length, fraction, units }} frequencyMHz={f!} velocityFactor={v!} stuff={stuff.name} />
      )}
      {(fractionId === '1/4' || fractionId === '5/8') && (
        <Box sx={{ maxWidth: 780, my: 2 }}>
          <Typography variant="h3" component="h3">
            What a counterpoise is for
          </Typography>
          {COUNTERPOISE_WORDS}
        </Box>
      )}
      <OverBand middleMHz={f ?? 460} velocityFactor={badV ? null : v} />
    </>
  )
}
