'use client'

import { PickOne } from '@/ui/fields/PickOne'
import type { BenchPart } from './types'

/** In a list to choose from, the choice of none. */
export const NONE = 'none'

interface Props {
  label: string
  /** Empty for none. */
  partId: string
  parts: readonly BenchPart[]
  onPick: (partId: string) => void
  sx?: object
}

/** A part of the kit, or none of it; nothing where the kit has none. */
export function PickPart({ label, partId, parts, onPick, sx }: Props) {
  if (parts.length === 0) return null
  return (
    <PickOne
      label={label}
      value={partId || NONE}
      options={[
        { value: NONE, name: 'None of the kit' },
        ...parts.map((p) => ({ value: p.id, name: p.name })),
      ]}
      onPick={(id) => onPick(id === NONE ? '' : id)}
      fullWidth
      sx={sx}
    />
  )
}
