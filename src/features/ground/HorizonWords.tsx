import Box from '@mui/material/Box'
import type { Link } from '@/core/kit'
import { horizonKm, oneRootHorizonKm, whyNot, type ModelName } from '@/core/propagation'
import { distanceText, heightText, type Units } from '@/core/units'
import { TracedFigure } from '@/ui/trace/TracedFigure'

/** The radio horizon by each school, and why they differ; what the model chosen may not know here. */
export function HorizonWords({
  link,
  model,
  distanceKm,
  units,
}: {
  link: Link
  model: ModelName
  distanceKm: number | null
  units: Units
}) {
  const heights = [link.base.antennaHeightM, link.out.antennaHeightM]
  const inputs = heights.map((h, i) => ({
    name: i === 0 ? 'At the base' : 'Out there',
    value: heightText(h, units),
  }))
  const figure = (label: string, km: number, formula: string, source: string) => (
    <TracedFigure label={label} value={distanceText(km * 1000, units)} trace={{ inputs, formula, source }} />
  )
  const notes =
    distanceKm === null
      ? []
      : whyNot(model, {
          frequencyMHz: link.out.txMHz,
          distanceKm,
          baseM: heights[0]!,
          farM: heights[1]!,
          profile: model === 'terrain' ? { distancesKm: [], heightsM: [] } : null,
          vertical: true,
        })
  return (
    <Box sx={{ my: 2 }}>
      <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap' }}>
        {figure(
          'Radio horizon, smooth earth',
          horizonKm(heights),
          '√(2 k R h) each, summed, k = 4/3',
          'the ray bends with the air, as over a larger earth',
        )}
        {figure(
          'Straight ray',
          horizonKm(heights, 1),
          '√(2 R h) each, summed',
          'what the eye would see over the sea',
        )}
        {figure(
          'One root of the sum',
          oneRootHorizonKm(heights),
          '√(2 k R (h1 + h2))',
          'a shortcut that is quoted; it is always too short',
        )}
      </Box>
      <Box sx={{ color: 'var(--soft)', maxWidth: 820, mt: 0.75 }}>
        They differ because the air bends the ray, and because two roots are more than the root of the sum.
        Hills shorten all of them; a horizon is not a reach.
        {notes.length > 0 && (
          <>
            {' '}
            <b>{model} may not hold here:</b> {notes.join('; ')}.
          </>
        )}
      </Box>
    </Box>
  )
}
