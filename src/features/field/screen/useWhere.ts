import { useState } from 'react'
import { inverse } from '@/core/geo'
import {
  marksNow,
  placeOfBase,
  type EntryBody,
  type PositionFix,
  type RunLog,
  type TrialPlan,
} from '@/core/trial'
import { distanceText, distanceUnit, readDistance, type Units } from '@/core/units'
import type { FieldActions } from '../actions/useFieldActions'
import { fixOf, type Position } from '../position/positionSource'

/** Where one stands, by the position or as it was typed. */
export interface Where {
  /** From the base, m; null where it is not known. */
  distanceM: number | null
  fix: PositionFix | null
  /** The position tells it, so nothing need be typed. */
  byPosition: boolean
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
  const typedM = (): number | null => {
    const named = text.trim().toLowerCase()
    const mark = named && marksNow(plan, log).find((m) => m.name.toLowerCase() === named)
    return mark ? mark.distanceM : readDistance(text, distanceUnit(units))
  }
  const distanceM = byPosition ? inverse(base, position).distanceM : typedM()
  const words = distanceM === null ? 'not known yet' : `${distanceText(distanceM, units)} from the base`
  return { distanceM, fix: fixOf(position), byPosition, text, setText, words }
}

/**
 * Notes something where one is, or asks for the distance first.
 * @param key two taps of the same key at once are one
 */
export function noteThere(
  actions: FieldActions,
  where: Where,
  key: string,
  noted: (distanceM: number) => [body: EntryBody, words: string],
): Promise<void> {
  return actions.tapped(key, async () => {
    if (where.distanceM === null)
      return actions.setSaid('How far from the base? Type it, or use the position. Nothing is logged yet.')
    await actions.addEvent(...noted(where.distanceM))
  })
}
