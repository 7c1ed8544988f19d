'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMemo, useRef } from 'react'
import type { Link } from '@/core/kit'
import { groundPath } from '@/core/propagation'
import { pathOver, predictBoth, sightEnds, type PredictionSettings } from '@/core/reach'
import {
  clearingHeightM,
  mastForLoss,
  pathClearance,
  inSightHeightM,
  type GroundProfile,
} from '@/core/terrain'
import { distanceText, heightText, type Units } from '@/core/units'
import { useWidth } from '@/ui/shell/useWidth'
import { ExpectedThere } from './ExpectedThere'
import { mastWords } from './mastWords'
import { ProfileDrawing } from './ProfileDrawing'

interface Props {
  profile: GroundProfile | null
  baseName: string
  farName: string
  links: Link[]
  settings: PredictionSettings
  /** Heights tried instead of the rigs' own; null where none are. */
  nearM: number
  farM: number
  tried: boolean
  units: Units
  onNear: (m: number) => void
  onFar: (m: number) => void
  onOwnHeights: () => void
}

/** The loss at which the ground just touches the sight line. */
const TOUCHING_DB = 6

/** What woods on the way take. */
function woodWords(
  links: readonly Link[],
  profile: GroundProfile,
  settings: PredictionSettings,
  { nearM, farM }: { nearM: number; farM: number },
  units: Units,
): string {
  const link = links[0]
  if (!link || !profile.cover) return ''
  const at = {
    ...link,
    base: { ...link.base, antennaHeightM: nearM },
    out: { ...link.out, antennaHeightM: farM },
  }
  const { woodsM, woodsDb } = predictBoth(at, pathOver(profile), settings).toBase
  if (woodsM < 1) return profile.cover.woodTopM.some((m) => m > 0) ? 'The ray passes over the woods. ' : ''
  return `${distanceText(woodsM, units)} through wood takes ${woodsDb.toFixed(0)} dB. `
}

/**
 * The ground to a mark or to the pointer, what is in the way, what would clear it, and what each link should do there.
 */
export function ProfilePanel({
  profile,
  baseName,
  farName,
  links,
  settings,
  nearM,
  farM,
  tried,
  units,
  onNear,
  onFar,
  onOwnHeights,
}: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const width = useWidth(frame, 1000)
  const { frequencyMHz } = sightEnds(links)
  const known = profile !== null && profile.knownKm >= profile.lengthKm && profile.lengthKm > 0
  const found = useMemo(() => {
    if (!profile || !known) return null
    return {
      clearance: pathClearance(profile, nearM, farM, frequencyMHz, settings.k),
      clears: {
        near: clearingHeightM(profile, farM, frequencyMHz, settings.k),
        far: inSightHeightM(profile, nearM, settings.k),
      },
      touches: mastForLoss(profile, farM, groundPath(frequencyMHz, true, settings.k), TOUCHING_DB),
    }
  }, [profile, known, nearM, farM, frequencyMHz, settings.k])
  return (
    <Box component="section" aria-label="Profile" sx={{ mb: 3 }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap', mb: 0.5 }}>
        <Typography variant="h2" component="h2">
          To {farName}
          {profile && profile.lengthKm > 0 && (
            <span style={{ fontWeight: 400, color: 'var(--soft)' }}>
              , {distanceText(profile.lengthKm * 1000, units)}
            </span>
          )}
        </Typography>
        {tried && (
          <Button size="small" onClick={onOwnHeights}>
            Back to the rigs’ own heights
          </Button>
        )}
      </Box>
      <div ref={frame}>
        {profile && known && found ? (
          <ProfileDrawing
            profile={profile}
            nearM={nearM}
            farM={farM}
            nearName={baseName}
            farName={farName}
            frequencyMHz={frequencyMHz}
            clearance={found.clearance}
            width={width}
            units={units}
            onNear={onNear}
            onFar={onFar}
          />
        ) : (
          <Box
            sx={{
              border: '1px solid var(--rule)',
              background: 'var(--raised)',
              height: 90,
              p: 2,
              color: 'var(--soft)',
            }}
          >
            {profile === null
              ? 'Move the pointer over the map, or pick a mark, and the ground between appears here.'
              : `The ground is known for ${distanceText(profile.knownKm * 1000, units)} of ${distanceText(profile.lengthKm * 1000, units)} only; there is no prediction for the rest. Bring in the tile beside.`}
          </Box>
        )}
      </div>
      {found && profile && (
        <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap', mt: 1 }} role="status">
          <Box sx={{ flex: '1 1 300px' }}>
            <b>
              {found.clearance.kind === 'clear'
                ? 'In sight, with room to spare.'
                : found.clearance.kind === 'grazing'
                  ? 'In sight, but the ground reaches into the Fresnel zone.'
                  : `Shadowed: ${heightText(Math.max(1, Math.round(found.clearance.overM)), units)} of ground in the way.`}
            </b>{' '}
            {woodWords(links, profile, settings, { nearM, farM }, units)}
            {mastWords(found.clears, found.touches, baseName, farName, units)} Drag an antenna, or use the
            arrow keys on it.
          </Box>
          <ExpectedThere {...{ links, profile, settings }} heights={tried ? { nearM, farM } : null} />
        </Box>
      )}
    </Box>
  )
}
