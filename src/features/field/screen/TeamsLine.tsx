'use client'

import type { CSSProperties } from 'react'
import { agoText } from '@/core/units'
import type { FieldSettings } from '../device/settings'
import { useNow } from '../device/useDevice'
import { othersOf } from '../hints/others'
import type { RunLogHandle } from '../log/useRunLog'

const LINE: CSSProperties = {
  display: 'flex',
  flexWrap: 'wrap',
  columnGap: 12,
  minHeight: 44,
  alignItems: 'center',
  width: '100%',
  padding: '0 8px',
  font: 'inherit',
  fontSize: '0.95rem',
  textAlign: 'left',
  color: 'var(--f-ink)',
  background: 'var(--f-bg)',
  border: '2px solid var(--f-line)',
}

/** Those silent longest; the others are a tap away. */
const SHOWN = 3

interface Props {
  handle: Pick<RunLogHandle, 'entries' | 'device' | 'log'>
  settings: Pick<FieldSettings, 'role' | 'alone'>
  /** Opens all that is known of them. */
  onOpen: () => void
}

/** At the base: how long ago each of the others gave word, the longest silent first. Nothing where there is nobody else. */
export function TeamsLine({ handle, settings, onOpen }: Props) {
  const now = useNow(10_000)
  const others = othersOf(handle.entries, handle.device)
  const atBase = settings.role === 'base' && !settings.alone && handle.log.state === 'going'
  if (!atBase || others.length === 0) return null
  return (
    <button type="button" style={LINE} onClick={onOpen}>
      <span>Last word</span>
      {others.slice(0, SHOWN).map((o) => (
        <span key={o.device}>
          <b>{o.device}</b> {agoText(o.lastAt, now).replace(/ ago$/, '')}
        </span>
      ))}
      {others.length > SHOWN && <span>and {others.length - SHOWN} more</span>}
    </button>
  )
}
