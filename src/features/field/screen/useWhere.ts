import { useState } from 'react'
import { inverse } from '@/core/geo'
import { marksNow, type Mark, type PositionFix, type RunLog, type TrialPlan } from '@/core/trial'
import { distanceText, distanceUnit, readDistance, type Units } from '@/core/units'
import { placeOfBase } from '../position/newMark'
import type { Position } from '../position/positionSource'

/** Where one stands, by the position or as it was typed. */
export interface Where {
  /** From the base, m; null where it is not known. */
  distanceM: number | null
  bearingDeg: number | null
  fix: PositionFix | null
  /** The position tells it, so nothing need be typed. */
  byPosition: boolean
  /** A planned mark that was named. */
  mark: Mark | null
  text: string
  setText: (text: string) => void
  /** As it is said: "820 m from the base". */
  words: string
}

/** Where one is: by the position where there is one, else a distance or a mark's name as typed. */
export function useWhere(plan: TrialPlan, log: RunLog, position: Position | null, units: Units): Where {
  const [text, setText] = useState('')
  const base = placeOfBase(plan.base)
  const byPosition = base !== null && position !== null
  const fix = position && { lat: position.lat, lon: position.lon, accuracyM: position.accuracyM }
  if (byPosition) {
    const { distanceM, bearingDeg } = inverse(base, position)
    const words = `${distanceText(distanceM, units)} from the base`
    return { distanceM, bearingDeg, fix, byPosition, mark: null, text, setText, words }
  }
  const named = text.trim().toLowerCase()
  const mark = (named && marksNow(plan, log).find((m) => m.name.toLowerCase() === named)) || null
  const distanceM = mark?.distanceM ?? readDistance(text, distanceUnit(units))
  const words = distanceM === null ? 'not known yet' : `${distanceText(distanceM, units)} from the base`
  return { distanceM, bearingDeg: mark?.bearingDeg ?? null, fix, byPosition, mark, text, setText, words }
}
