'use server'

import { revalidatePath } from 'next/cache'
import * as yup from 'yup'
import { addRig, copyRig, db, deleteRig, refuse, updateRig, type Done, type RigInput } from '@/data'
import { rigSchema } from './rigSchema'

function toInput(raw: unknown): RigInput {
  const rig = rigSchema.validateSync(raw)
  return {
    ...rig,
    txMHz: rig.txMHz!,
    powerW: rig.powerW!,
    antennaHeightM: rig.antennaHeightM!,
    attenuatorDb: 0,
    attenuatorAt: 'both ways',
  }
}

/** Adds a rig, or changes the one named. */
export async function saveRig(id: string | null, revision: number, raw: unknown): Promise<Done<string>> {
  try {
    const input = toInput(raw)
    const result = id === null ? addRig(db(), input) : updateRig(db(), id, revision, input)
    revalidatePath('/', 'layout')
    return result
  } catch (e) {
    if (e instanceof yup.ValidationError) return refuse(e.message)
    throw e
  }
}

export async function duplicateRig(id: string): Promise<Done<string>> {
  const result = copyRig(db(), id)
  revalidatePath('/', 'layout')
  return result
}

export async function removeRig(id: string): Promise<Done> {
  const result = deleteRig(db(), id)
  revalidatePath('/', 'layout')
  return result
}
