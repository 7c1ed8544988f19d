'use client'

import { usePathname, useRouter, useSearchParams } from 'next/navigation'
import { useTransition } from 'react'
import { PickOne } from '@/ui/fields/PickOne'

interface Props {
  /** Ids and names. */
  legs: readonly (readonly [string, string])[]
  /** Null for all. */
  leg: string | null
}

/** Which leg the strip shows; it stands in the address. */
export function LegPicker({ legs, leg }: Props) {
  const router = useRouter()
  const path = usePathname()
  const query = useSearchParams()
  const [changing, start] = useTransition()
  const show = (id: string) => {
    const next = new URLSearchParams(query)
    if (id === '') next.delete('leg')
    else next.set('leg', id)
    start(() => router.replace(`${path}?${next}`, { scroll: false }))
  }
  return (
    <PickOne
      label="Leg shown"
      value={leg ?? ''}
      options={[{ value: '', name: 'All legs' }, ...legs.map(([value, name]) => ({ value, name }))]}
      onPick={show}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 200, opacity: changing ? 0.6 : 1 }}
      className="no-print"
    />
  )
}
