'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { MAX_FILE_BYTES } from '@/core/formats/fileRefused'
import { usedOf, type Offered } from '@/core/offered'
import type { BackdropRow } from '@/data/backdrops'
import { problem } from '@/core/outcome'
import { posted } from '@/ui/answers/posted'
import { useAction } from '@/ui/answers/useAction'
import { Fold } from '@/ui/shell'
import { chooseGround, dropBackdrop } from './actions'
import { NotUsed } from './NotUsed'

/** Maps of the user's own, as MBTiles of pictures, to lay under all else. */
export function Backdrops({ trialId, offered }: { trialId: string; offered: Offered<BackdropRow>[] }) {
  const backdrops = usedOf(offered)
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [doing, setDoing] = useState<string | null>(null)
  const action = useAction()
  const [about, setAbout] = useState('')
  const bring = async (file: File) => {
    setAbout(file.name)
    if (file.size > MAX_FILE_BYTES)
      return action.refuse(
        problem(
          'large',
          file.name,
          'It is larger than 64 MB. Cut it to your ground, or leave out the finest levels.',
        ),
      )
    setDoing(file.name)
    await action.run(
      () => posted<{ id: string }>(`/api/backdrops?name=${encodeURIComponent(file.name)}`, file),
      () => router.refresh(),
    )
    setDoing(null)
  }
  const named = (id: string) => setAbout(offered.find((o) => o.row.id === id)?.row.name ?? '')
  const remove = (id: string) => {
    named(id)
    return action.run(() => dropBackdrop(id))
  }
  const use = (id: string, used: boolean) => {
    named(id)
    return action.run(() => chooseGround({ trialId, kind: 'backdrop', ofId: id, used }))
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
          <Button size="small" onClick={() => void use(b.id, false)} aria-label={`Leave ${b.name} out here`}>
            Leave out
          </Button>
          <Button size="small" onClick={() => void remove(b.id)} aria-label={`Delete ${b.name}`}>
            Delete
          </Button>
        </Box>
      ))}
      <NotUsed
        words={['backdrop', 'backdrops']}
        offered={offered}
        nameOf={(b) => b.name}
        onUse={(id) => void use(id, true)}
        onDelete={(id) => void remove(id)}
      />
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
      {action.refusal('It was not taken in', about)}
    </Fold>
  )
}
