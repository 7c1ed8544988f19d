'use client'

import Box from '@mui/material/Box'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { TextField } from '@/ui/fields/TextField'
import { ANY_HEARD, defaultScale } from '@/core/reports'
import { MAX_LETTERS } from '@/core/schema/limits'
import { heardScales, type SecondQuantity } from '@/core/trial'
import { CopyRuleField } from '@/ui/fields/CopyRuleField'
import { ScaleField } from '@/ui/fields/ScaleField'
import { Part, type PartsProps } from './PlanPart'

const BARE = defaultScale('bare')

/** What is offered first: a quality beside a level, in per cent. */
const USUAL: SecondQuantity = {
  first: 'Level',
  second: 'Quality',
  scales: {
    base: { ...BARE, unit: 'per cent' } as typeof BARE,
    out: { ...BARE, unit: 'per cent' } as typeof BARE,
  },
  copyRule: ANY_HEARD,
}

/** A second figure of each check: level and quality, readability and words, the other port of two. */
export function SecondFigure({ input, set }: PartsProps) {
  const { also } = input
  const change = (part: Partial<SecondQuantity>) => also && set('also', { ...also, ...part })
  const heard = also && heardScales({ directions: input.directions, scales: also.scales })
  return (
    <Part title="A second figure">
      <FormControlLabel
        label="Each check brings two figures: level and quality, two ports, readability and words"
        control={
          <Checkbox checked={also !== null} onChange={(e) => set('also', e.target.checked ? USUAL : null)} />
        }
      />
      {also && heard && (
        <Box sx={{ display: 'grid', gap: 2, mt: 1.5 }}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
            {(['first', 'second'] as const).map((which) => (
              <TextField
                key={which}
                label={which === 'first' ? 'The first is called' : 'The second is called'}
                value={also[which]}
                onChange={(e) => change({ [which]: e.target.value })}
                slotProps={{ htmlInput: { maxLength: MAX_LETTERS.name } }}
              />
            ))}
          </Box>
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'repeat(2, minmax(0, 1fr))' },
              gap: 3,
            }}
          >
            {heard.base && (
              <ScaleField
                label={`${also.second}, as the base reports it`}
                value={also.scales.base}
                onChange={(base) => change({ scales: { ...also.scales, base } })}
              />
            )}
            {heard.out && (
              <ScaleField
                label={`${also.second}, as it is reported out there`}
                value={also.scales.out}
                onChange={(out) => change({ scales: { ...also.scales, out } })}
              />
            )}
          </Box>
          <CopyRuleField value={also.copyRule} scales={heard} onChange={(copyRule) => change({ copyRule })} />
        </Box>
      )}
    </Part>
  )
}
