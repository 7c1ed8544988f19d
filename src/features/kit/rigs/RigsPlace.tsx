'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { isBaseKind } from '@/core/kit'
import type { Units } from '@/core/units'
import type { KeptRig, KitRig } from '@/data/rigs'
import { ahead } from '@/ui/early/ahead'
import { useAction } from '@/ui/answers/useAction'
import { Empty, LinkButton, PageHead } from '@/ui/shell'
import { looksOf } from '@/ui/theme/palette'
import { removeRig, takeIn, takeOut, takeVariant } from './actions'
import { KeptRigs } from './KeptRigs'
import { RigTable, type RigLine } from './RigTable'

const RigForm = dynamic(
  ahead(() => import('./RigForm').then((m) => m.RigForm)),
  { ssr: false },
)
const SetsForm = dynamic(
  ahead(() => import('./SetsForm').then((m) => m.SetsForm)),
  { ssr: false },
)

interface Props {
  trialId: string
  rigs: RigLine[]
  /** Those of the kit that are not in this trial. */
  kept: KeptRig[]
  /** Whoever answers is out there, and what is compared stands at the base. */
  strangers: boolean
  /** Each antenna in each mode is compared. */
  crossed: boolean
  /** What this kind of question wants, in a sentence. */
  wanted: string
  freeLetter: string
  units: Units
}

/** The rigs of this trial, at the base and out there. */
export function RigsPlace({ trialId, rigs, kept, strangers, crossed, wanted, freeLetter, units }: Props) {
  const router = useRouter()
  const [form, setForm] = useState<{ rig: KitRig | null } | 'sets' | null>(null)
  const action = useAction()
  const builder = (id: string) => `/trials/${trialId}/kit/rig/${id}`
  const looks = looksOf(rigs.map((r) => r.rig.letter))
  const table = {
    trialId,
    units,
    look: (id: string) => looks[rigs.findIndex((r) => r.rig.id === id)] ?? 0,
    nameOf: (id: string) => rigs.find((r) => r.rig.id === id)?.rig.letter ?? null,
    builder,
    onFigures: (rig: KitRig) => setForm({ rig }),
    onVariant: (rig: KitRig) =>
      void action.run(
        () => takeVariant(trialId, rig.id),
        (id) => router.push(builder(id)),
      ),
    onTakeOut: (rig: KitRig) => void action.run(() => takeOut(trialId, rig.id)),
  }
  const add = (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <Button variant="contained" onClick={() => setForm('sets')}>
        Sets of a usual kind
      </Button>
      <LinkButton variant="outlined" href={builder('new')}>
        Build a rig
      </LinkButton>
      <Button variant="outlined" onClick={() => setForm({ rig: null })}>
        Enter figures only
      </Button>
    </Box>
  )
  return (
    <>
      <PageHead
        title="Kit"
        lead="One rig is one complete set-up at one end: radio, power, lead, antenna, height. What differs and is known is taken out of the comparison; what is not known is the question."
      >
        {rigs.length > 0 && !form && add}
      </PageHead>
      {action.refusal('Nothing was changed', 'Kit')}
      {form === 'sets' && (
        <SetsForm
          trialId={trialId}
          strangers={strangers}
          crossed={crossed}
          hasOther={rigs.some((r) => (strangers ? r.rig.kind === 'other station' : isBaseKind(r.rig)))}
          units={units}
          onDone={() => setForm(null)}
        />
      )}
      {form && form !== 'sets' && (
        <RigForm
          key={form.rig?.id ?? 'new'}
          trialId={trialId}
          rig={form.rig}
          freeLetter={freeLetter}
          units={units}
          onDone={() => setForm(null)}
        />
      )}
      {rigs.length === 0 && !form && (
        <Empty title="No rigs yet" action={add}>
          {wanted} Sets of a usual kind need only their names. Built of parts, a rig’s sums are made for you
          and what cannot work is said before you leave.
        </Empty>
      )}
      <RigTable {...table} title="Out there" rigs={rigs.filter((r) => !isBaseKind(r.rig))} />
      <RigTable {...table} title="At the base" rigs={rigs.filter((r) => isBaseKind(r.rig))} />
      <KeptRigs
        rigs={kept}
        onTake={(id) => void action.run(() => takeIn(trialId, id))}
        onDelete={(id) => void action.run(() => removeRig(id))}
      />
    </>
  )
}
