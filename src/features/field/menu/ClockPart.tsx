'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { useState } from 'react'
import { nextRound } from '@/core/trial'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { changeSettings } from '../device/settings'
import type { MenuProps } from './shared'

const time = (iso: string) =>
  new Date(iso).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', second: '2-digit' })

/** Two who cannot talk work to a clock; and what cannot be known on the spot is sent, and graded from a recording. */
export function ClockPart({ handle, actions, settings }: MenuProps) {
  const { clock } = handle.log
  const [every, setEvery] = useState('60')
  const bad = numberProblem(every, { min: 5, max: 3600 }, 's')
  const everyS = Math.round(numberIn(every) ?? 0)
  const start = () => {
    const startsAt = new Date(nextRound(everyS, Date.now())).toISOString()
    void actions.addEvent(
      { kind: 'clock', startsAt, everyS, on: true },
      `The clock runs: every ${everyS} s from ${time(startsAt)}`,
    )
  }
  return (
    <>
      <Box>
        {clock
          ? `A window every ${clock.everyS} s, from ${time(clock.startsAt)}. Each window is one check, in the order of the plan, at both ends.`
          : 'Both set the same pace; windows fall on round times, so that nothing need be agreed on the air.'}
      </Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <NumberBox
          label="A window every"
          unit="s"
          value={every}
          problem={bad}
          onChange={setEvery}
          sx={{ flex: 1 }}
        />
        <Button variant="outlined" disabled={bad !== null} onClick={start}>
          {clock ? 'Set it anew' : 'Start the clock'}
        </Button>
        {clock && (
          <Button
            variant="outlined"
            onClick={() => void actions.addEvent({ kind: 'clock', ...clock, on: false }, 'The clock is off')}
          >
            Stop it
          </Button>
        )}
      </Box>
      <FormControlLabel
        sx={{ minHeight: 48 }}
        control={
          <Checkbox
            checked={settings.sendOnly}
            onChange={(e) => changeSettings({ sendOnly: e.target.checked })}
          />
        }
        label="Send only: nothing is known on the spot, and a recording made at the far end is graded afterwards"
      />
    </>
  )
}
