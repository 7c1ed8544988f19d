'use client'

import { useEffect, useRef } from 'react'
import type { Units } from '@/core/units'

/** Calls back when the user changes units, so that what is typed and not yet saved is turned into them. */
export function useUnitsChange(units: Units, convert: (from: Units, to: Units) => void): void {
  const last = useRef(units)
  const latest = useRef(convert)
  useEffect(() => {
    latest.current = convert
  })
  useEffect(() => {
    if (last.current === units) return
    const from = last.current
    last.current = units
    latest.current(from, units)
  }, [units])
}
