'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { useWatch, type Control } from 'react-hook-form'
import { ATTENUATES, type Attenuates } from '@/core/kit'
import { FormField } from '@/ui/fields/FormField'
import { Fold } from '@/ui/shell'
import type { RigForm } from './rigSchema'

const WEAKENS: Record<Attenuates, string> = {
  'both ways': 'both ways: between radio and antenna',
  transmit: 'only what is sent',
  receive: 'only what is received',
}

interface Props {
  control: Control<RigForm>
  /** Open from the start. */
  shown: boolean
}

/** What a rig known by its figures alone has besides: for the prediction, for who can talk to whom, for evening. */
export function ReceiverFields({ control, shown }: Props) {
  const attenuatorDb = Number(useWatch({ control, name: 'attenuatorDb' }) ?? 0)
  return (
    <Box sx={{ mt: 2 }}>
      <Fold title="Antenna by name, mode, receiver, attenuator" open={shown}>
        <Box
          sx={{
            display: 'grid',
            gap: 2,
            mt: 1.5,
            gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(4, 1fr)' },
          }}
        >
          <FormField
            control={control}
            name="antenna"
            label="Antenna"
            helperText="What it is called, if that is compared"
            sx={{ gridColumn: { xs: 'span 2' } }}
          />
          <FormField control={control} name="mode" label="Mode" />
          <FormField
            control={control}
            name="bandwidthKHz"
            label="Bandwidth"
            unit="kHz"
            helperText="Empty: not known"
          />
          <FormField
            control={control}
            name="sensitivityDbm"
            label="Sensitivity"
            unit="dBm"
            helperText="Empty: a usual receiver, -119"
          />
          <FormField
            control={control}
            name="attenuatorDb"
            label="Attenuator"
            unit="dB"
            helperText="0: none"
          />
          {attenuatorDb > 0 && (
            <FormField
              control={control}
              name="attenuatorAt"
              label="It weakens"
              select
              sx={{ gridColumn: { xs: 'span 2' } }}
            >
              {ATTENUATES.map((a) => (
                <Option key={a} value={a}>
                  {WEAKENS[a]}
                </Option>
              ))}
            </FormField>
          )}
        </Box>
      </Fold>
    </Box>
  )
}
