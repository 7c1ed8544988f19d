'use client'

import Box from '@mui/material/Box'
import { useEffect, useState } from 'react'
import type { LoggedEvent, TrialPlan } from '@/core/trial'
import { clipBlob } from '../media/clipStore'

/** One photo or sound as this device holds it. */
function Kept({ mediaId, what, words }: { mediaId: string; what: 'photo' | 'sound'; words: string }) {
  const [src, setSrc] = useState<string | null>(null)
  const [gone, setGone] = useState(false)
  useEffect(() => {
    let url: string | null = null
    let mine = true
    void clipBlob(mediaId).then((blob) => {
      if (!mine) return
      if (!blob) return setGone(true)
      url = URL.createObjectURL(blob)
      setSrc(url)
    })
    return () => {
      mine = false
      if (url) URL.revokeObjectURL(url)
    }
  }, [mediaId])
  return (
    <Box sx={{ borderTop: '1px solid var(--rule)', py: 1 }}>
      {words}
      {gone && ' (on another device)'}
      {src && what === 'sound' && <audio controls src={src} style={{ display: 'block', width: '100%' }} />}
      {src && what === 'photo' && (
        <img src={src} alt={words} style={{ display: 'block', maxHeight: 160, maxWidth: '100%' }} />
      )}
    </Box>
  )
}

/** Photos and sounds of this run. */
export function KeptList({ plan, events }: { plan: TrialPlan; events: readonly LoggedEvent[] }) {
  const kept = events.flatMap((e) => (e.body.kind === 'media' ? [{ id: e.id, body: e.body }] : []))
  if (kept.length === 0) return null
  const name = (id: string | undefined) => plan.links.find((l) => l.id === id)?.name
  return (
    <Box>
      {kept.map(({ id, body }) => {
        const of = name(body.about?.linkId)
        const what = body.what === 'photo' ? 'Photo' : `Sound, ${Math.round(body.seconds ?? 0)} s`
        return <Kept key={id} mediaId={body.mediaId} what={body.what} words={of ? `${what}: ${of}` : what} />
      })}
    </Box>
  )
}
