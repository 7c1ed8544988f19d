'use client'

import Box from '@mui/material/Box'
import { useEffect, useRef } from 'react'
import { coordinateText } from '@/core/geo'
import { metresPerDegree } from '@/core/geo/degrees'
import { figureText, heightText, percentText, type Units } from '@/core/units'
import type { Takeable } from './useBringGround'

function percent(share: number): string {
  if (share === 0) return 'nothing'
  return share < 0.01 ? 'under 1 %' : percentText(share)
}

/** A small picture of the ground, as wide as it is on the ground. */
function Picture({ found }: { found: Takeable }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const { picture, grid } = found
  useEffect(() => {
    canvas.current?.getContext('2d')?.drawImage(picture, 0, 0)
  }, [picture])
  const degree = metresPerDegree(grid.north)
  const ratio = (grid.width * grid.stepLon * degree.lon) / (grid.height * grid.stepLat * degree.lat)
  return (
    <canvas
      ref={canvas}
      width={picture.width}
      height={picture.height}
      role="img"
      aria-label={`Relief of ${found.name}`}
      style={{
        display: 'block',
        aspectRatio: String(ratio),
        width: ratio >= 1 ? '100%' : 'auto',
        height: ratio >= 1 ? 'auto' : 180,
        maxWidth: '100%',
        border: '1px solid var(--rule)',
      }}
    />
  )
}

/** One file of elevation before it is taken: how it looks, where it lies, its ends, what it does not know. */
export function FoundCard({ found, units }: { found: Takeable; units: Units }) {
  const { about, grid, notes } = found
  const facts: [string, string][] = [
    ['Highest', `${heightText(about.highest.heightM, units)} at ${coordinateText(about.highest, 'degrees')}`],
    ['Lowest', `${heightText(about.lowest.heightM, units)} at ${coordinateText(about.lowest, 'degrees')}`],
    [
      'Size',
      `${figureText(about.widthKm)} × ${figureText(about.heightKm)} km, a height every ${Math.round(about.spacingM)} m (${grid.width} × ${grid.height})`,
    ],
    [
      'Not known',
      `${percent(about.unknownShare)}${about.filledShare > 0 ? `; ${percent(about.filledShare)} were holes and are filled from around them` : ''}`,
    ],
  ]
  return (
    <Box
      role="group"
      aria-label={`Looked at: ${found.name}`}
      sx={{ border: '1px solid var(--rule)', background: 'var(--raised)', p: 1.5, display: 'grid', gap: 1 }}
    >
      <b>{found.name}</b>
      <Picture found={found} />
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'auto minmax(0, 1fr)',
          columnGap: 1.5,
          rowGap: 0.25,
          m: 0,
          '& dt': { color: 'var(--soft)' },
          '& dd': { m: 0 },
        }}
      >
        {facts.map(([name, value]) => (
          <Box key={name} sx={{ display: 'contents' }}>
            <dt>{name}</dt>
            <dd>{value}</dd>
          </Box>
        ))}
      </Box>
      {notes.map((n) => (
        <Box key={n} sx={{ borderLeft: '4px solid var(--accent-fill)', pl: 1 }}>
          {n}
        </Box>
      ))}
    </Box>
  )
}
