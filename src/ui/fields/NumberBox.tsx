'use client'

import InputAdornment from '@mui/material/InputAdornment'
import { TextField, type TextFieldProps } from './TextField'

type Props = Omit<TextFieldProps, 'onChange' | 'value' | 'error'> & {
  value: string
  unit?: string
  /** What is wrong with it, or null. */
  problem?: string | null
  onChange: (text: string) => void
}

/** A number as a person types it, with its unit in it and what is wrong under it. */
export function NumberBox({ value, unit, problem, onChange, helperText, ...rest }: Props) {
  return (
    <TextField
      {...rest}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      error={Boolean(problem)}
      helperText={problem ?? helperText}
      slotProps={{
        ...(unit ? { input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } } : {}),
        ...(unit ? { inputLabel: { shrink: true } } : {}),
        htmlInput: { inputMode: 'decimal' },
      }}
    />
  )
}

/** The number that was typed, with comma or point; null where it is none. */
export function numberIn(text: string): number | null {
  const t = text.trim().replace(',', '.')
  return t === '' || !Number.isFinite(Number(t)) ? null : Number(t)
}

/** What is wrong with a typed number, in words; null where it is right. */
export function numberProblem(
  text: string,
  bounds: { above?: number; min?: number; max?: number },
  unit = '',
): string | null {
  const n = numberIn(text)
  const u = unit ? ` ${unit}` : ''
  if (n === null) return text.trim() === '' ? 'A number is missing' : 'This is not a number'
  if (bounds.above !== undefined && n <= bounds.above) return `Must be above ${bounds.above}${u}`
  if (bounds.min !== undefined && n < bounds.min) return `At least ${bounds.min}${u}`
  if (bounds.max !== undefined && n > bounds.max) return `At most ${bounds.max}${u}`
  return null
}
