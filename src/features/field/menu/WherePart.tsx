'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { keyOf, marksNow, schedule } from '@/core/trial'
import { distanceText } from '@/core/units'
import { MeasureForm } from './MeasureForm'
import { NewMarkForm } from './NewMarkForm'
import { fixOf } from '../position/positionSource'
import type { MenuProps } from './shared'
import { SpacingForm } from './SpacingForm'

/** Where to go on: another mark, none of this one, a mark nobody planned, another spacing. */
export function WherePart({
  pack,
  handle,
  actions,
  now,
  position,
  units,
  onChosen,
  onSheet,
  onClose,
}: MenuProps) {
  const { plan } = pack
  const { log, add } = handle
  const marks = marksNow(plan, log)
  const left = schedule(plan, log).filter((c) => c.state === 'to do')
  const here = now ? left.filter((c) => c.markId === now.markId) : []
  const pegged = marks.filter((m) => m.how === 'pegged')
  const jump = async (markId: string) => {
    await add({ kind: 'at mark', markId, fix: fixOf(position) })
    onChosen(null)
  }
  const close = (work: Promise<unknown>) => void work.then(onClose)
  return (
    <>
      <TextField
        select
        fullWidth
        label="Go to mark"
        value={now?.markId ?? ''}
        onChange={(e) => close(jump(e.target.value))}
      >
        {marks.map((m) => (
          <Option key={m.id} value={m.id}>
            {m.name}, {m.legName}, {distanceText(m.distanceM, units)}:{' '}
            {left.filter((c) => c.markId === m.id).length} to make
          </Option>
        ))}
      </TextField>
      {now && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          <Button variant="outlined" size="large" onClick={() => onSheet('grid')}>
            Several receivers at once
          </Button>
          <Button variant="outlined" size="large" onClick={() => close(actions.skip())}>
            Skip this check
          </Button>
          <Button
            variant="outlined"
            size="large"
            onClick={() => close(add({ kind: 'skip', keys: here.map(keyOf), reason: 'mark left out' }))}
          >
            Skip the rest of {now.mark.name} ({here.length})
          </Button>
        </Box>
      )}
      <Typography variant="h3" component="h3" sx={{ mt: 1 }}>
        A mark that was not planned
      </Typography>
      <NewMarkForm
        plan={plan}
        units={units}
        before={now?.markId ?? null}
        position={position}
        onMark={(body) => close(add(body).then(() => jump(body.mark.id)))}
      />
      {pegged.length > 0 && (
        <MeasureForm marks={pegged} units={units} onMeasured={(body) => void add(body)} />
      )}
      <Typography variant="h3" component="h3" sx={{ mt: 1 }}>
        Another spacing for what is left
      </Typography>
      <SpacingForm
        plan={plan}
        log={log}
        units={units}
        legId={now?.mark.legId ?? null}
        onSpacing={(body) => close(add(body))}
      />
    </>
  )
}
