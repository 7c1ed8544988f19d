'use client'

import dynamic from 'next/dynamic'
import { useState } from 'react'
import { ahead } from '@/ui/early/ahead'
import { csvLater } from '@/ui/fields/csvLater'
import type { Units } from '@/core/units'
import type { StripModel } from './model'

const StripRows = dynamic(
  ahead(() => import('./StripRows').then((m) => m.StripRows)),
  { ssr: false },
)

/** The strip's twin for screen readers and for copying. */
export function StripTable({ model, units }: { model: StripModel; units: Units }) {
  const rows = model.lanes.flatMap((lane) => lane.posts.map((post) => ({ lane, post })))
  const csv = () =>
    csvLater(
      ['link', 'leg', 'mark', 'distance_m', 'direction', 'repeat', 'report', 'remark'],
      rows.map(({ lane, post }) => [
        lane.name,
        post.legName,
        post.markName,
        Math.round(post.distanceM),
        post.direction,
        post.repeat,
        post.said,
        post.remark,
      ]),
    )
  // Made when it is opened: it is as long as the log.
  const [open, setOpen] = useState(false)
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary style={{ cursor: 'pointer', padding: '6px 0' }}>
        The strip as a table, {rows.length} checks
      </summary>
      {open && <StripRows rows={rows} units={units} csv={csv} />}
    </details>
  )
}
