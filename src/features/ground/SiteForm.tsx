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
import { Controller, useForm, useWatch } from 'react-hook-form'
import { placeOfLocator } from '@/core/geo'
import { fromLength, lengthUnit, toLength, type Units } from '@/core/units'
import { useAction } from '@/ui/answers/useAction'
import { FormField } from '@/ui/fields/FormField'
import { addSite } from './actions'
import { siteForm } from './groundSchema'

/** Adds a place beside the base: a candidate, a relay, a station that is not ours. */
export function SiteForm({
  units,
  suggested,
}: {
  units: Units
  suggested: { lat: number; lon: number } | null
}) {
  const { control, handleSubmit, reset, setValue } = useForm({
    resolver: yupResolver(siteForm),
    defaultValues: { name: '', role: 'candidate' as const, moves: false, note: '', doubtM: null },
  })
  const save = async (values: unknown) => {
    const v = values as { doubtM: number | null }
    const site = { ...v, doubtM: v.doubtM === null ? null : fromLength(v.doubtM, units) }
    await action.run(
      () => addSite(site),
      () => reset(),
    )
  }
  const action = useAction()
  const role: string = useWatch({ control, name: 'role' })
  const other = role === 'other station'
  const [locator, setLocator] = useState('')
  const located = placeOfLocator(locator)
  const takeLocator = () => {
    if (!located) return
    setValue('lat', Number(located.place.lat.toFixed(6)))
    setValue('lon', Number(located.place.lon.toFixed(6)))
    setValue('doubtM', Math.round(toLength(located.doubtM, units)) as never)
  }
  return (
    <Box
      component="form"
      noValidate
      aria-label="Add a place"
      onSubmit={handleSubmit(save)}
      sx={{ borderTop: '1px solid var(--rule)', pt: 1.5, mt: 2 }}
    >
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        Add a place
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: '1fr 1fr' }}>
        <FormField control={control} name="name" label="Name" />
        <FormField control={control} name="role" label="What it is" select>
          <Option value="candidate">candidate for the base</Option>
          <Option value="relay">place for a relay</Option>
          <Option value="other station">station that is not ours</Option>
        </FormField>
        <FormField control={control} name="lat" label="Latitude" unit="°" />
        <FormField control={control} name="lon" label="Longitude" unit="°" />
        {other && (
          <>
            <FormField control={control} name="doubtM" label="Known to within" unit={lengthUnit(units)} />
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
              <TextField
                label="or grid locator"
                value={locator}
                onChange={(e) => setLocator(e.target.value)}
                error={locator.trim().length >= 4 && !located}
                helperText={
                  locator.trim().length >= 4 && !located
                    ? 'Such as HN57 or HN57kh'
                    : 'Its middle and its doubt'
                }
              />
              <Button disabled={!located} onClick={takeLocator}>
                Take it
              </Button>
            </Box>
            <Controller
              control={control}
              name="moves"
              render={({ field }) => (
                <FormControlLabel
                  control={
                    <Checkbox
                      size="small"
                      checked={field.value ?? false}
                      onChange={(e) => field.onChange(e.target.checked)}
                    />
                  }
                  label="It moves"
                />
              )}
            />
          </>
        )}
        <FormField
          control={control}
          name="note"
          label="What else counts"
          helperText="Access, who could take it, snow"
          sx={{ gridColumn: other ? 'auto' : 'span 2' }}
        />
      </Box>
      {action.refusal('The place was not added')}
      <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
        <Button type="submit" variant="outlined">
          Add the place
        </Button>
        {suggested && (
          <Button
            onClick={() => {
              setValue('lat', Number(suggested.lat.toFixed(6)))
              setValue('lon', Number(suggested.lon.toFixed(6)))
            }}
          >
            Take the place picked on the map
          </Button>
        )}
      </Box>
    </Box>
  )
}
