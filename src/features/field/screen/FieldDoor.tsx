'use client'

import dynamic from 'next/dynamic'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { keptPack } from '../log/deviceStore'
import { FieldScreen } from './FieldScreen'
import { ServerRefused } from '../log/entryQueue'
import type { RunPack } from '../log/runPack'
import { fetchAndKeep } from '../device/takeRun'
import { fieldVars } from '../device/theme'

const DeviceRuns = dynamic(() => import('./DeviceRuns').then((m) => m.DeviceRuns), { ssr: false })

const nothing = () => () => undefined
const runOfAddress = () => new URLSearchParams(window.location.search).get('run')

type Door = { state: 'opening' } | { state: 'open'; pack: RunPack } | { state: 'closed'; why: string }

/** Opens a run from this device where it is here, else from the server; what the server has newer comes in behind. */
async function openRun(runId: string): Promise<Door> {
  const kept = await keptPack(runId).catch(() => null)
  const fresh = fetchAndKeep(runId)
  if (kept) {
    // The network may be slow or gone: what is here opens at once, and is brought up to date behind.
    fresh.catch(() => undefined)
    return { state: 'open', pack: kept }
  }
  try {
    return { state: 'open', pack: await fresh }
  } catch (e) {
    return {
      state: 'closed',
      why:
        e instanceof ServerRefused
          ? e.message
          : 'This run is not on this device, and the server cannot be reached. Open it once while the network is there.',
    }
  }
}

function Closed({ why }: { why: string }) {
  return (
    <main style={{ maxWidth: 560, margin: '48px auto', padding: 16 }}>
      <h1>This run cannot be opened</h1>
      <p role="alert">{why}</p>
      <p>
        <a href="/field">Runs on this device</a>
      </p>
    </main>
  )
}

/** The way in to the field screen, with or without a network. */
export function FieldDoor() {
  const runId = useSyncExternalStore(nothing, runOfAddress, () => null)
  const [door, setDoor] = useState<Door & { runId?: string }>({ state: 'opening' })
  useEffect(() => {
    if (!runId) return
    let stale = false
    void openRun(runId).then((d) => {
      if (!stale) setDoor({ ...d, runId })
    })
    return () => {
      stale = true
    }
  }, [runId])
  if (!runId) return <DeviceRuns />
  if (door.state === 'closed') return <Closed why={door.why} />
  if (door.state === 'open' && door.runId === runId) return <FieldScreen key={runId} pack={door.pack} />
  return (
    <main
      style={{
        ...fieldVars('sun'),
        position: 'fixed',
        inset: 0,
        background: 'var(--f-bg)',
        color: 'var(--f-ink)',
        padding: 16,
      }}
    >
      Opening the run…
    </main>
  )
}
