import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useEffect, useRef, useState, type ReactNode } from 'react'

/** One part of the menu, folded away until it is wanted. */
export function Part({
  title,
  open = false,
  atOnce = false,
  children,
}: {
  title: string
  open?: boolean
  /** It is what the menu was opened for. */
  atOnce?: boolean
  children: ReactNode
}) {
  const [shown, setShown] = useState(open)
  const part = useRef<HTMLDetailsElement>(null)
  useEffect(() => {
    if (atOnce) part.current?.scrollIntoView()
  }, [atOnce])
  return (
    <Box
      component="details"
      ref={part}
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

/** The heading of something within a part. */
export const heading = (text: string) => (
  <Typography variant="h3" component="h3" sx={{ mt: 1 }}>
    {text}
  </Typography>
)

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
