'use client'

import type { CSSProperties, ReactNode } from 'react'
import { blindDraw } from '@/core/trial'
import { countText } from '@/core/units'
import { beforeLeg } from './beforeLeg'
import { edgeWarning, type Prediction } from './edgeWarning'
import { othersOf, silentFor } from './others'
import { reminders } from './timers'
import type { FieldSettings } from '../device/settings'
import { useNow, type TabLock } from '../device/useDevice'
import type { RunLogHandle } from '../log/useRunLog'

interface Props {
  handle: RunLogHandle
  settings: FieldSettings
  positionTrouble: string | null
  lock: TabLock
  /** The plan and where it stands; null where nothing is left to make. */
  prediction: Prediction | null
}

const line = (urgent: boolean): CSSProperties => ({
  padding: '4px 8px',
  borderLeft: `8px solid ${urgent ? 'var(--f-now)' : 'var(--f-line)'}`,
  background: 'var(--f-key)',
  fontWeight: urgent ? 700 : 400,
  display: 'flex',
  gap: 8,
  alignItems: 'center',
  fontSize: '0.95rem',
})

const small: CSSProperties = {
  minHeight: 40,
  font: 'inherit',
  fontWeight: 700,
  color: 'var(--f-ink)',
  background: 'var(--f-bg)',
  border: '2px solid var(--f-line)',
  padding: '0 10px',
}

/** What needs saying now, the gravest first; one or two lines, so that nothing scrolls. */
export function AlertBar({ handle, settings, positionTrouble, lock, prediction }: Props) {
  const now = useNow(10_000)
  const { log, queue, storageTrouble, clockBackMs } = handle
  const checks = log.checks.filter((c) => !c.voided)
  const lastCheck = checks.length > 0 ? Date.parse(checks[checks.length - 1]!.time) : null
  const identified = log.events.filter((e) => e.body.kind === 'other' && e.body.what === 'identified').at(-1)
  const began = checks[0] ? Date.parse(checks[0].time) : null
  const due =
    log.state === 'going'
      ? reminders(settings, now, lastCheck, identified ? Date.parse(identified.time) : began)
      : []
  const lines: { urgent: boolean; content: ReactNode }[] = []
  if (storageTrouble) lines.push({ urgent: true, content: storageTrouble })
  if (!lock.mine)
    lines.push({
      urgent: true,
      content: (
        <>
          <span style={{ flex: 1 }}>This run is open in another tab; nothing is logged from here.</span>
          <button type="button" style={small} onClick={lock.takeOver}>
            Log here
          </button>
        </>
      ),
    })
  if (queue.refused && queue.trouble) lines.push({ urgent: true, content: queue.trouble })
  if (queue.aside.length > 0)
    lines.push({
      urgent: true,
      content: `The server does not take ${countText(queue.aside.length, 'entry', 'entries')}; kept here. See The log, under More.`,
    })
  if (clockBackMs !== null)
    lines.push({
      urgent: true,
      content: `This device’s clock was set back by ${Math.round(clockBackMs / 60_000)} min. The order of the log is kept; set the clock right.`,
    })
  for (const r of due)
    lines.push({
      urgent: r.urgent,
      content:
        r.key === 'identify' ? (
          <>
            <span style={{ flex: 1 }}>{r.words}</span>
            <button
              type="button"
              style={small}
              onClick={() => void handle.add({ kind: 'other', what: 'identified', detail: {} })}
            >
              Done
            </button>
          </>
        ) : (
          r.words
        ),
    })
  if (log.state === 'going' && settings.role === 'base' && !settings.alone)
    for (const { device, minutes } of silentFor(
      othersOf(handle.entries, handle.device),
      settings.missedMinutes,
      now,
    ))
      lines.push({ urgent: true, content: `No word of ${device} for ${minutes} min. Call.` })
  const draw = blindDraw(log)
  if (draw && draw.device === handle.device && !draw.seen && !draw.used)
    lines.push({
      urgent: true,
      content: 'The blind letters are on this device only: another at the base still names the rigs.',
    })
  const warning = prediction && edgeWarning(prediction)
  if (warning) lines.push({ urgent: false, content: warning })
  const first = prediction && beforeLeg(prediction)
  if (first) lines.push({ urgent: false, content: first })
  if (positionTrouble) lines.push({ urgent: false, content: positionTrouble })
  if (lines.length === 0) return null
  return (
    <div role="alert" style={{ display: 'grid', gap: 3 }}>
      {lines.slice(0, 2).map((l, i) => (
        <div key={i} style={line(l.urgent)}>
          {l.content}
        </div>
      ))}
    </div>
  )
}
