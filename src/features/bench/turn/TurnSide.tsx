'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useState } from 'react'
import { farFieldM } from '@/core/bench'
import { TURNED, type Turned } from '@/core/sim/bench'
import { MAX_LETTERS } from '@/core/schema/limits'
import { fromShown, shortLengthText, shownUnit, type Units } from '@/core/units'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { PickOne } from '@/ui/fields/PickOne'
import { Fold } from '@/ui/shell'
import { Quiet } from '@/ui/shell/Quiet'
import { Step } from '../Step'
import { PickPart } from '../PickPart'
import type { BenchAntenna } from '../types'
import { FieldStrengthSum } from './FieldStrengthSum'
import { TurnFile } from './TurnFile'
import type { Overload, Turn, TurnOrder } from './useTurn'

const TWO = { display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 } as const

interface Props {
  turn: Turn
  overload: Overload
  antennas: readonly BenchAntenna[]
  units: Units
}

/** How it is turned, whether the receiver can be believed, and the readings as they are taken. */
export function TurnSide({ turn, overload, antennas, units }: Props) {
  return (
    <>
      <Step n={1} title="What is turned">
        <WhatFields turn={turn} antennas={antennas} units={units} />
      </Step>
      <Step n={2} title="Is the receiver overloaded?">
        <OverloadFields overload={overload} />
        <Fold title="A reading as field strength">
          <FieldStrengthSum frequencyMHz={turn.frequencyMHz} leadDb={turn.lossDb} />
        </Fold>
      </Step>
      <Step
        n={3}
        title="Read"
        done={turn.readings.length > 0 ? `${turn.readings.length} of ${turn.planned}` : null}
      >
        <Entry key={turn.way} turn={turn} />
      </Step>
    </>
  )
}

function WhatFields({ turn, antennas, units }: Omit<Props, 'overload'>) {
  const [size, distance] = [numberIn(turn.text.size), numberIn(turn.text.distance)]
  const needed =
    size !== null && size > 0 && turn.frequencyMHz !== null && turn.frequencyMHz > 0
      ? farFieldM(fromShown(size, 'm', units), turn.frequencyMHz)
      : null
  const tooNear = needed !== null && distance !== null && fromShown(distance, 'm', units) < needed
  return (
    <>
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        value={turn.way}
        onChange={(_, v: Turn['way'] | null) => v && turn.chooseWay(v)}
        aria-label="What is turned"
        sx={{ mb: 1.25 }}
      >
        <ToggleButton value="pattern">All round</ToggleButton>
        <ToggleButton value="crossed">Upright to flat</ToggleButton>
      </ToggleButtonGroup>
      <Box sx={TWO}>
        <PickPart
          label="Antenna"
          partId={turn.antennaId}
          parts={antennas}
          onPick={turn.setAntennaId}
          sx={{ gridColumn: '1 / -1' }}
        />
        <NumberBox
          label="Frequency"
          unit="MHz"
          value={turn.text.frequency}
          problem={
            turn.text.frequency === '' ? null : numberProblem(turn.text.frequency, { above: 0 }, 'MHz')
          }
          onChange={(frequency) => turn.set({ frequency })}
        />
        <NumberBox
          label="Its lead takes"
          unit="dB"
          value={turn.text.loss}
          problem={numberProblem(turn.text.loss, { min: 0, max: 200 }, 'dB')}
          onChange={(loss) => turn.set({ loss })}
        />
        <NumberBox
          label="Every"
          unit="°"
          value={turn.text.step}
          problem={turn.step === null ? '1 to 90 degrees' : null}
          onChange={(step) => turn.set({ step })}
        />
        <NumberBox
          label="Times"
          value={turn.text.times}
          problem={numberProblem(turn.text.times, { min: 1, max: 9 })}
          onChange={(times) => turn.set({ times })}
        />
        <PickOne<TurnOrder>
          label="Order"
          value={turn.order}
          options={[
            { value: 'there and back', name: 'There and back' },
            { value: 'mixed', name: 'Mixed' },
          ]}
          onPick={turn.setOrder}
          sx={{ gridColumn: '1 / -1' }}
        />
      </Box>
      <Fold title="Body, size and distance">
        <Box sx={{ ...TWO, mt: 1.25 }}>
          <TextField
            label="Where the body stood"
            placeholder="behind it, at 180°"
            value={turn.text.body}
            onChange={(e) => turn.set({ body: e.target.value })}
            slotProps={{ htmlInput: { maxLength: MAX_LETTERS.line }, inputLabel: { shrink: true } }}
            sx={{ gridColumn: '1 / -1' }}
          />
          <NumberBox
            label="Largest size"
            unit={shownUnit('m', units)}
            value={turn.text.size}
            onChange={(v) => turn.set({ size: v })}
          />
          <NumberBox
            label="To the source"
            unit={shownUnit('m', units)}
            value={turn.text.distance}
            onChange={(v) => turn.set({ distance: v })}
          />
        </Box>
        {needed !== null && (
          <Quiet small sx={{ mt: 0.75, ...(tooNear ? { color: 'var(--bad)' } : {}) }}>
            {tooNear ? 'Too near: ' : ''}a pattern is one from {shortLengthText(needed, units)} on. Nearer,
            and over bare ground, what comes back from the ground counts in.
          </Quiet>
        )}
      </Fold>
    </>
  )
}

const OVERLOAD_WORDS = {
  linear: 'It shows in full: the receiver can be believed.',
  compressed:
    'The receiver is compressed: strong directions look weaker than they are. Put more in between, or go farther off.',
  'more than it took': 'More than it takes: the level changed meanwhile. Try it again.',
  'at the floor':
    'The second reading is at the floor, so this tells nothing. Try it where the level is strong.',
} as const

function OverloadFields({ overload: o }: { overload: Overload }) {
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 1 }}>
        <NumberBox
          label="Attenuator"
          unit="dB"
          value={o.text.attenuator}
          onChange={(attenuator) => o.set({ attenuator })}
        />
        <NumberBox label="without" value={o.text.without} onChange={(v) => o.set({ without: v })} />
        <NumberBox label="with" value={o.text.with} onChange={(v) => o.set({ with: v })} />
      </Box>
      <Box
        role="status"
        sx={{
          mt: 0.75,
          fontWeight: o.found ? 700 : 400,
          color: o.found?.verdict === 'compressed' ? 'var(--bad)' : o.found ? 'var(--ink)' : 'var(--soft)',
        }}
      >
        {o.found
          ? `${o.attenuatorDb} dB brought ${o.found.shownDb.toFixed(1)} dB. ${OVERLOAD_WORDS[o.found.verdict]}`
          : 'Point it at the source and read the level, then with a known attenuator in between.'}
      </Box>
    </>
  )
}

function Entry({ turn }: { turn: Turn }) {
  const [typed, setTyped] = useState('')
  const [wrong, setWrong] = useState(false)
  const [free, setFree] = useState('')
  const [what, setWhat] = useState<Turned>(turn.way === 'crossed' ? 'crossed' : 'small-beam')
  const angle = free.trim() !== '' ? numberIn(free) : turn.next
  const log = () => {
    if (angle === null || !turn.type(angle, typed)) return setWrong(true)
    setWrong(false)
    setTyped('')
    setFree('')
  }
  return (
    <>
      <Box
        component="form"
        onSubmit={(e) => {
          e.preventDefault()
          log()
        }}
      >
        <Box role="status" sx={{ fontSize: '2rem', fontWeight: 700, lineHeight: 1.1, mb: 1 }}>
          {angle === null ? 'All angles taken' : `Turn to ${angle}°`}
        </Box>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
          <NumberBox
            label="Level"
            value={typed}
            problem={wrong ? 'A level such as -63, or <-120 at the floor' : null}
            onChange={setTyped}
            sx={{ flex: 1 }}
            autoComplete="off"
          />
          <NumberBox label="at another angle" unit="°" value={free} onChange={setFree} sx={{ width: 132 }} />
        </Box>
        <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
          <Button type="submit" variant="contained" disabled={angle === null}>
            Log it
          </Button>
          <Button disabled={turn.readings.length === 0} onClick={turn.takeBack}>
            Undo
          </Button>
          <Button disabled={turn.readings.length === 0} onClick={turn.clear}>
            Begin again
          </Button>
        </Box>
      </Box>
      <Fold title="From a file, or simulated">
        <Box sx={{ mt: 1 }}>
          <TurnFile turn={turn} />
          <PickOne
            label="Simulated receiver on"
            value={what}
            options={TURNED.map((t) => ({ value: t.id, name: t.name }))}
            onPick={(v) => {
              setWhat(v)
              turn.connect(null)
            }}
            fullWidth
            sx={{ mt: 1.5 }}
          />
          {turn.simulated ? (
            <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
              <Button
                variant="outlined"
                disabled={turn.next === null}
                onClick={() => turn.readSimulated(false)}
              >
                Read this angle
              </Button>
              <Button
                variant="outlined"
                disabled={turn.next === null}
                onClick={() => turn.readSimulated(true)}
              >
                Read all that is left
              </Button>
            </Box>
          ) : (
            <Button variant="outlined" sx={{ mt: 1 }} onClick={() => turn.connect(what)}>
              Connect it
            </Button>
          )}
        </Box>
      </Fold>
      {turn.faults.length > 0 && (
        <Box role="alert" sx={{ mt: 1 }}>
          {turn.faults.slice(0, 3).map((f) => (
            <Box key={f.where + f.code}>{f.message}</Box>
          ))}
          {turn.faults.length > 3 && <Box>and {turn.faults.length - 3} more.</Box>}
        </Box>
      )}
    </>
  )
}
