'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { LARGEST_FILE } from '@/core/formats/problem'
import type { BackdropRow } from '@/data/backdrops'
import { Fold, Refused } from '@/ui/shell'
import { dropBackdrop } from './actions'

/** Maps of the user's own, as MBTiles of pictures, to lay under all else. */
export function Backdrops({ backdrops }: { backdrops: BackdropRow[] }) {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [doing, setDoing] = useState<string | null>(null)
  const [problem, setProblem] = useState<{ where: string; message: string } | null>(null)
  const bring = async (file: File) => {
    if (file.size > LARGEST_FILE)
      return setProblem({
        where: file.name,
        message: 'It is larger than 64 MB. Cut it to your ground, or leave out the finest levels.',
      })
    setDoing(file.name)
    try {
      const response = await fetch(`/api/backdrops?name=${encodeURIComponent(file.name)}`, {
        method: 'POST',
        body: file,
      })
      const answer = (await response.json()) as { message?: string }
      setProblem(response.ok ? null : { where: file.name, message: answer.message ?? 'It was refused.' })
      router.refresh()
    } catch {
      setProblem({
        where: file.name,
        message: 'The server could not be reached; nothing was kept. Try again.',
      })
    } finally {
      setDoing(null)
    }
  }
  const remove = async (b: BackdropRow) => {
    const result = await dropBackdrop(b.id)
    setProblem(result.ok ? null : { where: b.name, message: result.message })
  }
  return (
    <Fold title="A map of your own under it all">
      <Box sx={{ color: 'var(--soft)', my: 1 }}>
        An MBTiles file of pictures (png, jpg, webp), up to 64 MB. It is read only; choose it over the map.
      </Box>
      {backdrops.map((b) => (
        <Box
          key={b.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: '1px solid var(--rule)', py: 0.5 }}
        >
          <Box sx={{ flex: 1 }}>
            <b>{b.name}</b>
            <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>
              levels {b.minZoom} to {b.maxZoom}
              {b.attribution && `, ${b.attribution}`}
            </Box>
          </Box>
          <Button size="small" onClick={() => void remove(b)} aria-label={`Delete ${b.name}`}>
            Delete
          </Button>
        </Box>
      ))}
      <input
        ref={input}
        type="file"
        accept=".mbtiles"
        hidden
        aria-label="MBTiles file"
        onChange={(e) => {
          const file = e.target.files?.[0]
          e.target.value = ''
          if (file) void bring(file)
        }}
      />
      <Button
        variant="outlined"
        size="small"
        disabled={doing !== null}
        onClick={() => input.current?.click()}
      >
        {doing ? `Reading ${doing}` : 'Bring an MBTiles file in'}
      </Button>
      {problem && <Refused title="It was not taken in" problems={[problem]} />}
    </Fold>
  )
}
