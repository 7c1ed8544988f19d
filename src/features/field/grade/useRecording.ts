'use client'

import { useEffect, useState } from 'react'
import { decodeSound, type DecodedSound } from './decodeSound'

/** The sound of a recording that the server keeps, ready to be drawn and played; null until it is. */
export function useRecording(runId: string, mediaId: string | null, name: string) {
  const [state, setState] = useState<{
    id: string
    sound: DecodedSound | null
    problem: string | null
  } | null>(null)
  useEffect(() => {
    if (!mediaId) return
    let mine = true
    let opened: DecodedSound | null = null
    void (async () => {
      try {
        const response = await fetch(`/api/runs/${runId}/media/${mediaId}`)
        if (!response.ok)
          throw new Error(
            `${name} has not arrived here yet. It comes when the device that holds it is sent from.`,
          )
        opened = await decodeSound(await response.arrayBuffer(), name)
        if (mine) setState({ id: mediaId, sound: opened, problem: null })
      } catch (e) {
        if (mine) setState({ id: mediaId, sound: null, problem: e instanceof Error ? e.message : String(e) })
      }
    })()
    return () => {
      mine = false
      opened?.stop()
    }
  }, [runId, mediaId, name])
  return state?.id === mediaId ? state : null
}
