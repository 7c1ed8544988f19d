import Box from '@mui/material/Box'
import { useState, type ReactNode } from 'react'

/** One part of the menu, folded away until it is wanted. */
export function Part({
  title,
  open = false,
  children,
}: {
  title: string
  open?: boolean
  children: ReactNode
}) {
  const [shown, setShown] = useState(open)
  return (
    <Box
      component="details"
      open={open}
      onToggle={(e) => setShown((e.currentTarget as HTMLDetailsElement).open)}
      sx={{ borderTop: '1px solid var(--rule)' }}
    >
      <Box component="summary" sx={{ cursor: 'pointer', fontWeight: 700, fontSize: '1.15rem', py: 2 }}>
        {title}
      </Box>
      {shown && (
        <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.5, pb: 2 }}>{children}</Box>
      )}
    </Box>
  )
}

/** Choices side by side, one of them taken; large enough for a glove. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: T | null
  options: readonly { value: T; words: string }[]
  onChange: (value: T) => void
}) {
  return (
    <Box role="group" aria-label={label} sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
      {options.map((o) => (
        <Box
          component="button"
          type="button"
          key={o.value}
          aria-pressed={o.value === value}
          onClick={() => onChange(o.value)}
          sx={{
            minHeight: 56,
            px: 2,
            font: 'inherit',
            fontWeight: 700,
            color: o.value === value ? 'var(--paper)' : 'var(--ink)',
            background: o.value === value ? 'var(--ink)' : 'var(--raised)',
            border: '2px solid var(--ink)',
            borderRadius: '3px',
            cursor: 'pointer',
          }}
        >
          {o.words}
        </Box>
      ))}
    </Box>
  )
}
