'use server'

import { revalidatePath } from 'next/cache'
import * as yup from 'yup'
import { makeSame, type Attribute } from '@/core/kit'
import {
  addRig,
  db,
  deleteRig,
  inputOfRig,
  listParts,
  listRigs,
  makeVariant,
  markCautionRead,
  refuse,
  updateRig,
  type Done,
  type RigInput,
} from '@/data'
import { assemblySchema, rigSchema } from './rigSchema'

function toInput(raw: unknown): RigInput {
  const { txMHz, powerW, antennaHeightM, ...rig } = rigSchema.validateSync(raw)
  const assembly = assemblySchema.validateSync((raw as { assembly?: unknown }).assembly ?? null)
  return {
    ...rig,
    txMHz: txMHz!,
    powerW: powerW!,
    antennaHeightM: antennaHeightM!,
    attenuatorDb: 0,
    attenuatorAt: 'both ways',
    assembly,
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

/** A rig like another, to be changed in what is asked about. */
export async function takeVariant(id: string): Promise<Done<string>> {
  const result = makeVariant(db(), id)
  revalidatePath('/', 'layout')
  return result
}

export async function removeRig(id: string): Promise<Done> {
  const result = deleteRig(db(), id)
  revalidatePath('/', 'layout')
  return result
}

/** Makes one attribute of some rigs the same as another's: all of them, or none. */
export async function makeRigsSame(rigIds: string[], likeId: string, attribute: Attribute): Promise<Done> {
  const rigs = listRigs(db())
  const parts = listParts(db())
  const as = (id: string) => {
    const rig = rigs.find((r) => r.id === id)
    return rig && { rig, assembly: rig.assembly, bandwidthKHz: rig.bandwidthKHz, mode: rig.mode }
  }
  const like = as(likeId)
  if (!like) return refuse('The rig to be like is no longer there.')
  const changes: { id: string; revision: number; input: RigInput }[] = []
  for (const id of rigIds.filter((r) => r !== likeId)) {
    const target = as(id)
    if (!target) return refuse('One of the rigs is no longer there.')
    const made = makeSame(target, like, attribute, parts)
    if (!made.ok) return refuse(made.message)
    const { rig, ...rest } = made.value
    changes.push({ id, revision: target.rig.revision, input: inputOfRig({ ...target.rig, ...rig, ...rest }) })
  }
  db().transaction(() => {
    for (const { id, revision, input } of changes) {
      const saved = updateRig(db(), id, revision, input)
      if (!saved.ok) throw new Error(saved.message)
    }
  })
  revalidatePath('/', 'layout')
  return { ok: true, value: undefined }
}

export async function readCaution(trialId: string, key: string): Promise<void> {
  markCautionRead(db(), trialId, key)
  revalidatePath('/', 'layout')
}
