import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import {
  budgetFigures,
  keepAwayFigure,
  receivingFigure,
  receivingOf,
  type AssessedRig,
  type Budget,
  type RuleSet,
} from '@/core/kit'
import type { Surroundings } from '@/core/rf'
import type { Units } from '@/core/units'
import { TracedFigure } from '@/ui/trace/TracedFigure'

interface Props {
  assessed: AssessedRig
  portIndex: number
  powerW: number
  rules: RuleSet
  surroundings: Surroundings
  units: Units
}

/** The figures of a rig, each with its trace; the receive side at its own frequency. */
export function FigurePanel({ assessed, portIndex, powerW, rules, surroundings, units }: Props) {
  const { tx, rx } = assessed.ports[portIndex]!
  const { placed } = assessed
  const figures = budgetFigures(tx)
  const split = rx.frequencyMHz !== tx.frequencyMHz
  const radio = placed.radio
  const receiving = radio && receivingOf(radio.spec, rx, surroundings)
  const away = keepAwayFigure(placed.ports[portIndex]!, tx, powerW, rules, units)
  const at = (b: Budget) => `at ${b.frequencyMHz} MHz`
  return (
    <Box component="section" aria-label="Figures">
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Figures
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(200px, 1fr))' }}>
        <TracedFigure {...figures.eirp} label={`${figures.eirp.label}, ${at(tx)}`} size="large" />
        <TracedFigure {...figures.erp} />
        <TracedFigure {...figures.lead} />
        {split && <TracedFigure {...budgetFigures(rx).lead} label={`Lead and match, ${at(rx)}`} />}
        <TracedFigure {...figures.swr} />
        {split && <TracedFigure {...budgetFigures(rx).swr} label={`SWR, ${at(rx)}`} />}
        {receiving && <TracedFigure {...receivingFigure(radio!.spec, receiving, rx, surroundings)} />}
        <TracedFigure {...away} />
      </Box>
      {tx.gainSource !== 'measured' && (
        <Box sx={{ color: 'var(--soft)', mt: 1 }}>
          {tx.gainSource === 'claimed'
            ? 'The gain is the maker’s claim. It is in these figures and never taken out of a comparison.'
            : 'The gain is not known: it counts as 0 dBi here, and a trial will tell.'}
        </Box>
      )}
    </Box>
  )
}
