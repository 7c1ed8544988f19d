'use server'

import { ATTRIBUTES, makeSame, type Attribute } from '@/core/kit'
import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import { figure, id, list, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import {
  addRig,
  db,
  deleteRig,
  inputOfRig,
  listParts,
  listRigs,
  makeVariant,
  markCautionRead,
  updateRig,
  type RigInput,
} from '@/data'
import { act } from '@/server/act'
import { rigInputSchema } from './rigSchema'

const saved = record({
  rigId: id().nullable().defined(),
  revision: figure().integer().required(),
  rig: rigInputSchema.required(),
})
const one = record({ rigId: id() })

/** Adds a rig, or changes the one named. @returns its id */
export async function saveRig(
  rigId: string | null,
  revision: number,
  rig: unknown,
): Promise<Outcome<string>> {
  return act(saved, { rigId, revision, rig }, (v) => {
    const { txMHz, powerW, antennaHeightM, ...rest } = v.rig
    const input: RigInput = {
      ...rest,
      txMHz: txMHz!,
      powerW: powerW!,
      antennaHeightM: antennaHeightM!,
      attenuatorDb: 0,
      attenuatorAt: 'both ways',
    }
    return v.rigId === null ? addRig(db(), input) : updateRig(db(), v.rigId, v.revision, input)
  })
}

/** A rig like another, to be changed in what is asked about. @returns its id */
export async function takeVariant(rigId: string): Promise<Outcome<string>> {
  return act(one, { rigId }, (v) => makeVariant(db(), v.rigId))
}

export async function removeRig(rigId: string): Promise<Outcome> {
  return act(one, { rigId }, (v) => deleteRig(db(), v.rigId))
}

const sameness = record({
  rigIds: list(id(), 500).required(),
  likeId: id(),
  attribute: oneOf(ATTRIBUTES),
})

/** What making rigs the same would change, all of them; or why one of them cannot be. */
function sameChanges(rigIds: string[], likeId: string, attribute: Attribute) {
  const rigs = listRigs(db())
  const parts = listParts(db())
  const as = (rigId: string) => {
    const rig = rigs.find((r) => r.id === rigId)
    return rig && { rig, assembly: rig.assembly, bandwidthKHz: rig.bandwidthKHz, mode: rig.mode }
  }
  const like = as(likeId)
  if (!like) return refuse('The rig to be like is no longer there.')
  const changes: { id: string; revision: number; input: RigInput }[] = []
  for (const rigId of rigIds.filter((r) => r !== likeId)) {
    const target = as(rigId)
    if (!target) return refuse('One of the rigs is no longer there.')
    const made = makeSame(target, like, attribute, parts)
    if (!made.ok) return made
    const { rig, ...rest } = made.value
    const input = inputOfRig({ ...target.rig, ...rig, ...rest })
    changes.push({ id: rigId, revision: target.rig.revision, input })
  }
  return good(changes)
}

/** Makes one attribute of some rigs the same as another's: all of them, or none. */
export async function makeRigsSame(rigIds: string[], likeId: string, attribute: Attribute): Promise<Outcome> {
  return act(sameness, { rigIds, likeId, attribute }, (v) => {
    const changes = sameChanges(v.rigIds, v.likeId, v.attribute)
    if (!changes.ok) return changes
    db().transaction(() => {
      for (const { id: rigId, revision, input } of changes.value)
        if (!updateRig(db(), rigId, revision, input).ok) throw new Error(`rig ${rigId} moved on meanwhile`)
    })
    return DONE
  })
}

const caution = record({ trialId: id(), key: text(MAX_LETTERS.report).required() })

export async function readCaution(trialId: string, key: string): Promise<Outcome> {
  return act(caution, { trialId, key }, (v) => {
    markCautionRead(db(), v.trialId, v.key)
    return DONE
  })
}
