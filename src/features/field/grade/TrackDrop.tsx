'use client'

import Box from '@mui/material/Box'
import { useState } from 'react'
import { readGpx } from '@/core/formats/gpx'
import { inverse } from '@/core/geo'
import { bodyOf, type EntryBody, type Mark, type RunLog } from '@/core/trial'
import { FileDrop } from '@/ui/fields/FileDrop'
import { NumberBox, numberIn, numberProblem } from '@/ui/fields/NumberBox'
import { trackAt, type TimedPoint } from './trackAt'

interface Props {
  log: RunLog
  marks: readonly Mark[]
  onEntries: (bodies: { body: EntryBody; supersedes?: string }[]) => Promise<boolean>
  onProblem: (words: string) => void
}

/** Farther from its mark than this a check is pointed out, m. */
const FAR_M = 100
/** Points in one entry. */
const CHUNK = 5000

/** A track from any receiver: says where each check was sent from. */
export function TrackDrop({ log, marks, onEntries, onProblem }: Props) {
  const [ahead, setAhead] = useState('0')
  const [said, setSaid] = useState('')
  const bad = numberProblem(ahead, { min: -86_400, max: 86_400 }, 's')
  const take = async (name: string, text: string) => {
    const read = readGpx(text)
    if (!read.ok) return onProblem(`${name}: ${read.problems.map((p) => p.message).join(' ')}`)
    const points: TimedPoint[] = read.value.tracks
      .flatMap((w) => w.points)
      .flatMap((p) =>
        p.time && !Number.isNaN(Date.parse(p.time))
          ? [{ lat: p.lat, lon: p.lon, timeMs: Date.parse(p.time) }]
          : [],
      )
      .sort((a, b) => a.timeMs - b.timeMs)
    if (points.length < 2)
      return onProblem(
        `${name} holds no track with times. Save it from the receiver as a track, not as a route.`,
      )
    const offsetMs = (numberIn(ahead) ?? 0) * 1000
    const placed = log.checks.flatMap((c) => {
      const fix = c.voided || c.fix ? null : trackAt(points, Date.parse(c.time) - offsetMs)
      return fix ? [{ check: c, fix }] : []
    })
    if (placed.length === 0)
      return onProblem(
        `${name} runs from ${new Date(points[0]!.timeMs).toISOString().slice(0, 16)} to ${new Date(points.at(-1)!.timeMs).toISOString().slice(0, 16)} UTC; no check without a place was made then.`,
      )
    const chunks = Array.from({ length: Math.ceil(points.length / CHUNK) }, (_, i) =>
      points.slice(i * CHUNK, (i + 1) * CHUNK),
    )
    const kept = await onEntries([
      ...chunks.map((c) => ({
        body: { kind: 'track', points: c.map((p) => [p.timeMs, p.lat, p.lon, null]) } as EntryBody,
      })),
      ...placed.map(({ check, fix }) => ({
        body: { kind: 'check', ...bodyOf(check), fix } as EntryBody,
        supersedes: check.id,
      })),
    ])
    if (!kept) return
    const far = placed.filter(({ check, fix }) => {
      const mark = marks.find((m) => m.id === check.markId)
      return (
        mark?.lat != null &&
        mark.lon != null &&
        inverse({ lat: mark.lat, lon: mark.lon }, fix).distanceM > FAR_M
      )
    })
    setSaid(
      `${placed.length} checks have a place now${far.length > 0 ? `; ${far.length} lie more than ${FAR_M} m from their mark` : ''}.`,
    )
  }
  return (
    <Box sx={{ display: 'grid', gap: 1.25, alignContent: 'start' }}>
      <FileDrop
        label="Drop the track of any receiver (GPX)"
        hint="It says where each check was sent from."
        accept=".gpx"
        onFiles={(files) => void take(files[0]!.name, files[0]!.text)}
        onTooLarge={(name) => onProblem(`${name} is larger than 64 MB; thin out the track.`)}
      />
      <NumberBox
        label="The log’s clock is ahead by"
        unit="s"
        value={ahead}
        problem={bad}
        onChange={setAhead}
        sx={{ maxWidth: 240 }}
      />
      <div role="status">{said}</div>
    </Box>
  )
}
