'use client'

import { yupResolver } from '@hookform/resolvers/yup'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { Place } from '@/core/geo'
import type { LegWithMarks } from '@/data/ground'
import { useAction } from '@/ui/answers/useAction'
import { FormField } from '@/ui/fields/FormField'
import { addMark } from './actions'
import { oneMarkForm } from './groundSchema'
import { HereButton } from '@/ui/fields/HereButton'

interface Props {
  trialId: string
  legs: LegWithMarks[]
  /** The place picked on the map. */
  picked: Place | null
}

/** A leg of its own. */
const OWN = ''

/** One mark by its coordinates: typed, picked on the map, or where this device is. */
export function OneMarkForm({ trialId, legs, picked }: Props) {
  const action = useAction()
  const [added, setAdded] = useState('')
  const { control, handleSubmit, setValue, reset, formState } = useForm({
    resolver: yupResolver(oneMarkForm),
    defaultValues: { name: '', lat: null, lon: null, legId: legs[0]?.id ?? OWN },
  })
  const put = ({ lat, lon }: Place) => {
    setValue('lat', Number(lat.toFixed(6)), { shouldValidate: true })
    setValue('lon', Number(lon.toFixed(6)), { shouldValidate: true })
  }
  return (
    <Box
      component="form"
      noValidate
      aria-label="Add one mark"
      onSubmit={handleSubmit(async ({ legId, ...v }) => {
        await action.run(
          () => addMark({ trialId, ...v, legId: legId === OWN ? null : legId }),
          (name) => {
            reset({ name: '', lat: null, lon: null, legId: legId ?? OWN })
            setAdded(`${name} is added.`)
          },
        )
      })}
      sx={{ display: 'grid', gap: 1.5, mt: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <HereButton words="The mark is where this device is" onPlace={put} />
        {picked && (
          <Button variant="outlined" onClick={() => put(picked)}>
            Take the place picked on the map
          </Button>
        )}
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.5 }}>
        <FormField control={control} name="name" label="Name of the mark" />
        <FormField control={control} name="legId" label="On which leg" select>
          {legs.map((l) => (
            <Option key={l.id} value={l.id}>
              {l.name}
            </Option>
          ))}
          <Option value={OWN}>one of its own</Option>
        </FormField>
        <FormField control={control} name="lat" label="Latitude of the mark" unit="°" />
        <FormField control={control} name="lon" label="Longitude of the mark" unit="°" />
      </Box>
      {action.refusal('The mark was not added', 'Mark')}
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button type="submit" variant="outlined" disabled={formState.isSubmitting}>
          Add the mark
        </Button>
        <span role="status">{added}</span>
      </Box>
    </Box>
  )
}
