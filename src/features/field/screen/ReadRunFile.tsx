'use client'

import { useEffect, useState } from 'react'
import { messageOf } from '@/core/outcome'
import { deviceStore, keepPack } from '../log/deviceStore'

/** Files that the system hands to an application that was installed for them. */
interface LaunchQueue {
  setConsumer: (take: (launch: { files?: readonly { getFile: () => Promise<File> }[] }) => void) => void
}

/** Where the service worker puts a file that was shared with the application. */
const SHARED = 'shared-run'

async function sharedFile(): Promise<Blob | null> {
  if (!('caches' in window) || !new URLSearchParams(window.location.search).has('shared')) return null
  const kept = await caches.open(SHARED)
  const [request] = await kept.keys()
  const response = request && (await kept.match(request))
  if (request) await kept.delete(request)
  return response ? response.blob() : null
}

/** Puts a run's file on this device. @returns what came of it, in words */
async function take(file: Blob): Promise<{ ok: boolean; words: string }> {
  let raw: unknown
  try {
    raw = JSON.parse(await file.text())
  } catch {
    return { ok: false, words: 'This is no run’s file: it was cut short, or it is something else.' }
  }
  const { readRunFile } = await import('@/core/trial/readLog')
  const read = readRunFile(raw)
  if (!read.ok) return { ok: false, words: messageOf(read) }
  const { pack, entries, from } = read.value
  await keepPack({ ...pack, ground: null })
  await deviceStore().addHeld(entries)
  // What another device wrote may never have reached the desk: it goes there from here as well.
  if (from === 'device')
    await deviceStore().markLost(
      pack.runId,
      entries.map((e) => e.id),
    )
  return { ok: true, words: `${pack.runName} is on this device.` }
}

/** A run that comes by file, where no network reaches: picked, shared with the application, or opened with it. */
export function ReadRunFile({ onRead }: { onRead: () => void }) {
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null)
  const [asked] = useState(() => new URLSearchParams(window.location.search).has('file'))
  const [read] = useState(() => async (file: Blob) => {
    setSaid(await take(file).catch(() => ({ ok: false, words: 'It could not be kept on this device.' })))
    onRead()
  })
  useEffect(() => {
    void sharedFile().then((file) => file && read(file))
    const queue = (window as { launchQueue?: LaunchQueue }).launchQueue
    queue?.setConsumer(({ files }) => {
      for (const handle of files ?? []) void handle.getFile().then(read)
    })
  }, [read])
  return (
    <details style={{ borderTop: '1px solid var(--rule)', padding: '12px 0' }} open={said !== null || asked}>
      <summary style={{ fontWeight: 700, cursor: 'pointer', padding: '8px 0' }}>
        Take a run in from a file
      </summary>
      <label htmlFor="run-file">A run’s file, written at the desk (Field) or by another device (More):</label>
      <input
        id="run-file"
        type="file"
        accept=".reachrun,.json,application/json"
        style={{ display: 'block', margin: '12px 0', font: 'inherit', maxWidth: '100%' }}
        onChange={(e) => {
          const [file] = e.target.files ?? []
          if (file) void read(file)
          e.target.value = ''
        }}
      />
      <p role={said?.ok === false ? 'alert' : 'status'}>{said?.words}</p>
    </details>
  )
}
