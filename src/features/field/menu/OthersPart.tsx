'use client'

import Box from '@mui/material/Box'
import { agoText, countText } from '@/core/units'
import { useNow } from '../device/useDevice'
import { othersOf } from '../hints/others'
import { checkName } from '../actions/checkName'
import { changeSettings } from '../device/settings'
import { Choice } from './Part'
import type { MenuProps } from './shared'

const ALARMS = [0, 10, 20, 30] as const

/** For whoever is at the base: when each of the others last gave word, what comes next, and when to ask. */
export function OthersPart({ pack, handle, now: next, settings }: MenuProps) {
  const now = useNow(10_000)
  const others = othersOf(handle.entries, handle.device)
  return (
    <>
      {others.length === 0 && (
        <Box>No other device has logged in this run yet. What one logs shows here once it has a network.</Box>
      )}
      {others.map((o) => (
        <Box key={o.device} sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
          <Box component="b" sx={{ fontSize: '1.1rem', flex: '1 1 160px' }}>
            {o.device}
          </Box>
          <span>
            last word {agoText(o.lastAt, now)} · {countText(o.checks, 'check')}
          </span>
        </Box>
      ))}
      {next && (
        <Box>
          Expected next: <b>{checkName(pack.plan, handle.log, next)}</b>
        </Box>
      )}
      <Box sx={{ fontWeight: 700 }}>Say it when nothing was heard of somebody for</Box>
      <Choice
        label="Say it when nothing was heard of somebody for"
        value={String(ALARMS.find((m) => m === settings.missedMinutes) ?? '')}
        options={ALARMS.map((m) => ({ value: String(m), words: m === 0 ? 'Never' : `${m} min` }))}
        onChange={(m) => changeSettings({ missedMinutes: Number(m) })}
      />
    </>
  )
}
