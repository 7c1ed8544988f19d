'use server'

import { ATTRIBUTES, makeSame, SET_KINDS, type Attribute } from '@/core/kit'
import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import { figure, flag, id, list, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import {
  addRig,
  db,
  deleteRig,
  freeLetter,
  inputOfRig,
  leaveRig,
  linksFollow,
  listParts,
  listRigs,
  makeVariant,
  markCautionRead,
  rigsOfTrial,
  takeRigs,
  updateRig,
  type RigInput,
} from '@/data'
import { act } from '@/server/act'
import { rigInputSchema } from './rigSchema'

const saved = record({
  trialId: id(),
  rigId: id().nullable().defined(),
  revision: figure().integer().required(),
  rig: rigInputSchema.required(),
})
const one = record({ trialId: id(), rigId: id() })

/** Adds a rig to a trial, or changes the one named. @returns its id */
export async function saveRig(
  trialId: string,
  rigId: string | null,
  revision: number,
  rig: unknown,
): Promise<Outcome<string>> {
  return act(saved, { trialId, rigId, revision, rig }, (v) => {
    const { txMHz, powerW, antennaHeightM, attenuatorDb, ...rest } = v.rig
    const input: RigInput = {
      ...rest,
      txMHz: txMHz!,
      powerW: powerW!,
      antennaHeightM: antennaHeightM!,
      attenuatorDb: attenuatorDb ?? 0,
    }
    return linksFollow(db(), v.trialId, () =>
      v.rigId === null
        ? addRig(db(), input, v.trialId)
        : updateRig(db(), v.rigId, v.revision, input, v.trialId),
    )
  })
}

/** A rig like another, to be changed in what is asked about. @returns its id */
export async function takeVariant(trialId: string, rigId: string): Promise<Outcome<string>> {
  return act(one, { trialId, rigId }, (v) =>
    linksFollow(db(), v.trialId, () => makeVariant(db(), v.rigId, v.trialId)),
  )
}

/** Takes a rig of the kit into a trial. */
export async function takeIn(trialId: string, rigId: string): Promise<Outcome> {
  return act(one, { trialId, rigId }, (v) =>
    linksFollow(db(), v.trialId, () => {
      takeRigs(db(), v.trialId, [v.rigId], true)
      return DONE
    }),
  )
}

/** Takes a rig out of a trial and its plan; it stays in the kit. */
export async function takeOut(trialId: string, rigId: string): Promise<Outcome> {
  return act(one, { trialId, rigId }, (v) => {
    leaveRig(db(), v.trialId, v.rigId)
    return DONE
  })
}

const removed = record({ rigId: id() })

export async function removeRig(rigId: string): Promise<Outcome> {
  return act(removed, { rigId }, (v) => deleteRig(db(), v.rigId))
}

/** As it is usual for its kind. */
const NOTHING_OWN = { antenna: '', mode: '', powerW: null }

const setName = () => text(MAX_LETTERS.name)
const sets = record({
  trialId: id(),
  setKind: oneOf(SET_KINDS.map((k) => k.name)),
  channel: setName().required('Choose a channel.'),
  /** Those that are compared, with what tells them apart, and the one at the other end of each; empty adds none there. */
  rigs: list(
    record({
      name: setName().required(),
      antenna: setName().default(''),
      mode: text(40).default(''),
      powerW: figure()
        .moreThan(0, 'Power must be above 0 W')
        .max(5000, 'At most 5000 W')
        .nullable()
        .default(null),
    }).required(),
    26,
  ).required(),
  other: setName().default(''),
  /** Those named stand at the base, and the other is whoever answers. */
  strangers: flag().default(false),
})

/** Adds rigs of one usual kind by their names: those compared, and the one at their other end where it is named. */
export async function addSets(raw: unknown): Promise<Outcome> {
  return act(sets, raw, (v) => {
    const { channels, powerW, antennaHeightM, mode, bandwidthKHz, kind } = SET_KINDS.find(
      (k) => k.name === v.setKind,
    )!
    const channel = channels.find((c) => c.name === v.channel)
    if (!channel) return refuse(`${v.setKind} has no channel ${v.channel}.`)
    const wanted = [
      ...v.rigs.map((r) => ({ ...r, kind: v.strangers ? ('base' as const) : kind })),
      ...(v.other
        ? [
            {
              ...NOTHING_OWN,
              name: v.other,
              kind: v.strangers ? ('other station' as const) : ('base' as const),
            },
          ]
        : []),
    ]
    if (wanted.length === 0) return refuse('Name at least one rig.')
    const there = rigsOfTrial(db(), v.trialId).map((r) => r.name.trim().toLowerCase())
    const names = [...there, ...wanted.map((w) => w.name.toLowerCase())]
    const twice = wanted.find((w) => names.filter((n) => n === w.name.toLowerCase()).length > 1)
    if (twice) return refuse(`Two rigs would be called "${twice.name}". Give each a name of its own.`)
    return linksFollow(db(), v.trialId, () => {
      for (const { name, kind: end, ...own } of wanted)
        addRig(
          db(),
          {
            letter: freeLetter(db(), v.trialId),
            name,
            kind: end,
            txMHz: channel.mhz,
            rxMHz: null,
            bandwidthKHz,
            mode: own.mode || mode,
            antenna: own.antenna,
            powerW: own.powerW ?? powerW,
            antennaHeightM,
            antennaGainDbi: null,
            leadLossDb: 0,
            attenuatorDb: 0,
            attenuatorAt: 'both ways',
            note: `${v.setKind}${channels.length > 1 ? `, channel ${channel.name}` : ''}`,
          },
          v.trialId,
        )
      return DONE
    })
  })
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
