'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import { asked } from '@/ui/answers/posted'

/** Words by which one device comes in, as the server made them. */
export interface Invited {
  id: string
  name: string
  words: string
  /** UTC. */
  expiresAt: string
  /** What the picture says. */
  address: string
  /** The picture, SVG. */
  picture: string
}

const LOOK_MS = 1500

interface Props {
  invited: Invited
  fingerprint: string | null
  onIn: () => void
  onAgain: () => void
  onEnd: () => void
}

const clock = (ms: number) => {
  const s = Math.max(0, Math.ceil(ms / 1000))
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}

/** The picture to scan and the words to type, until somebody came in by them or their time is over. */
export function InvitationCard({ invited, fingerprint, onIn, onAgain, onEnd }: Props) {
  const [now, setNow] = useState(() => Date.now())
  const [used, setUsed] = useState(false)
  const left = Date.parse(invited.expiresAt) - now
  const over = left <= 0
  useEffect(() => {
    if (used) return
    const timer = setInterval(() => {
      setNow(Date.now())
      void asked<{ used: boolean }>('GET', `/api/crew/invitations/${invited.id}`)
        .then((answer) => {
          if (!answer.ok || !answer.value.used) return
          setUsed(true)
          onIn()
        })
        .catch(() => undefined)
    }, LOOK_MS)
    return () => clearInterval(timer)
  }, [used, invited.id, onIn])
  if (used || over)
    return (
      <Box sx={{ border: '2px solid var(--rule)', p: 2, maxWidth: 860 }}>
        <Typography role="status" sx={{ fontWeight: 700, fontSize: '1.2rem' }}>
          {used ? `${invited.name} is in.` : 'Ten minutes are over: these words are good no more.'}
        </Typography>
        <Box sx={{ display: 'flex', gap: 1, mt: 1.5, flexWrap: 'wrap' }}>
          {!used && (
            <Button variant="contained" onClick={onAgain}>
              New words for {invited.name}
            </Button>
          )}
          <Button variant={used ? 'contained' : 'outlined'} onClick={onEnd}>
            Bring another device in
          </Button>
        </Box>
      </Box>
    )
  const plain = invited.address.split('#')[0]!
  return (
    <Box
      sx={{
        border: '2px solid var(--accent-fill)',
        p: 2,
        maxWidth: 860,
        display: 'flex',
        flexWrap: 'wrap',
        gap: 3,
        alignItems: 'flex-start',
      }}
    >
      <Box
        role="img"
        aria-label={`A picture for the camera of ${invited.name}: ${plain}`}
        sx={{ width: 250, background: '#fff', '& svg': { display: 'block', width: '100%' } }}
        dangerouslySetInnerHTML={{ __html: invited.picture }}
      />
      <Box sx={{ flex: '1 1 300px' }}>
        <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
          Scan it with the camera of {invited.name}
        </Typography>
        <Box>
          or open <b>{plain}</b> there and type these words:
        </Box>
        <Box
          component="ol"
          aria-label="The words"
          sx={{
            listStyle: 'none',
            p: 0,
            my: 1.5,
            display: 'grid',
            gridTemplateColumns: 'repeat(3, max-content)',
            columnGap: 3,
            rowGap: 0.5,
            fontSize: '1.45rem',
            fontWeight: 700,
          }}
        >
          {invited.words.split(' ').map((word, i) => (
            <li key={i}>{word}</li>
          ))}
        </Box>
        <Box sx={{ color: 'var(--soft)' }} role="timer">
          Good once, for {clock(left)} more.
        </Box>
        {fingerprint && (
          <Box sx={{ mt: 1.5, color: 'var(--soft)', fontSize: '0.88rem' }}>
            What the device shows as the certificate’s fingerprint must be this:
            <Box sx={{ fontFamily: 'monospace', overflowWrap: 'anywhere', color: 'var(--ink)' }}>
              {fingerprint}
            </Box>
          </Box>
        )}
        <Button sx={{ mt: 1 }} onClick={onEnd}>
          Not now
        </Button>
      </Box>
    </Box>
  )
}
