import { headers } from 'next/headers'
import { notFound } from 'next/navigation'
import { db, listDevices, nowIso, rigsOfTrial, openTrial } from '@/data'
import { WhoIsOut } from '@/features/crew/WhoIsOut'
import { RunList } from '@/features/field/desk/RunList'
import { progressStrip } from '@/features/field/desk/progressStrip'
import { currentRun, runLines, whatIsMissing } from '@/features/field/desk/runLines'
import { board } from '@/server/crew/board'
import { whoAsks } from '@/server/door/whoAsks'
import { groundSoon } from '@/server/learntCorrection'
import { readUnits } from '@/server/readUnits'
import { soonAs } from '@/server/soon'

export default async function FieldPage({ params }: { params: Promise<{ id: string }> }) {
  const open = openTrial(db(), (await params).id)
  if (!open) notFound()
  const { id } = open.trial
  const current = currentRun(db(), id)
  const runs = runLines(db(), id)
  const going = runs.find((r) => r.state === 'going') ?? null
  const rigs = rigsOfTrial(db(), id).map(({ id: rigId, letter, name }) => ({ id: rigId, letter, name }))
  const units = await readUnits()
  const { asker } = whoAsks(await headers())
  return (
    <RunList
      trialId={id}
      runs={runs}
      missing={whatIsMissing(open)}
      fixable={open.trial.way === 'marks' || open.trial.way === 'one place'}
      strip={current && soonAs(await groundSoon(db(), id, current.plan), progressStrip(current))}
      rigs={rigs}
      units={units}
      out={
        asker === 'observer' ? null : (
          <WhoIsOut
            trialId={id}
            first={board(id)}
            madeAt={Date.parse(nowIso())}
            run={going}
            rigs={rigs}
            devices={listDevices(db()).filter((d) => d.revokedAt === null && d.role !== 'observer')}
            mayGive={asker === 'owner'}
            units={units}
          />
        )
      }
    />
  )
}
