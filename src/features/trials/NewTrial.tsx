'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import { PageLink } from '@/ui/shell/PageLink'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { MAX_LETTERS } from '@/core/schema/limits'
import type { QuestionKind } from '@/core/trial'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { makeTrial } from './actions'
import { KindDrawing } from './KindDrawing'

/** A kind of question as the tiles show it. */
export interface KindTile {
  kind: QuestionKind
  title: string
  line: string
  name: string
  question: string
}

function Tile({ tile, chosen, onChoose }: { tile: KindTile; chosen: boolean; onChoose: () => void }) {
  return (
    <Box
      component="label"
      sx={{
        display: 'grid',
        gridTemplateColumns: '96px minmax(0, 1fr)',
        gap: 1.5,
        alignItems: 'center',
        p: 1.25,
        cursor: 'pointer',
        border: '2px solid',
        borderColor: chosen ? 'var(--ink)' : 'var(--rule)',
        background: chosen ? 'var(--raised)' : 'none',
        boxShadow: chosen ? 'inset 6px 0 0 var(--accent)' : 'none',
        '&:hover': { borderColor: 'var(--ink)' },
        '&:focus-within': { outline: '3px solid var(--accent)', outlineOffset: 2 },
      }}
    >
      <input
        type="radio"
        name="kind"
        className="visually-hidden"
        checked={chosen}
        onChange={onChoose}
        onClick={onChoose}
      />
      <KindDrawing kind={tile.kind} />
      <span>
        <b style={{ display: 'block' }}>{tile.title}</b>
        <span style={{ color: 'var(--soft)', fontSize: '0.9rem', lineHeight: 1.3, display: 'block' }}>
          {tile.line}
        </span>
      </span>
    </Box>
  )
}

/** A new trial from its kind of question; name and question are offered and can be typed over. */
export function NewTrial({ kinds }: { kinds: readonly KindTile[] }) {
  const router = useRouter()
  const action = useAction()
  const [kind, setKind] = useState(kinds[0]!.kind)
  const [name, setName] = useState('')
  const [question, setQuestion] = useState('')
  const tile = kinds.find((k) => k.kind === kind)!
  useUnsaved((name !== '' || question !== '') && !action.busy)
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        void action.run(
          () =>
            makeTrial({ kind, name: name.trim() || tile.name, question: question.trim() || tile.question }),
          (id) => router.push(`/trials/${id}/kit`),
        )
      }}
    >
      <Box
        sx={{
          display: 'grid',
          gap: 1,
          mb: 2,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '1fr 1fr', md: '1fr 1fr 1fr' },
        }}
      >
        <Box role="radiogroup" aria-label="What do you want to know?" sx={{ display: 'contents' }}>
          {kinds.map((k) => (
            <Tile key={k.kind} tile={k} chosen={k.kind === kind} onChoose={() => setKind(k.kind)} />
          ))}
        </Box>
        <Box
          component={PageLink}
          href="/import"
          sx={{ border: '2px dashed var(--rule)', p: 1.25, color: 'inherit', textDecoration: 'none' }}
        >
          <b style={{ display: 'block' }}>It is written down already</b>
          <span style={{ color: 'var(--soft)', fontSize: '0.9rem', lineHeight: 1.3, display: 'block' }}>
            A list of checks, a table, a track: bring the whole day in from files.
          </span>
        </Box>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', md: '1fr 2fr auto' } }}>
        <TextField
          label="Name of the trial"
          value={name}
          placeholder={tile.name}
          onChange={(e) => setName(e.target.value)}
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.trialName }, inputLabel: { shrink: true } }}
        />
        <TextField
          label="The question it is to answer"
          placeholder={tile.question || 'What do you want to know?'}
          value={question}
          onChange={(e) => setQuestion(e.target.value)}
          slotProps={{ htmlInput: { maxLength: MAX_LETTERS.question }, inputLabel: { shrink: true } }}
        />
        <Box>
          <Button
            type="submit"
            variant="contained"
            disabled={action.busy}
            sx={{ height: '100%', minHeight: 48 }}
          >
            Start this trial
          </Button>
        </Box>
      </Box>
      {action.refusal('No trial was made', 'Name')}
    </Box>
  )
}
