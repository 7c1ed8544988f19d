'use client'

import { useEffect, useRef } from 'react'
import { clockWindow, type RunLog } from '@/core/trial'
import { answer } from '../device/feedback'
import { useNow } from '../device/useDevice'

/** This long after a window began it counts as now, ms. */
const OPEN_MS = 10_000

const clockText = (ms: number) => {
  const s = Math.ceil(ms / 1000)
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}

/** The countdown to the next listening window, where the two work to a clock because they cannot talk. */
export function ClockLine({
  clock,
  sends,
  logged,
  tones,
}: {
  clock: NonNullable<RunLog['clock']>
  /** This end sends; the other listens. */
  sends: boolean
  /** Checks logged since the clock was started. */
  logged: number
  tones: boolean
}) {
  const now = useNow(250)
  const { begun, toNextMs } = clockWindow(clock, now)
  const open = begun > 0 && clock.everyS * 1000 - toNextMs < OPEN_MS
  const rung = useRef(begun)
  useEffect(() => {
    if (begun > rung.current) answer('done', tones)
    rung.current = begun
  }, [begun, tones])
  // The window that is open has not been missed yet.
  const behind = begun - (open ? 1 : 0) - logged
  return (
    <div
      role="timer"
      style={{
        display: 'flex',
        gap: 10,
        alignItems: 'baseline',
        padding: '2px 8px',
        borderLeft: `8px solid ${open ? 'var(--f-now)' : 'var(--f-line)'}`,
      }}
    >
      <b style={{ fontSize: '1.7rem', fontVariantNumeric: 'tabular-nums' }}>
        {open ? (sends ? 'Send now' : 'Listen now') : clockText(toNextMs)}
      </b>
      <span>
        {open ? `window ${begun}` : `to window ${begun + 1}; then ${sends ? 'you send' : 'you listen'}`}
        {behind > 0 && ` · ${behind} behind: log what came`}
      </span>
    </div>
  )
}
