'use client'

import { useEffect, useState } from 'react'
import { inverse } from '@/core/geo'
import type { Link } from '@/core/kit'
import { placeOfBase, type EntryBody, type LoggedEvent, type TrialPlan } from '@/core/trial'
import { PACE_KMH, STILL_S } from '../position/pace'
import { PadButton } from '../pad/PadButton'
import { fixOf, type Position } from '../position/positionSource'
import { useNow } from '../device/useDevice'

interface Props {
  kmh: number | null
  link: Link | null
  position: Position | null
  base: TrialPlan['base']
  states: readonly LoggedEvent[]
  onState: (body: EntryBody, words: string) => void
}

/** Moving by vehicle: nothing to read, one large key for the driver's ear, and the passenger's way in. */
export function PassengerMode({ kmh, link, position, base, states, onState }: Props) {
  const now = useNow(1000)
  const [movedAt, setMovedAt] = useState<number | null>(null)
  const [unlockedAt, setUnlocked] = useState<number | null>(null)
  const fast = kmh !== null && kmh > PACE_KMH
  if (fast && movedAt !== now) setMovedAt(now)
  const moving = movedAt !== null && now - movedAt < STILL_S * 1000
  // Once it stood still the passenger has to say so again.
  if (!moving && unlockedAt !== null) setUnlocked(null)
  const covered = moving && unlockedAt === null

  const noLook = () => {
    if (!link) return
    const fix = fixOf(position)
    const place = placeOfBase(base)
    const distanceM = fix && place ? inverse(place, fix).distanceM : null
    const before = states.filter((e) => e.body.kind === 'state').at(-1)?.body
    const was = before?.kind === 'state' ? before.distanceM : null
    const way = distanceM !== null && was !== null && distanceM < was ? 'home' : 'out'
    onState(
      { kind: 'state', linkId: link.id, way, state: null, distanceM, fix },
      'Marked; name it when parked.',
    )
  }
  useEffect(() => {
    if (!covered) return
    const press = (e: KeyboardEvent) => {
      if (e.key !== ' ' && e.key !== 'Enter' && e.key !== 'AudioVolumeUp') return
      e.preventDefault()
      e.stopPropagation()
      if (!e.repeat) noLook()
    }
    window.addEventListener('keydown', press, true)
    return () => window.removeEventListener('keydown', press, true)
  })
  if (!covered) return null
  return (
    <div
      role="dialog"
      aria-label="Moving"
      style={{
        position: 'fixed',
        inset: 0,
        zIndex: 5,
        display: 'grid',
        gridTemplateRows: 'auto 1fr auto',
        gap: 12,
        padding: 16,
        background: 'var(--f-bg)',
        color: 'var(--f-ink)',
        textAlign: 'center',
      }}
    >
      <h1 style={{ margin: 0, fontSize: '2.2rem' }}>The driver drives.</h1>
      <PadButton strong onClick={noLook} style={{ fontSize: '3rem', minHeight: 0 }}>
        Changed
      </PadButton>
      <PadButton onClick={() => setUnlocked(Date.now())} style={{ minHeight: 96, fontSize: '1.6rem' }}>
        Passenger: log
      </PadButton>
    </div>
  )
}
