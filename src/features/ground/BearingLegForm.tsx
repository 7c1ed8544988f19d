'use client'

import { yupResolver } from '@hookform/resolvers/yup'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useForm } from 'react-hook-form'
import type { Place } from '@/core/geo'
import type { Units } from '@/core/units'
import { fromLength } from '@/core/units'
import { FormField } from '@/ui/fields/FormField'
import { useAction } from '@/ui/answers/useAction'
import { addTrialLeg } from './actions'
import { bearingLegForm } from './groundSchema'
import { bearingLeg } from './legs'

/** A leg straight out from the base, with marks at even distances. */
export function BearingLegForm({
  trialId,
  base,
  legs,
  units,
}: {
  trialId: string
  base: Place
  /** How many there are already. */
  legs: number
  units: Units
}) {
  const action = useAction()
  const { control, handleSubmit, reset, formState } = useForm({
    resolver: yupResolver(bearingLegForm),
    defaultValues: { name: `Leg ${legs + 1}`, bearingDeg: null, spacing: 200, count: 12 },
  })
  return (
    <Box
      component="form"
      noValidate
      onSubmit={handleSubmit(async (v) => {
        const spacingM = fromLength(v.spacing!, units) * (units === 'imperial' ? 3 : 1)
        const leg = bearingLeg(base, v.name, v.bearingDeg!, spacingM, v.count!)
        await action.run(
          () => addTrialLeg(trialId, leg),
          () => reset(),
        )
      })}
      sx={{ display: 'grid', gap: 1.5 }}
    >
      <FormField control={control} name="name" label="Name of the leg" />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 1.5 }}>
        <FormField
          control={control}
          name="bearingDeg"
          label="Bearing"
          unit="°"
          helperText="From true north"
        />
        <FormField
          control={control}
          name="spacing"
          label="A mark every"
          unit={units === 'imperial' ? 'yd' : 'm'}
        />
        <FormField control={control} name="count" label="Marks" />
      </Box>
      {action.refusal('The leg was not added', 'Leg')}
      <Box>
        <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
          Add the leg
        </Button>
      </Box>
    </Box>
  )
}
