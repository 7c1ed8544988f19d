'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { blindDraw, blindLetters, speltOut } from '@/core/trial'
import type { MenuProps } from './shared'

/** A blind order: the sender announces a letter that says nothing of the rig. */
export function BlindPart({ pack, handle, actions, settings }: MenuProps) {
  const { links, order } = pack.plan
  const { blind, events } = handle.log
  const drawn = events.filter((e) => e.body.kind === 'blind').length
  const draw = () => {
    // Another draw for each time it is turned on, and for each run.
    const seed = [...pack.runId].reduce(
      (h, c) => Math.imul(h ^ c.charCodeAt(0), 0x01000193) >>> 0,
      order.seed + drawn,
    )
    void actions.addEvent(
      {
        kind: 'blind',
        on: true,
        letters: blindLetters(links, seed),
      },
      'Blind: letters are drawn',
    )
  }
  if (!blind)
    return (
      <>
        <Box>
          Letters are drawn anew for the run. Out there you see the rig and announce its letter; the device at
          the base shows the letter alone.
        </Box>
        <Box>
          <Button variant="outlined" size="large" onClick={draw}>
            Draw letters
          </Button>
        </Box>
      </>
    )
  const held = blindDraw(handle.log)
  return (
    <>
      {held && (
        <Box role="status">
          {held.seen
            ? 'The other device has the letters.'
            : 'No other device has the letters yet. One that is at the base shows the rigs’ names until it has them.'}
        </Box>
      )}
      {settings.role === 'out there' || settings.alone ? (
        <Box component="ul" sx={{ m: 0, pl: 3 }}>
          {links.map((l) => (
            <li key={l.id}>
              <b>{blind[l.id]}</b>, “{speltOut(blind[l.id]!)}”, is {l.name}
            </li>
          ))}
        </Box>
      ) : (
        <Box>Which rig is which is not shown at the base until it is unblinded.</Box>
      )}
      <Box>
        <Button
          variant="outlined"
          size="large"
          onClick={() =>
            void actions.addEvent(
              { kind: 'blind', on: false, letters: blind },
              'Unblinded; the time is logged',
            )
          }
        >
          Unblind
        </Button>
      </Box>
    </>
  )
}
