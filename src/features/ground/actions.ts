'use server'

import { revalidatePath } from 'next/cache'
import * as yup from 'yup'
import { inverse } from '@/core/geo'
import {
  addAreas,
  addLegToTrial,
  addOtherSite,
  db,
  deleteArea,
  deleteBackdrop,
  deleteGrid,
  deleteSite,
  editArea,
  measureMark,
  moveMark,
  takeKeptLeg,
  openTrial,
  placeBase,
  refuse,
  removeLeg,
  type Done,
  type NewArea,
} from '@/data'
import {
  areaEditSchema,
  areasSchema,
  bareBaseSchema,
  baseSchema,
  legSchema,
  measuredSchema,
  movedSchema,
  siteSchema,
  tapeLegSchema,
} from './groundSchema'

async function checked<T>(work: () => Done<T>): Promise<Done<T>> {
  try {
    const result = work()
    revalidatePath('/', 'layout')
    return result
  } catch (e) {
    if (e instanceof yup.ValidationError) return refuse(e.message)
    throw e
  }
}

export async function setBase(trialId: string, raw: unknown): Promise<Done<string>> {
  return checked(() => {
    const { name, lat, lon } = baseSchema.validateSync(raw)
    return placeBase(db(), trialId, name, { lat: lat!, lon: lon! })
  })
}

/** A base without coordinates. */
export async function setBareBase(trialId: string, raw: unknown): Promise<Done<string>> {
  return checked(() => placeBase(db(), trialId, bareBaseSchema.validateSync(raw).name, null))
}

/** A leg of marks by distance alone. */
export async function addTapeLeg(trialId: string, raw: unknown): Promise<Done<string>> {
  return checked(() => {
    const { name, bearingDeg, how, sdShare, distancesM } = tapeLegSchema.validateSync(raw)
    const sorted = [...new Set(distancesM)].sort((a, b) => a - b)
    const letter = (/[A-Za-z]/.exec(name)?.[0] ?? 'M').toUpperCase()
    const marks = sorted.map((distanceM, i) => ({
      name: `${letter}${String(i + 1).padStart(2, '0')}`,
      place: null,
      alongM: null,
      how,
      distanceM,
      distanceSdM: Math.max(0.5, distanceM * sdShare),
    }))
    return addLegToTrial(db(), trialId, { name, how: 'marks', bearingDeg, way: [], marks })
  })
}

export async function putMeasured(raw: unknown): Promise<Done> {
  return checked(() => {
    const { markId, how, distanceM, distanceSdM } = measuredSchema.validateSync(raw)
    return measureMark(db(), markId, how, distanceM, distanceSdM)
  })
}

export async function addTrialLeg(trialId: string, raw: unknown): Promise<Done<string>> {
  return checked(() => {
    const leg = legSchema.validateSync(raw)
    const site = openTrial(db(), trialId)?.site
    if (site?.lat != null && site.lon != null) {
      const base = { lat: site.lat, lon: site.lon }
      const atBase = leg.marks.find((m) => inverse(base, m.place).distanceM < 5)
      if (atBase)
        return refuse(`Mark ${atBase.name} lies at the base itself. Leave it out; a mark needs a distance.`)
      const far = leg.marks.find((m) => inverse(base, m.place).distanceM > 2_000_000)
      if (far) return refuse(`Mark ${far.name} lies more than 2000 km from the base. Is this the right file?`)
    }
    return addLegToTrial(db(), trialId, leg)
  })
}

export async function dropLeg(trialId: string, legId: string): Promise<Done> {
  return checked(() => {
    removeLeg(db(), trialId, legId)
    return { ok: true, value: undefined }
  })
}

export async function putMark(raw: unknown): Promise<Done> {
  return checked(() => {
    const { markId, place, alongM } = movedSchema.validateSync(raw)
    return moveMark(db(), markId, place, alongM)
  })
}

export async function dropGrid(id: string): Promise<Done> {
  return checked(() => deleteGrid(db(), id))
}

export async function addSite(raw: unknown): Promise<Done<string>> {
  return checked(() => {
    const { lat, lon, ...rest } = siteSchema.validateSync(raw)
    return { ok: true, value: addOtherSite(db(), { ...rest, place: { lat: lat!, lon: lon! } }) }
  })
}

export async function dropSite(id: string): Promise<Done> {
  return checked(() => deleteSite(db(), id))
}

export async function takeLeg(trialId: string, legId: string): Promise<Done> {
  return checked(() => takeKeptLeg(db(), trialId, legId))
}

export async function bringAreas(raw: unknown): Promise<Done<number>> {
  return checked(() => addAreas(db(), areasSchema.validateSync(raw) as NewArea[]))
}

export async function changeArea(raw: unknown): Promise<Done> {
  return checked(() => {
    const { id, revision, ...fields } = areaEditSchema.validateSync(raw)
    return editArea(db(), id, revision, fields)
  })
}

export async function dropArea(id: string): Promise<Done> {
  return checked(() => deleteArea(db(), id))
}

export async function dropBackdrop(id: string): Promise<Done> {
  return checked(() => deleteBackdrop(db(), id))
}
