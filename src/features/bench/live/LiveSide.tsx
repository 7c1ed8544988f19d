'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import { useState } from 'react'
import { QUANTITIES, type QuantityId } from '@/core/bench'
import { MAX_LETTERS } from '@/core/schema/limits'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { PickOne } from '@/ui/fields/PickOne'
import { Fold } from '@/ui/shell'
import { Quiet } from '@/ui/shell/Quiet'
import { Step } from '../Step'
import type { Live } from './useLive'

const BAUD = 115200

/** What is plugged in, where the levels come from, and the two keys that say what is so now. */
export function LiveSide({ live: l }: { live: Live }) {
  return (
    <>
      <Step n={1} title="What is plugged in and out">
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
          <TextField
            label="What"
            placeholder="the roof antenna"
            value={l.text.what}
            onChange={(e) => l.set({ what: e.target.value })}
            slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name }, inputLabel: { shrink: true } }}
            sx={{ gridColumn: '1 / -1' }}
          />
          <NumberBox
            label="Settles within"
            unit="s"
            value={l.text.settle}
            problem={numberProblem(l.text.settle, { min: 0, max: 3600 }, 's')}
            onChange={(settle) => l.set({ settle })}
          />
          <NumberBox
            label="Read every"
            unit="s"
            value={l.text.every}
            problem={numberProblem(l.text.every, { min: 0.2, max: 600 }, 's')}
            onChange={(every) => l.set({ every })}
          />
        </Box>
      </Step>
      <Step n={2} title="Where the levels come from">
        <SourcePart live={l} />
      </Step>
      <Step n={3} title="Swap" done={l.entries.length > 0 ? `${l.entries.length} read` : null}>
        <Box
          sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}
          role="group"
          aria-label="What is so now"
        >
          {(['out', 'in'] as const).map((s) => (
            <Button
              key={s}
              variant={l.state === s ? 'contained' : 'outlined'}
              onClick={() => l.say(s)}
              aria-pressed={l.state === s}
              sx={{ minHeight: 64, fontSize: '1.1rem' }}
            >
              {s === 'in' ? 'It is in' : 'It is out'}
            </Button>
          ))}
        </Box>
        <Quiet small sx={{ mt: 0.75 }}>
          Out, in, out, in: four times at least. Say it as you do it.
        </Quiet>
        {l.unsaid > 0 && (
          <Box sx={{ mt: 1 }}>
            {l.unsaid} readings say neither.{' '}
            <Button size="small" onClick={l.findSteps}>
              Find the steps
            </Button>
          </Box>
        )}
        <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
          <Button disabled={l.entries.length === 0} onClick={l.undo}>
            Undo
          </Button>
          <Button disabled={l.entries.length === 0} onClick={l.clear}>
            Begin again
          </Button>
        </Box>
      </Step>
      {l.problem && (
        <Box role="alert" sx={{ color: 'var(--bad)' }}>
          {l.problem}
        </Box>
      )}
    </>
  )
}

function SourcePart({ live: l }: { live: Live }) {
  const { instrument: i } = l
  if (i.link)
    return (
      <>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <b style={{ flex: 1 }}>{i.simulated ? 'Simulated modem' : i.identity}</b>
          <Button
            size="small"
            onClick={() => {
              l.setPolling(false)
              i.close()
            }}
          >
            Disconnect
          </Button>
        </Box>
        <TextField
          label="Asked with"
          value={l.text.command}
          onChange={(e) => l.set({ command: e.target.value })}
          size="small"
          fullWidth
          sx={{ mt: 1 }}
          slotProps={{ htmlInput: { maxLength: 40 } }}
        />
        <Button variant="contained" sx={{ mt: 1 }} onClick={() => l.setPolling(!l.polling)}>
          {l.polling ? 'Stop reading' : 'Read on'}
        </Button>
      </>
    )
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mb: 1 }}>
        <Button variant="outlined" disabled={i.busy} onClick={() => void l.connectSimulated()}>
          Simulated modem
        </Button>
        <Button variant="outlined" disabled={i.busy} onClick={() => void i.openSerial(BAUD)}>
          Modem at a serial port
        </Button>
      </Box>
      {i.problem && (
        <Box role="alert" sx={{ color: 'var(--bad)', mb: 1 }}>
          {i.problem}
        </Box>
      )}
      <Fold title="Type or paste">
        <TypePart live={l} />
      </Fold>
    </>
  )
}

function TypePart({ live: l }: { live: Live }) {
  const [quantity, setQuantity] = useState<QuantityId>('rssi')
  const [port, setPort] = useState('0')
  const [value, setValue] = useState('')
  const [capped, setCapped] = useState(false)
  const [status, setStatus] = useState('')
  const q = QUANTITIES.find((x) => x.id === quantity)!
  const n = numberIn(value)
  const outside = n !== null && (n < q.lowest || n > q.highest)
  return (
    <Box sx={{ display: 'grid', gap: 1.25, mt: 1 }}>
      <Box
        component="form"
        sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}
        onSubmit={(e) => {
          e.preventDefault()
          if (n === null || outside) return
          l.type(quantity, port === '0' ? null : Number(port), n, capped)
          setValue('')
        }}
      >
        <PickOne<QuantityId>
          label="Quantity"
          value={quantity}
          options={QUANTITIES.map((x) => ({ value: x.id, name: x.name }))}
          onPick={setQuantity}
        />
        <PickOne
          label="Port"
          value={port}
          options={[
            { value: '0', name: 'the whole' },
            ...['1', '2', '3', '4'].map((p) => ({ value: p, name: p })),
          ]}
          onPick={setPort}
        />
        <NumberBox
          label="Reading"
          unit={q.unit}
          value={value}
          problem={outside ? `${q.lowest} to ${q.highest} ${q.unit}` : null}
          onChange={setValue}
          autoComplete="off"
        />
        <Button type="submit" variant="outlined" disabled={n === null || outside}>
          Log it
        </Button>
        <FormControlLabel
          sx={{ gridColumn: '1 / -1' }}
          control={<Checkbox checked={capped} onChange={(e) => setCapped(e.target.checked)} />}
          label="It is at its cap: at least this"
        />
      </Box>
      <TextField
        label="A status, as it is shown"
        multiline
        minRows={3}
        value={status}
        onChange={(e) => setStatus(e.target.value)}
        placeholder={'port 1: RSRP -97 dBm\nRSRQ -11 dB'}
        slotProps={{ inputLabel: { shrink: true }, htmlInput: { maxLength: 4000 } }}
      />
      <Button
        variant="outlined"
        disabled={status.trim() === ''}
        onClick={() => l.read(status) && setStatus('')}
      >
        Read it
      </Button>
    </Box>
  )
}
