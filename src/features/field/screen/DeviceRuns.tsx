'use client'

import { useEffect, useState, type CSSProperties } from 'react'
import type { Asker, Post } from '@/core/crew'
import { countText } from '@/core/units'
import { takeRun } from '../device/takeRun'
import { keptPacks, waitingByRun } from '../log/deviceStore'
import { ReadRunFile } from './ReadRunFile'
import { UpdateHint } from './UpdateHint'

interface Line {
  id: string
  name: string
  trial: string
  waiting: number
}

/** Who the server takes this device for, and the runs that the desk gave it. */
interface Me {
  asker: Asker
  device: { name: string; sign: string } | null
  runs: { id: string; name: string; trial: string; post: Post | null }[]
}

const POST_WORDS: Record<Post, string> = { base: 'at the base', 'out there': 'out there' }

const ROW: CSSProperties = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: 12,
  alignItems: 'center',
  borderTop: '1px solid var(--rule)',
  padding: '12px 0',
}
const BUTTON: CSSProperties = {
  minHeight: 52,
  padding: '0 18px',
  font: 'inherit',
  fontWeight: 700,
  color: 'var(--paper)',
  background: 'var(--ink)',
  border: 0,
  borderRadius: 3,
  textDecoration: 'none',
  display: 'inline-flex',
  alignItems: 'center',
}

async function linesHere(): Promise<Line[]> {
  const [packs, waiting] = await Promise.all([keptPacks(), waitingByRun()])
  return packs.map(({ id, pack }) => ({
    id,
    name: pack.runName,
    trial: pack.plan.trialName,
    waiting: waiting.get(id) ?? 0,
  }))
}

async function whoAmI(): Promise<Me | null> {
  try {
    const response = await fetch('/api/me', { cache: 'no-store', signal: AbortSignal.timeout(8_000) })
    return response.ok ? ((await response.json()) as Me) : null
  } catch {
    return null
  }
}

function Given({ run, onTaken }: { run: Me['runs'][number]; onTaken: () => void }) {
  const [state, setState] = useState<'not here' | 'working' | 'failed'>('not here')
  const take = async () => {
    setState('working')
    try {
      await takeRun(run.id)
      onTaken()
    } catch {
      setState('failed')
    }
  }
  return (
    <li style={ROW}>
      <div style={{ flex: '1 1 180px' }}>
        <b style={{ fontSize: '1.2rem' }}>{run.name}</b>
        <div>
          {run.trial}
          {run.post && ` · you are ${POST_WORDS[run.post]}`}
        </div>
        {state === 'failed' && <div role="alert">It could not be taken along. Try again near the desk.</div>}
      </div>
      <button
        type="button"
        style={BUTTON}
        disabled={state === 'working'}
        onClick={() => void take()}
        aria-label={`Take ${run.name} along`}
      >
        {state === 'working' ? 'Taking it along…' : 'Take it along'}
      </button>
    </li>
  )
}

/** What a device that was shut out, or never brought in, is told. What is on it stays usable. */
function NotIn() {
  return (
    <p role="alert" style={{ borderLeft: '8px solid var(--bad)', paddingLeft: 12 }}>
      The desk does not let this device in. <a href="/pair">Bring it in</a>; or open a run below and write its
      log to a file, under More.
    </p>
  )
}

/** The start page of a device: the runs on it, which open with no network, and those that the desk gave it. */
export function DeviceRuns() {
  const [lines, setLines] = useState<Line[] | null>(null)
  const [trouble, setTrouble] = useState(false)
  const [me, setMe] = useState<Me | null | undefined>(undefined)
  const look = () => {
    linesHere()
      .then(setLines)
      .catch(() => setTrouble(true))
  }
  useEffect(() => {
    look()
    void whoAmI().then((m) => {
      setMe(m)
      if (m?.device) localStorage.setItem('device', m.device.sign)
    })
  }, [])
  const given = me?.runs.filter((r) => !lines?.some((l) => l.id === r.id)) ?? []
  return (
    <main style={{ maxWidth: 560, margin: '0 auto', padding: '32px 16px' }}>
      <h1 style={{ margin: '0 0 4px' }}>Runs on this device</h1>
      <p role="status" style={{ color: 'var(--soft)', marginTop: 0, minHeight: '1.5em' }}>
        {me === null && 'The desk is not in reach. What is here opens all the same.'}
        {me?.device && `${me.device.name}, in reach of the desk`}
      </p>
      <UpdateHint />
      {me?.asker === 'nobody' && <NotIn />}
      {trouble && <p role="alert">This browser lets nothing be stored here. Leave private browsing.</p>}
      {lines?.length === 0 && given.length === 0 && (
        <p>
          {me?.device
            ? 'None yet. The desk gives this device a run under Field; it shows here then.'
            : 'None yet. Open a run once while the network is there; from then on it opens without.'}
        </p>
      )}
      <ul style={{ listStyle: 'none', padding: 0 }}>
        {lines?.map((l) => (
          <li key={l.id} style={ROW}>
            <div style={{ flex: '1 1 180px' }}>
              <b style={{ fontSize: '1.2rem' }}>{l.name}</b>
              <div>
                {l.trial}
                {l.waiting > 0 && ` · ${countText(l.waiting, 'entry', 'entries')} only on this device`}
              </div>
            </div>
            <a href={`/field?run=${l.id}`} style={BUTTON} aria-label={`Open ${l.name}`}>
              Open
            </a>
          </li>
        ))}
        {given.map((run) => (
          <Given key={run.id} run={run} onTaken={look} />
        ))}
      </ul>
      <ReadRunFile onRead={look} />
      {(me?.asker === 'owner' || me?.asker === 'desk' || me?.asker === 'observer') && (
        <p>
          <a href="/">All trials</a>
        </p>
      )}
    </main>
  )
}
