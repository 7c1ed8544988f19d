import { notFound } from 'next/navigation'
import { EXAMPLE_RULE_SETS } from '@/core/kit'
import { db, freeLetter, listKitParts, listParts, openTrial, rigsOfTrial, serviceOf } from '@/data'
import { RigBuilder } from '@/features/kit/rigs/RigBuilder'
import { readUnits } from '@/server/readUnits'

export default async function RigPage({ params }: { params: Promise<{ id: string; rigId: string }> }) {
  const { id, rigId } = await params
  const open = openTrial(db(), id)
  const rigs = rigsOfTrial(db(), id)
  const rig = rigs.find((r) => r.id === rigId) ?? null
  if (!open || (!rig && rigId !== 'new')) notFound()
  const { rules, service } = serviceOf(db(), open.trial.service)
  return (
    <RigBuilder
      key={`${rigId} ${rig?.revision ?? 0}`}
      trialId={id}
      rig={rig}
      origin={rigs.find((r) => r.id === rig?.variantOf) ?? null}
      freeLetter={freeLetter(db(), id)}
      parts={listParts(db())}
      unitRows={listKitParts(db()).flatMap((p) => p.units)}
      service={service}
      rules={rules ?? EXAMPLE_RULE_SETS[0]!}
      cautionsRead={open.trial.cautionsRead}
      units={await readUnits()}
    />
  )
}
