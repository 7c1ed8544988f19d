'use client'

import { useEffect, useRef, useState, type CSSProperties, type FormEvent } from 'react'
import type { DeviceRole } from '@/core/crew'
import { asked } from '@/ui/answers/posted'

interface Paired {
  device: { name: string; sign: string; role: DeviceRole }
}

const AWAY = 'The desk cannot be reached. Is this device in the same network?'

const BUTTON: CSSProperties = {
  display: 'block',
  width: '100%',
  minHeight: 56,
  fontSize: '1.15rem',
  fontWeight: 700,
  border: 0,
  borderRadius: 3,
  background: 'var(--ink)',
  color: 'var(--paper)',
}

/** A device names itself in its entries by what the desk called it. */
function keepSign(sign: string) {
  try {
    localStorage.setItem('device', sign)
  } catch {
    // Without a store nothing can be logged here either; the field screen says so.
  }
}

/** Brings this device in by the words on the desk's screen: scanned, they stand in the address already. */
export function PairPage() {
  // What was typed before the page was awake counts as well.
  const words = useRef<HTMLTextAreaElement>(null)
  const [said, setSaid] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const pair = async (typed: string) => {
    setBusy(true)
    try {
      const answer = await asked<Paired>('POST', '/api/pair', { words: typed })
      if (!answer.ok) return setSaid(answer.problems.map((p) => p.message).join(' '))
      const { sign, role } = answer.value.device
      keepSign(sign)
      window.location.assign(role === 'field' ? '/field' : '/')
    } catch {
      setSaid(AWAY)
    } finally {
      setBusy(false)
    }
  }
  useEffect(() => {
    const scanned = decodeURIComponent(window.location.hash.slice(1)).replaceAll('-', ' ')
    if (!scanned) return
    // They are good once: they need not stay in the address and its history.
    window.history.replaceState(null, '', '/pair')
    words.current!.value = scanned
    // eslint-disable-next-line react-hooks/set-state-in-effect -- read once from where it was opened
    void pair(scanned)
  }, [])
  const submit = (e: FormEvent) => {
    e.preventDefault()
    void pair(words.current?.value ?? '')
  }
  return (
    <main style={{ maxWidth: 480, margin: '0 auto', padding: '32px 16px' }}>
      <h1 style={{ fontSize: '1.7rem', lineHeight: 1.2, margin: '0 0 8px' }}>Bring this device in</h1>
      <p style={{ color: 'var(--soft)', marginTop: 0 }}>
        The desk shows six words under Devices. They are good once, for ten minutes.
      </p>
      <form onSubmit={submit}>
        <label htmlFor="words" style={{ fontWeight: 700 }}>
          The six words
        </label>
        <textarea
          id="words"
          ref={words}
          rows={3}
          autoCapitalize="none"
          autoCorrect="off"
          spellCheck={false}
          aria-describedby="said"
          style={{
            display: 'block',
            width: '100%',
            boxSizing: 'border-box',
            margin: '6px 0 12px',
            padding: 12,
            font: 'inherit',
            fontSize: '1.25rem',
            color: 'var(--ink)',
            background: 'var(--raised)',
            border: '2px solid var(--rule)',
            borderRadius: 3,
          }}
        />
        <button type="submit" disabled={busy} style={BUTTON}>
          {busy ? 'Asking the desk…' : 'Bring it in'}
        </button>
      </form>
      <p id="said" role="alert" style={{ fontWeight: 700, minHeight: '3em' }}>
        {said}
      </p>
      <p>
        <a href="/field" style={{ color: 'var(--accent)' }}>
          Runs on this device
        </a>
      </p>
    </main>
  )
}
