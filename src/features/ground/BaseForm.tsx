'use client'

import { yupResolver } from '@hookform/resolvers/yup'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { Gpx } from '@/core/formats'
import type { Place } from '@/core/geo'
import { FormField } from '@/ui/fields/FormField'
import { useAction } from '@/ui/answers/useAction'
import { setBareBase, setBase } from './actions'
import { HereButton } from '@/ui/fields/HereButton'
import { bareBaseForm, baseForm } from './groundSchema'

/** Places the base: by coordinates, or from a waypoint of the file that was brought in. */
export function BaseForm({
  trialId,
  gpx,
  onDone,
}: {
  trialId: string
  gpx: Gpx | null
  onDone?: () => void
}) {
  const action = useAction()
  const [bare, setBare] = useState(false)
  const { control, handleSubmit, setValue, formState } = useForm({
    // Without coordinates the name alone is asked for.
    resolver: yupResolver(bare ? bareBaseForm : baseForm) as unknown as ReturnType<
      typeof yupResolver<{ name: string; lat: number | null; lon: number | null }, unknown, unknown>
    >,
    defaultValues: { name: 'Base', lat: null, lon: null },
  })
  const take = (i: number) => {
    const w = gpx?.waypoints[i]
    if (!w) return
    setValue('name', w.name || 'Base', { shouldValidate: true })
    setValue('lat', w.lat, { shouldValidate: true })
    setValue('lon', w.lon, { shouldValidate: true })
  }
  const stand = ({ lat, lon }: Place) => {
    setValue('lat', Number(lat.toFixed(6)), { shouldValidate: true })
    setValue('lon', Number(lon.toFixed(6)), { shouldValidate: true })
  }
  return (
    <Box
      component="form"
      noValidate
      onSubmit={handleSubmit(async (v) => {
        await action.run(
          () => (bare ? setBareBase : setBase)(trialId, v),
          () => onDone?.(),
        )
      })}
      sx={{ display: 'grid', gap: 1.5 }}
    >
      <Typography variant="h2" component="h2">
        Where is the base?
      </Typography>
      {gpx && gpx.waypoints.length > 0 && (
        <TextField
          select
          label="From a waypoint of the file"
          defaultValue=""
          onChange={(e) => take(Number(e.target.value))}
        >
          {gpx.waypoints.map((w, i) => (
            <Option key={i} value={i}>
              {w.name || `${w.lat.toFixed(5)}, ${w.lon.toFixed(5)}`}
            </Option>
          ))}
        </TextField>
      )}
      <FormField control={control} name="name" label="Name of the place" />
      {!bare && <HereButton words="The base is where this device is" onPlace={stand} />}
      {!bare && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
          <FormField control={control} name="lat" label="Latitude" unit="°" helperText="South is negative" />
          <FormField control={control} name="lon" label="Longitude" unit="°" helperText="West is negative" />
        </Box>
      )}
      <FormControlLabel
        control={<Checkbox size="small" checked={bare} onChange={(e) => setBare(e.target.checked)} />}
        label="No coordinates: distances are by tape, wheel or paces"
      />
      {action.refusal('The base was not placed', 'Base')}
      <Box>
        <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
          Place the base
        </Button>
      </Box>
    </Box>
  )
}
