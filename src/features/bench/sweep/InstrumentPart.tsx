'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { ON_THE_LEAD } from '@/core/sim/bench'
import { PickOne } from '@/ui/fields/PickOne'
import { Quiet } from '@/ui/shell/Quiet'
import { simulatedPort } from '../instrument/simulatedPort'
import type { Instrument } from '../instrument/useInstrument'
import type { Simulated } from './useSimulated'

const SPEEDS = ['9600', '38400', '57600', '115200'].map((value) => ({ value, name: `${value} baud` }))
const ANSWERS_MS = 60

/** Connects an analyser: a real one at a serial port, or the simulated one that ships. */
export function InstrumentPart({
  instrument: i,
  simulated,
}: {
  instrument: Instrument
  simulated: Simulated
}) {
  const [baud, setBaud] = useState('115200')
  if (i.link)
    return (
      <>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Box sx={{ flex: 1, minWidth: 140 }}>
            <b>{i.simulated ? 'Simulated analyser' : i.identity.split(',').slice(0, 2).join(' ')}</b>
          </Box>
          <Button size="small" onClick={i.close}>
            Disconnect
          </Button>
        </Box>
        {i.simulated && (
          <>
            <PickOne
              label="On the end of its lead"
              value={simulated.onLead}
              options={ON_THE_LEAD.map((o) => ({ value: o.id, name: o.name }))}
              onPick={simulated.put}
              fullWidth
              sx={{ mt: 1 }}
            />
            <Button size="small" onClick={simulated.analyser.moveLead}>
              Move its lead
            </Button>
          </>
        )}
        <Trouble problem={i.problem} />
      </>
    )
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1 }}>
        <Button
          variant="outlined"
          disabled={i.busy}
          onClick={() =>
            void i.open(() => Promise.resolve(simulatedPort(simulated.analyser.say, ANSWERS_MS)), true)
          }
        >
          Simulated analyser
        </Button>
        <Button variant="outlined" disabled={i.busy} onClick={() => void i.openSerial(Number(baud))}>
          Serial port
        </Button>
      </Box>
      <PickOne
        label="Speed of the port"
        value={baud}
        options={SPEEDS}
        onPick={setBaud}
        size="small"
        sx={{ minWidth: 160 }}
      />
      <Quiet small sx={{ mt: 0.75 }}>
        An analyser that understands SCPI, the usual command language of measuring instruments.
      </Quiet>
      <Trouble problem={i.problem} />
    </>
  )
}

const Trouble = ({ problem }: { problem: string }) =>
  problem === '' ? null : (
    <Box role="alert" sx={{ color: 'var(--bad)', mt: 0.75 }}>
      {problem}
    </Box>
  )
