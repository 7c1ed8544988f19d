'use client'

import { listenerOf, type Direction, type Link } from '@/core/kit'
import { standingChecks, type RunLog, type ScheduledCheck, type TrialPlan } from '@/core/trial'

interface Props {
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck
  link: Link
  calls: number
  onDirection: (d: Direction) => void
}

/** The rig to connect now, its letter large; what to say; the two directions side by side. */
export function NowCard({ plan, log, now, link, calls, onDirection }: Props) {
  const listener = listenerOf(now.direction) === 'base' ? 'The base reports' : 'You report what you hear'
  const done = (d: Direction) =>
    standingChecks(log).find(
      (c) =>
        c.markId === now.markId && c.linkId === now.linkId && c.direction === d && c.repeat === now.repeat,
    )
  return (
    <section
      style={{
        flex: 1,
        display: 'flex',
        flexDirection: 'column',
        justifyContent: 'center',
        gap: 12,
        minHeight: 0,
      }}
    >
      <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
        <div
          aria-hidden="true"
          style={{
            fontSize: 'clamp(3.6rem, 13vh, 7rem)',
            lineHeight: 1,
            fontWeight: 700,
            background: 'var(--f-on)',
            color: 'var(--f-onInk)',
            padding: '6px 14px',
            borderRadius: 3,
          }}
        >
          {link.letter}
        </div>
        <div style={{ minWidth: 0, fontSize: 'clamp(1rem, 2.3vh, 1.25rem)' }}>
          <h1 style={{ fontSize: 'clamp(1.3rem, 3.4vh, 1.9rem)', margin: 0, lineHeight: 1.15 }}>
            {link.name}
            {plan.repeats > 1 && (
              <small>
                {' '}
                · {now.repeat} of {plan.repeats}
              </small>
            )}
          </h1>
          <div>
            {listener}
            {calls > 1 && `, call ${calls}`}
          </div>
          <div style={{ fontStyle: 'italic' }}>
            {now.direction === 'from base'
              ? `“${now.mark.name}, rig ${link.letter}, ready to copy.”`
              : `“Radio check from ${now.mark.name}, rig ${link.letter}.”`}
          </div>
        </div>
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: `repeat(${plan.directions.length}, 1fr)`, gap: 4 }}>
        {plan.directions.map((d) => {
          const made = done(d)
          const here = d === now.direction
          return (
            <button
              key={d}
              type="button"
              disabled={!!made}
              aria-current={here ? 'step' : undefined}
              onClick={() => onDirection(d)}
              style={{
                minHeight: 64,
                font: 'inherit',
                color: 'var(--f-ink)',
                background: 'none',
                border: `${here ? 4 : 2}px solid ${here ? 'var(--f-now)' : 'var(--f-line)'}`,
                outlineOffset: 2,
                borderRadius: 3,
                fontWeight: here ? 700 : 400,
              }}
            >
              {d}
              {made ? `: ${made.text}` : here ? ', now' : ''}
            </button>
          )
        })}
      </div>
    </section>
  )
}
