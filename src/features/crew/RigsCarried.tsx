'use client'

import Box from '@mui/material/Box'

export interface CarriedRig {
  id: string
  letter: string
  name: string
}

interface Props {
  rigs: readonly CarriedRig[]
  chosen: readonly string[]
  who: string
  /** Null where it is only shown. */
  onChange: ((rigIds: string[]) => void) | null
}

/** Which rigs somebody carries: their letters, pressed or not. */
export function RigsCarried({ rigs, chosen, who, onChange }: Props) {
  if (!onChange)
    return (
      <>
        {rigs
          .filter((l) => chosen.includes(l.id))
          .map((l) => l.letter)
          .join(', ')}
      </>
    )
  return (
    <Box role="group" aria-label={`What ${who} carries`} sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
      {rigs.map((l) => {
        const on = chosen.includes(l.id)
        return (
          <Box
            component="button"
            type="button"
            key={l.id}
            aria-pressed={on}
            title={l.name}
            onClick={() => onChange(on ? chosen.filter((c) => c !== l.id) : [...chosen, l.id])}
            sx={{
              minWidth: 34,
              minHeight: 34,
              font: 'inherit',
              fontWeight: 700,
              cursor: 'pointer',
              color: on ? 'var(--paper)' : 'var(--ink)',
              background: on ? 'var(--ink)' : 'transparent',
              border: '2px solid var(--ink)',
              borderRadius: '3px',
            }}
          >
            {l.letter}
          </Box>
        )
      })}
    </Box>
  )
}
