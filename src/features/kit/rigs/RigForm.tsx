'use client'

import { yupResolver } from '@hookform/resolvers/yup'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import Typography from '@mui/material/Typography'
import { useEffect } from 'react'
import { useForm } from 'react-hook-form'
import { RIG_KINDS } from '@/core/kit'
import { fromLength, lengthUnit, toLength, type Units } from '@/core/units'
import type { KitRig } from '@/data/rigs'
import { FormField } from '@/ui/fields/FormField'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { useAction } from '@/ui/answers/useAction'
import { saveRig } from './actions'
import { ReceiverFields } from './ReceiverFields'
import { rigSchema, type RigForm as Values } from './rigSchema'

interface Props {
  trialId: string
  rig: KitRig | null
  freeLetter: string
  units: Units
  onDone: () => void
}

const shown = (metres: number, units: Units) => Number(toLength(metres, units).toFixed(2))

/** Adds or changes one rig. What is not known stays empty. */
export function RigForm({ trialId, rig, freeLetter, units, onDone }: Props) {
  const action = useAction()
  const { control, handleSubmit, formState, setError, getValues, setValue, resetField } = useForm({
    resolver: yupResolver(rigSchema),
    defaultValues: rig
      ? { ...rig, antennaHeightM: shown(rig.antennaHeightM, units) }
      : {
          letter: freeLetter,
          name: '',
          kind: 'handheld' as const,
          rxMHz: null,
          antennaGainDbi: null,
          leadLossDb: 0,
          antenna: '',
          mode: 'FM',
          bandwidthKHz: null,
          sensitivityDbm: null,
          attenuatorDb: 0,
          attenuatorAt: 'both ways' as const,
          note: '',
        },
  })
  useUnitsChange(units, (from, to) => {
    const height = Number(getValues('antennaHeightM'))
    if (height > 0) setValue('antennaHeightM', shown(fromLength(height, from), to))
  })
  // The list may still be on its way when the form is opened for the next rig: a letter that nobody typed follows it.
  const typedLetter = formState.dirtyFields.letter === true
  useEffect(() => {
    if (!rig && !typedLetter && getValues('letter') !== freeLetter)
      resetField('letter', { defaultValue: freeLetter })
  }, [rig, typedLetter, freeLetter, getValues, resetField])
  const save = async (values: Values) => {
    const antennaHeightM = fromLength(values.antennaHeightM!, units)
    const stored = { ...values, antennaHeightM, assembly: rig?.assembly ?? null }
    const outcome = await action.run(
      () => saveRig(trialId, rig?.id ?? null, rig?.revision ?? 0, stored),
      onDone,
    )
    const letter = outcome.ok ? null : outcome.problems.find((p) => p.where === 'letter')
    if (letter) setError('letter', { message: letter.message })
  }
  const grid = { display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(4, 1fr)' } }
  return (
    <Box
      component="form"
      noValidate
      onSubmit={handleSubmit((v) => save(v as Values))}
      sx={{ background: 'var(--raised)', border: '1px solid var(--rule)', p: { xs: 2, md: 3 }, mb: 3 }}
    >
      <Typography variant="h2" component="h2" sx={{ mb: 2 }}>
        {rig ? `Change rig ${rig.letter}` : 'Add a rig'}
      </Typography>
      <Box sx={grid}>
        <FormField control={control} name="letter" label="Letter" autoFocus />
        <FormField control={control} name="name" label="Name" sx={{ gridColumn: { sm: 'span 2' } }} />
        <FormField control={control} name="kind" label="Kind" select>
          {RIG_KINDS.map((k) => (
            <Option key={k} value={k}>
              {k}
            </Option>
          ))}
        </FormField>
        <FormField control={control} name="txMHz" label="Transmits on" unit="MHz" />
        <FormField
          control={control}
          name="rxMHz"
          label="Receives on"
          unit="MHz"
          helperText="Empty: the same"
        />
        <FormField control={control} name="powerW" label="Power" unit="W" />
        <FormField
          control={control}
          name="antennaHeightM"
          label="Antenna height"
          unit={lengthUnit(units)}
          helperText="Over the ground"
        />
        <FormField
          control={control}
          name="antennaGainDbi"
          label="Antenna gain"
          unit="dBi"
          helperText="Empty: that is the question"
        />
        <FormField
          control={control}
          name="leadLossDb"
          label="Lead loss"
          unit="dB"
          helperText="Empty: not known"
        />
        <FormField control={control} name="note" label="Note" sx={{ gridColumn: { xs: 'span 2' } }} />
      </Box>
      <ReceiverFields control={control} shown={rig !== null || Object.keys(formState.errors).length > 0} />
      {!formState.errors.letter && action.refusal('Nothing was saved', 'Rig')}
      <Box sx={{ display: 'flex', gap: 1, mt: 2 }}>
        <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
          {rig ? 'Save the rig' : 'Add the rig'}
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </Box>
    </Box>
  )
}
