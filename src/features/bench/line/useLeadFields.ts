'use client'

import { useState } from 'react'
import { fromShown, toShown, type Units } from '@/core/units'
import { numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import type { Span } from '../sweep/sweepWork'
import type { BenchLead } from '../types'

const MOST_POINTS = 1601

/** What is typed about a lead: its span, where its loss is wanted, its length by the tape, its velocity factor. */
export function useLeadFields(leads: readonly BenchLead[], units: Units) {
  const [leadId, setLeadId] = useState('')
  const [text, setText] = useState({
    from: '50',
    to: '550',
    points: '401',
    at: '145',
    length: '',
    velocity: '0.83',
  })
  useUnitsChange(units, (from, to) =>
    setText((old) => {
      const v = numberIn(old.length)
      return v === null ? old : { ...old, length: String(toShown(fromShown(v, 'm', from), 'm', to)) }
    }),
  )
  const [from, to, points] = [numberIn(text.from), numberIn(text.to), numberIn(text.points)]
  const spanOk =
    from !== null &&
    to !== null &&
    from > 0 &&
    to > from &&
    points !== null &&
    Number.isInteger(points) &&
    points >= 2 &&
    points <= MOST_POINTS
  const typed = numberIn(text.length)
  const velocity = numberIn(text.velocity)
  return {
    text,
    set: (change: Partial<typeof text>) => setText((old) => ({ ...old, ...change })),
    leadId,
    chooseLead: (id: string) => {
      setLeadId(id)
      const lead = leads.find((l) => l.id === id)
      if (lead)
        setText((old) => ({
          ...old,
          length: String(toShown(lead.lengthM, 'm', units)),
          velocity: lead.velocityFactor === null ? old.velocity : String(lead.velocityFactor),
        }))
    },
    span: spanOk ? ({ fromMHz: from, toMHz: to, points } satisfies Span) : null,
    spanProblem: spanOk ? null : `Start below stop, both above 0 MHz, and 2 to ${MOST_POINTS} points`,
    atMHz: numberIn(text.at),
    lengthM: typed === null || typed <= 0 ? null : fromShown(typed, 'm', units),
    lengthProblem: text.length === '' ? null : numberProblem(text.length, { above: 0 }),
    velocity: velocity !== null && velocity > 0 && velocity <= 1 ? velocity : null,
    velocityProblem: numberProblem(text.velocity, { above: 0, max: 1 }),
  }
}
export type LeadFields = ReturnType<typeof useLeadFields>
