'use client'

import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { LeftOutChoice } from '@/core/findings'
import { useAnswer } from '@/ui/answers/useAnswer'
import type { LeftOutOption } from './leftOutOptions'

interface Props {
  trialId: string
  runId: string
  leftOut: readonly LeftOutChoice[]
  onChange: (leftOut: LeftOutChoice[]) => void
}

/** As many as anybody looks through; typing narrows a long log's checks down. */
const firstOnes = createFilterOptions<LeftOutOption>({ limit: 200 })

async function optionsAt(url: string, signal: AbortSignal): Promise<LeftOutOption[]> {
  const answer = await fetch(url, { signal })
  const body: unknown = await answer.json()
  if (!answer.ok)
    throw new Error((body as { error?: string }).error ?? `the server answered ${answer.status}`)
  return body as LeftOutOption[]
}

/** Legs, marks or checks that are left out of the findings, each with its reason; the log keeps them. */
export function LeftOutPart({ trialId, runId, leftOut, onChange }: Props) {
  const asked = useAnswer([`/trials/${trialId}/findings/options?run=${runId}`], ([url], signal) =>
    optionsAt(url, signal),
  )
  const options = asked.at === 'there' ? asked.value : []
  const [chosen, setChosen] = useState<LeftOutOption | null>(null)
  const [reason, setReason] = useState('')
  const [tried, setTried] = useState(false)
  const isOut = (o: LeftOutOption) => leftOut.some((l) => l.what === o.what && l.id === o.id)
  return (
    <Box component="section" aria-label="Left out">
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        Left out
      </Typography>
      {leftOut.length === 0 && <span>Nothing; the log keeps everything anyway.</span>}
      <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
        {leftOut.map((l) => (
          <li key={`${l.what} ${l.id}`}>
            {options.find((o) => o.what === l.what && o.id === l.id)?.label ?? l.id}: {l.reason}.{' '}
            <Button size="small" onClick={() => onChange(leftOut.filter((x) => x !== l))}>
              Put it back
            </Button>
          </li>
        ))}
      </Box>
      <Box
        component="form"
        sx={{ display: 'grid', gap: 1 }}
        onSubmit={(e) => {
          e.preventDefault()
          setTried(true)
          if (!chosen || reason.trim() === '') return
          onChange([...leftOut, { what: chosen.what, id: chosen.id, reason: reason.trim() }])
          setChosen(null)
          setReason('')
          setTried(false)
        }}
      >
        <Autocomplete
          options={options.filter((o) => !isOut(o))}
          loading={asked.at === 'asking'}
          filterOptions={firstOnes}
          groupBy={(o) => o.group}
          getOptionKey={(o) => `${o.what} ${o.id}`}
          getOptionLabel={(o) => o.label}
          value={chosen}
          onChange={(_, v) => setChosen(v)}
          renderInput={(params) => (
            <TextField
              {...params}
              label="Leave out a leg, a mark or a check"
              error={(tried && !chosen) || asked.at === 'failed'}
              helperText={
                asked.at === 'failed'
                  ? `The list could not be had: ${asked.why}. Open this again to try.`
                  : tried && !chosen
                    ? 'Choose what is to be left out.'
                    : ' '
              }
            />
          )}
        />
        <TextField
          label="Why"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          error={tried && reason.trim() === ''}
          helperText={tried && reason.trim() === '' ? 'Say why, such as: plug was loose.' : ' '}
        />
        <Button type="submit" variant="outlined" sx={{ justifySelf: 'start' }}>
          Leave it out
        </Button>
      </Box>
    </Box>
  )
}
