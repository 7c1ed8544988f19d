'use client'

import { useEffect } from 'react'
import { listenerOf, type Direction, type Link } from '@/core/kit'
import { speltOut, standingChecks, type RunLog, type ScheduledCheck, type TrialPlan } from '@/core/trial'
import { countText } from '@/core/units'
import { speak } from '../device/feedback'
import type { Chance } from '../hints/useExpected'
import type { Role } from '../log/useRunLog'

interface Props {
  plan: TrialPlan
  log: RunLog
  now: ScheduledCheck
  link: Link
  calls: number
  role: Role
  /** At the base with nobody of ours out there. */
  alone: boolean
  /** Those that are logged on this device. */
  directions: readonly Direction[]
  /** The words to read out; null where none are. */
  sentWords: string[] | null
  spoken: boolean
  /** Chance of copy that is expected, and by how many checks; null where it is not known. */
  expected: Chance | null
  onDirection: (d: Direction) => void
  /** Another rig is wanted. */
  onRig: () => void
}

/** Whoever sends sees the rig; the listener of a blind order sees the letter alone. */
export function sends(role: Role, direction: Direction): boolean {
  return role === 'out there' ? direction !== 'from base' : direction === 'from base'
}

function whoReports(role: Role, direction: Direction): string {
  const atBase = role === 'base'
  if ((listenerOf(direction) === 'base') === atBase) return 'You report what you hear'
  return atBase ? 'They report what they hear' : 'The base reports'
}

function lineToSay(now: ScheduledCheck, letter: string, mine: boolean): string {
  if (now.direction === 'loop') return `Send, and note what comes back. ${now.mark.name}, rig ${letter}.`
  if (!mine) return `Listen. “${now.mark.name}, rig ${letter}, ready to copy.”`
  return `“Radio check from ${now.direction === 'from base' ? 'base' : now.mark.name}, rig ${letter}.”`
}

/** What is to be expected, and whether any check had a part in it. */
const expectedWords = ({ chance, checks }: Chance): string => {
  const often = `${Math.round(chance * 10)} times in 10`
  return checks === 0 ? `predicted ${often}` : `expected ${often}, from ${countText(checks, 'check')}`
}

/** Between repeats one moves by about half a wavelength, so that a fade averages out. */
export function movePrompt(link: Link): string {
  const halfM = 149.9 / link.out.txMHz
  const far =
    halfM >= 3 ? 'a few steps' : halfM >= 0.7 ? 'one step' : `${Math.max(10, Math.round(halfM * 20) * 5)} cm`
  return `First move ${far}, or turn: fading averages out.`
}

/** The directions of this check side by side, with what was logged already. */
function DirectionKeys({
  log,
  now,
  directions,
  onDirection,
}: Pick<Props, 'log' | 'now' | 'directions' | 'onDirection'>) {
  const done = (d: Direction) =>
    standingChecks(log).find(
      (c) =>
        c.markId === now.markId && c.linkId === now.linkId && c.direction === d && c.repeat === now.repeat,
    )
  return (
    <div style={{ display: 'grid', gridTemplateColumns: `repeat(${directions.length}, 1fr)`, gap: 4 }}>
      {directions.map((d) => {
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
              minHeight: 'var(--f-key-height, 64px)',
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
  )
}

/** The rig to connect now, its letter large; what to say; the two directions side by side. */
export function NowCard(props: Props) {
  const {
    plan,
    log,
    now,
    link,
    calls,
    role,
    alone,
    directions,
    sentWords,
    spoken,
    expected,
    onDirection,
    onRig,
  } = props
  const mine = sends(role, now.direction)
  const blind = log.blind?.[link.id]
  const letter = blind ?? link.letter
  // Out there, or alone, one connects the rig and cannot be blind to it; the base is.
  const hidden = blind !== undefined && role === 'base' && !alone
  const name = hidden ? `Letter ${blind}` : link.name
  const spokenWords = `${now.mark.name}. ${hidden ? '' : link.name}, letter ${letter}, ${now.direction}`
  useEffect(() => {
    if (spoken) speak(spokenWords)
  }, [spoken, spokenWords])
  return (
    <section
      style={{
        flex: 1,
        display: 'flex',
        flexDirection: 'column',
        justifyContent: 'center',
        gap: 8,
        minHeight: 0,
        overflow: 'hidden',
      }}
    >
      <div style={{ display: 'flex', gap: 12, alignItems: 'center' }}>
        <button
          type="button"
          aria-label={`Another rig than ${name}`}
          onClick={onRig}
          style={{
            font: 'inherit',
            fontSize: 'clamp(2.8rem, 11vh, 6.5rem)',
            lineHeight: 1,
            fontWeight: 700,
            minWidth: 64,
            background: 'var(--f-on)',
            color: 'var(--f-onInk)',
            padding: '4px 14px',
            border: 'none',
            borderRadius: 3,
          }}
        >
          {letter}
        </button>
        <div style={{ minWidth: 0, fontSize: 'clamp(0.95rem, 2.1vh, 1.2rem)' }}>
          <h1 style={{ fontSize: 'clamp(1.2rem, 3.2vh, 1.8rem)', margin: 0, lineHeight: 1.15 }}>
            {name}
            {plan.repeats > 1 && (
              <small>
                {' '}
                · {now.repeat} of {plan.repeats}
              </small>
            )}
          </h1>
          {blind !== undefined && !hidden && (
            <div>
              announced as {blind}, “{speltOut(blind)}”
            </div>
          )}
          <div>
            {whoReports(role, now.direction)}
            {calls > 1 && `, call ${calls}`}
            {/* Blind, it would tell the listener which rig it is. */}
            {expected !== null && !hidden && ` · ${expectedWords(expected)}`}
          </div>
          {now.repeat > 1 && plan.order.scheme !== 'on-off-on' && (
            <div>
              <b>{movePrompt(link)}</b>
            </div>
          )}
          <div style={{ fontStyle: 'italic' }}>{lineToSay(now, letter, mine)}</div>
        </div>
      </div>
      {sentWords && mine && (
        <div style={{ fontSize: 'clamp(1.1rem, 2.9vh, 1.6rem)', fontWeight: 700, lineHeight: 1.2 }}>
          Read out: {sentWords.join(' · ')}
        </div>
      )}
      {directions.length > 1 && <DirectionKeys {...{ log, now, directions, onDirection }} />}
    </section>
  )
}
