'use client'

import Button from '@mui/material/Button'
import { useState } from 'react'
import type { Units } from '@/core/units'
import type { KitRig } from '@/data/rigs'
import type { Done } from '@/data/refusal'
import { Empty, PageHead, Refused } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { duplicateRig, removeRig } from './actions'
import { RigForm } from './RigForm'
import { RigTable } from './RigTable'

interface Props {
  trialId: string
  rigs: KitRig[]
  freeLetter: string
  units: Units
}

const isBaseKind = (r: KitRig) => r.kind === 'base' || r.kind === 'relay'

/** The kit: every rig there is, at the base and out there. */
export function KitStep({ trialId, rigs, freeLetter, units }: Props) {
  const [form, setForm] = useState<{ rig: KitRig | null } | null>(null)
  const [refusal, setRefusal] = useState<string | null>(null)
  const run = async (action: Promise<Done<unknown>>) => {
    const result = await action
    setRefusal(result.ok ? null : result.message)
  }
  const looks = looksOf(rigs.map((r) => r.letter))
  const table = {
    trialId,
    units,
    look: (id: string) => looks[rigs.findIndex((r) => r.id === id)] ?? 0,
    onEdit: (rig: KitRig) => setForm({ rig }),
    onCopy: (rig: KitRig) => void run(duplicateRig(rig.id)),
    onDelete: (rig: KitRig) => void run(removeRig(rig.id)),
  }
  const add = (
    <Button variant="contained" onClick={() => setForm({ rig: null })}>
      Add a rig
    </Button>
  )
  return (
    <>
      <PageHead
        title="Kit"
        lead="One rig is one complete set-up at one end: radio, power, lead, antenna, height. What differs and is known is taken out of the comparison; what is not known is the question."
      >
        {rigs.length > 0 && !form && add}
      </PageHead>
      {refusal && <Refused title="Nothing was changed" problems={[{ where: 'Kit', message: refusal }]} />}
      {form && (
        <RigForm
          key={form.rig?.id ?? 'new'}
          rig={form.rig}
          freeLetter={freeLetter}
          units={units}
          onDone={() => setForm(null)}
        />
      )}
      {rigs.length === 0 && !form && (
        <Empty title="No rigs yet" action={add}>
          Begin with the rig at the base, then add those you want to compare out there. Two are enough. To
          look at a finished trial first, run <code>npm run demo</code>: it has a database of its own.
        </Empty>
      )}
      <RigTable {...table} title="Out there" rigs={rigs.filter((r) => !isBaseKind(r))} />
      <RigTable {...table} title="At the base" rigs={rigs.filter(isBaseKind)} />
    </>
  )
}
