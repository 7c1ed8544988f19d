'use client'

import Box from '@mui/material/Box'
import { endClutterDb, MODELS, type ModelName } from '@/core/propagation'
import type { Link } from '@/core/kit'
import type { PredictionSettings } from '@/core/reach'
import { SURROUNDINGS, type Surroundings } from '@/core/rf'
import { COVER_HEIGHT_M, COVER_KINDS, type CoverKind } from '@/core/terrain'
import { PickOne } from '@/ui/fields/PickOne'
import { Fold } from '@/ui/shell'
import { Figure } from './Figure'
import { GainsTaken } from './GainsTaken'

const STANDS: Record<CoverKind, string> = {
  open: 'open ground',
  scattered: 'scattered trees or houses',
  suburb: 'suburb',
  town: 'dense town',
  wood: 'wood',
}

interface Props {
  value: PredictionSettings
  onChange: (settings: PredictionSettings) => void
  /** Antennas of the first link, so that what stands about them is said in dB. */
  ends: { frequencyMHz: number; baseM: number; farM: number }
  links: readonly Link[]
}

const named = <T extends string>(values: readonly T[]) => values.map((v) => ({ value: v, name: v }))

/** What the prediction takes for granted; kept with the trial. */
export function PredictionFields({ value, onChange, ends, links }: Props) {
  const stands = (heightM: number) =>
    COVER_KINDS.map((kind) => {
      const db = kind === 'open' ? 0 : endClutterDb(ends.frequencyMHz, heightM, COVER_HEIGHT_M[kind])
      return { value: kind, name: `${STANDS[kind]}, ${Math.round(db)} dB` }
    })
  const set =
    <K extends keyof PredictionSettings>(key: K) =>
    (v: PredictionSettings[K]) =>
      onChange({ ...value, [key]: v })
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start', my: 1.5 }}>
        <PickOne
          label="Model"
          value={value.model}
          options={named<ModelName>(MODELS)}
          onPick={set('model')}
          sx={{ minWidth: 150 }}
        />
        <PickOne
          label="Noise around"
          value={value.surroundings}
          options={named(Object.keys(SURROUNDINGS) as Surroundings[])}
          onPick={set('surroundings')}
          sx={{ minWidth: 140 }}
        />
        <PickOne
          label="About the base"
          value={value.baseStands}
          options={stands(ends.baseM)}
          onPick={set('baseStands')}
          sx={{ minWidth: 230 }}
        />
        <PickOne
          label="About the far end"
          value={value.farStands}
          options={stands(ends.farM)}
          onPick={set('farStands')}
          sx={{ minWidth: 230 }}
        />
      </Box>
      <Fold title="Margin, spread and bending">
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', my: 1.5 }}>
          <Figure
            label="Agreed copy over the sensitivity"
            unit="dB"
            value={value.copyDb}
            range={{ min: -20, max: 60 }}
            onChange={set('copyDb')}
          />
          <Figure
            label="Spread from place to place"
            unit="dB"
            value={value.spreadDb}
            range={{ min: 1, max: 20 }}
            onChange={set('spreadDb')}
          />
          <Figure
            label="Bending of the ray, k"
            unit=""
            value={value.k}
            range={{ min: 0.3, max: 10 }}
            onChange={set('k')}
          />
        </Box>
      </Fold>
      <GainsTaken links={links} gains={value.gains ?? {}} onChange={set('gains')} />
    </>
  )
}
