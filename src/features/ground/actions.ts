'use server'

import { inverse } from '@/core/geo'
import { DONE, good, refuse, type Outcome } from '@/core/outcome'
import { predictionRecord } from '@/core/reach/predictionRecord'
import { flag, id, record } from '@/core/schema'
import {
  addAreas,
  addLegToTrial,
  addOneMark,
  addOtherSite,
  askElsewhere,
  db,
  deleteArea,
  deleteBackdrop,
  deleteGrid,
  deleteSite,
  editArea,
  measureMark,
  tagMark,
  moveMark,
  openTrial,
  placeBase,
  removeLeg,
  takeKeptLeg,
  takeGround,
  takeLegOfPlace,
  setFlatGround,
  setPrediction,
} from '@/data'
import { act } from '@/server/act'
import {
  areaEditSchema,
  areasSchema,
  bareBaseSchema,
  chosenGround,
  baseSchema,
  legSchema,
  measuredSchema,
  movedSchema,
  oneMarkSchema,
  siteSchema,
  tagsSchema,
  tapeLegSchema,
} from './groundSchema'

const one = record({ id: id() })
const ofTrial = { trialId: id() }
const legOfTrial = record({ ...ofTrial, legId: id() })

export async function setBase(trialId: string, base: unknown): Promise<Outcome<string>> {
  return act(record({ ...ofTrial, base: baseSchema.required() }), { trialId, base }, (v) =>
    placeBase(db(), v.trialId, v.base.name, { lat: v.base.lat!, lon: v.base.lon! }),
  )
}

/** A base without coordinates. */
export async function setBareBase(trialId: string, base: unknown): Promise<Outcome<string>> {
  return act(record({ ...ofTrial, base: bareBaseSchema.required() }), { trialId, base }, (v) =>
    placeBase(db(), v.trialId, v.base.name, null),
  )
}

/** A leg of marks by distance alone. */
export async function addTapeLeg(trialId: string, leg: unknown): Promise<Outcome<string>> {
  return act(record({ ...ofTrial, leg: tapeLegSchema.required() }), { trialId, leg }, (v) => {
    const { name, bearingDeg, how, sdShare, distancesM } = v.leg
    const sorted = [...new Set(distancesM)].sort((a, b) => a - b)
    const letter = (/[A-Za-z]/.exec(name)?.[0] ?? 'M').toUpperCase()
    const marks = sorted.map((distanceM, i) => ({
      name: `${letter}${String(i + 1).padStart(2, '0')}`,
      place: null,
      alongM: how === 'odometer' ? distanceM : null,
      how,
      distanceM,
      distanceSdM: Math.max(0.5, distanceM * sdShare),
    }))
    return addLegToTrial(db(), v.trialId, { name, how: 'marks', bearingDeg, track: [], marks })
  })
}

export async function addMark(raw: unknown): Promise<Outcome<string>> {
  return act(oneMarkSchema, raw, (v) =>
    addOneMark(db(), v.trialId, v.legId, v.name, { lat: v.lat!, lon: v.lon! }),
  )
}

export async function putMeasured(raw: unknown): Promise<Outcome> {
  return act(measuredSchema, raw, (v) => measureMark(db(), v.markId, v.how, v.distanceM, v.distanceSdM))
}

export async function putTags(markId: string, tags: string[]): Promise<Outcome> {
  return act(tagsSchema, { markId, tags }, (v) => tagMark(db(), v.markId, v.tags))
}

export async function addTrialLeg(trialId: string, leg: unknown): Promise<Outcome<string>> {
  return act(record({ ...ofTrial, leg: legSchema.required() }), { trialId, leg }, (v) => {
    const site = openTrial(db(), v.trialId)?.site
    if (site?.lat != null && site.lon != null) {
      const base = { lat: site.lat, lon: site.lon }
      const atBase = v.leg.marks.find((m) => inverse(base, m.place).distanceM < 5)
      if (atBase)
        return refuse(`Mark ${atBase.name} lies at the base itself. Leave it out; a mark needs a distance.`)
      const far = v.leg.marks.find((m) => inverse(base, m.place).distanceM > 2_000_000)
      if (far) return refuse(`Mark ${far.name} lies more than 2000 km from the base. Is this the right file?`)
    }
    return addLegToTrial(db(), v.trialId, v.leg)
  })
}

export async function dropLeg(trialId: string, legId: string): Promise<Outcome> {
  return act(legOfTrial, { trialId, legId }, (v) => {
    removeLeg(db(), v.trialId, v.legId)
    return DONE
  })
}

export async function putMark(raw: unknown): Promise<Outcome> {
  return act(movedSchema, raw, (v) => moveMark(db(), v.markId, v.place, v.alongM))
}

export async function dropGrid(gridId: string): Promise<Outcome> {
  return act(one, { id: gridId }, (v) => deleteGrid(db(), v.id))
}

export async function addSite(raw: unknown): Promise<Outcome<string>> {
  return act(siteSchema, raw, ({ lat, lon, ...rest }) =>
    good(addOtherSite(db(), { ...rest, place: { lat: lat!, lon: lon! } })),
  )
}

export async function dropSite(siteId: string): Promise<Outcome> {
  return act(one, { id: siteId }, (v) => deleteSite(db(), v.id))
}

const ofOne = record(ofTrial)

/** Asks the same from another place: a trial of its own with the same rigs and plan. @returns its id */
export async function elsewhere(trialId: string): Promise<Outcome<string>> {
  return act(ofOne, { trialId }, (v) => {
    const made = askElsewhere(db(), v.trialId, Date.now() % 1_000_000)
    return made ? good(made) : refuse('This trial is no longer there.')
  })
}

export async function takeMarksHere(trialId: string, legId: string): Promise<Outcome> {
  return act(legOfTrial, { trialId, legId }, (v) => takeLegOfPlace(db(), v.trialId, v.legId))
}

export async function takeLeg(trialId: string, legId: string): Promise<Outcome> {
  return act(legOfTrial, { trialId, legId }, (v) => takeKeptLeg(db(), v.trialId, v.legId))
}

export async function bringAreas(raw: unknown): Promise<Outcome<number>> {
  return act(areasSchema, raw, (areas) => addAreas(db(), areas))
}

export async function changeArea(raw: unknown): Promise<Outcome> {
  return act(areaEditSchema, raw, ({ id: areaId, revision, ...fields }) =>
    editArea(db(), areaId, revision, fields),
  )
}

export async function dropArea(areaId: string): Promise<Outcome> {
  return act(one, { id: areaId }, (v) => deleteArea(db(), v.id))
}

export async function dropBackdrop(backdropId: string): Promise<Outcome> {
  return act(one, { id: backdropId }, (v) => deleteBackdrop(db(), v.id))
}

/** Has a piece of ground count in a trial, or not. */
export async function chooseGround(chosen: unknown): Promise<Outcome> {
  return act(chosenGround, chosen, (v) => takeGround(db(), v.trialId, v.kind, v.ofId, v.used))
}

/** Has a trial count as on flat ground. */
export async function chooseFlatGround(chosen: unknown): Promise<Outcome> {
  return act(record({ ...ofTrial, flat: flag().required() }), chosen, (v) =>
    setFlatGround(db(), v.trialId, v.flat),
  )
}

/** Keeps what a trial's predictions take for granted. */
export async function keepPrediction(chosen: unknown): Promise<Outcome> {
  return act(record({ ...ofTrial, settings: predictionRecord.required() }), chosen, (v) =>
    setPrediction(db(), v.trialId, v.settings),
  )
}
