'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { FileArea } from '@/core/formats'
import type { AreaKind } from '@/data/areas'
import { MAX_LETTERS } from '@/core/schema/limits'
import { useAction } from '@/ui/answers/useAction'
import { bringAreas } from './actions'
import { AREA_KINDS, AREA_WORDS, kindOfFileArea, usualHeightM } from './areaWords'

/** Areas of a file, previewed by kind before they are taken in. */
export function FileAreas({
  fileName,
  areas,
  onDone,
}: {
  fileName: string
  areas: FileArea[]
  onDone: () => void
}) {
  const [usual, setUsual] = useState<AreaKind>('wood')
  const action = useAction()
  const kindOf = (a: FileArea) => kindOfFileArea(a) ?? usual
  const unnamed = areas.filter((a) => kindOfFileArea(a) === null).length
  const counts = AREA_KINDS.map((k) => ({ k, n: areas.filter((a) => kindOf(a) === k).length })).filter(
    (c) => c.n > 0,
  )
  const bring = async () => {
    const taken = areas.map((a) => ({
      name: a.name.slice(0, MAX_LETTERS.name),
      kind: kindOf(a),
      heightM: a.heightM ?? usualHeightM(kindOf(a)),
      rings: a.rings,
    }))
    await action.run(() => bringAreas(taken), onDone)
  }
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="h2" component="h2">
        Areas in {fileName}
      </Typography>
      {unnamed > 0 && (
        <TextField
          select
          label={`${unnamed} of ${areas.length} do not say what they are; take them as`}
          value={usual}
          onChange={(e) => setUsual(e.target.value as AreaKind)}
        >
          {AREA_KINDS.map((k) => (
            <Option key={k} value={k}>
              {AREA_WORDS[k]}
            </Option>
          ))}
        </TextField>
      )}
      <Box>{counts.map(({ k, n }) => `${n} × ${AREA_WORDS[k]}`).join(', ')}.</Box>
      {action.refusal('Nothing was taken in', fileName)}
      <Box>
        <Button variant="contained" onClick={() => void bring()}>
          Take in {areas.length === 1 ? 'the area' : `${areas.length} areas`}
        </Button>
      </Box>
    </Box>
  )
}
