'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import { isAllStrangers } from '@/core/kit'
import { changeSettings } from '../device/settings'
import { timeToday } from '../hints/timers'
import { Choice } from './Part'
import type { MenuProps } from './shared'

const whole = (text: string) => Math.max(0, Math.min(600, Math.round(Number(text.replace(',', '.')) || 0)))

/** Who holds this device, what it reminds of, and how it looks and sounds. */
export function DevicePart({ settings, pack }: MenuProps) {
  const tick = (key: 'leftHanded' | 'tones' | 'spoken', label: string) => (
    <FormControlLabel
      sx={{ minHeight: 48 }}
      control={
        <Checkbox checked={settings[key]} onChange={(e) => changeSettings({ [key]: e.target.checked })} />
      }
      label={label}
    />
  )
  const badTime = settings.turnBack !== '' && timeToday(settings.turnBack, 0) === null
  return (
    <>
      {isAllStrangers(pack.plan.links) ? (
        <Box>Whoever answers is out there: what you hear and what they report is both logged here.</Box>
      ) : (
        <Choice
          label="Who holds this device"
          value={settings.role === 'base' && settings.alone ? 'alone' : settings.role}
          options={[
            { value: 'out there', words: 'Out there' },
            { value: 'base', words: 'At the base' },
            { value: 'alone', words: 'At the base, logging both ways' },
          ]}
          onChange={(who) =>
            changeSettings({ role: who === 'out there' ? who : 'base', alone: who === 'alone' })
          }
        />
      )}
      <Choice
        label="How you go"
        value={settings.vehicle ? 'vehicle' : 'foot'}
        options={[
          { value: 'foot', words: 'On foot' },
          { value: 'vehicle', words: 'By vehicle' },
        ]}
        onChange={(how) => changeSettings({ vehicle: how === 'vehicle' })}
      />
      {settings.vehicle && (
        <Box>
          The driver drives. While it moves the screen takes one large key only; a passenger can open it.
        </Box>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <TextField
          label="Turn back at"
          placeholder="15:30"
          value={settings.turnBack}
          error={badTime}
          helperText={badTime ? 'A time is written 15:30' : 'Tell somebody this time'}
          onChange={(e) => changeSettings({ turnBack: e.target.value })}
        />
        <TextField
          label="Missed check after (min)"
          value={settings.missedMinutes || ''}
          helperText="Empty for none"
          onChange={(e) => changeSettings({ missedMinutes: whole(e.target.value) })}
        />
        <TextField
          label="Identify every (min)"
          value={settings.identifyMinutes || ''}
          helperText="As your licence demands"
          onChange={(e) => changeSettings({ identifyMinutes: whole(e.target.value) })}
        />
        <TextField
          label="Call sign"
          value={settings.callSign}
          onChange={(e) => changeSettings({ callSign: e.target.value.slice(0, 20) })}
        />
      </Box>
      <Box sx={{ display: 'grid' }}>
        {tick('leftHanded', 'Keys for the left hand')}
        {tick('tones', 'A tone for each entry')}
        {tick('spoken', 'Say the next check aloud, where the device has a voice')}
      </Box>
    </>
  )
}
