'use client'

import { useEffect, useState } from 'react'
import { keptPacks, waitingByRun } from '../log/deviceStore'

interface Line {
  id: string
  name: string
  trial: string
  waiting: number
}

/** The runs that are on this device: all that can be opened with no network. */
export function DeviceRuns() {
  const [lines, setLines] = useState<Line[] | null>(null)
  const [trouble, setTrouble] = useState(false)
  useEffect(() => {
    Promise.all([keptPacks(), waitingByRun()])
      .then(([packs, waiting]) =>
        setLines(
          packs.map(({ id, pack }) => ({
            id,
            name: pack.runName,
            trial: pack.plan.trialName,
            waiting: waiting.get(id) ?? 0,
          })),
        ),
      )
      .catch(() => setTrouble(true))
  }, [])
  return (
    <main style={{ maxWidth: 560, margin: '48px auto', padding: 16 }}>
      <h1>Runs on this device</h1>
      {trouble && <p role="alert">This browser lets nothing be stored here. Leave private browsing.</p>}
      {lines?.length === 0 && (
        <p>None yet. Open a run once while the network is there; from then on it opens without.</p>
      )}
      <ul style={{ listStyle: 'none', padding: 0 }}>
        {lines?.map((l) => (
          <li key={l.id} style={{ borderTop: '1px solid var(--rule)', padding: '12px 0' }}>
            <a href={`/field?run=${l.id}`} style={{ fontSize: '1.2rem', fontWeight: 700 }}>
              {l.name}
            </a>
            <div>
              {l.trial}
              {l.waiting > 0 && ` · ${l.waiting} entries only on this device`}
            </div>
          </li>
        ))}
      </ul>
      <p>
        <a href="/">All trials</a>
      </p>
    </main>
  )
}
