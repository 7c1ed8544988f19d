'use client'

import { useSyncExternalStore } from 'react'
import type { Units } from '@/core/units'
import type { FieldThemeName } from './theme'
import type { Role } from '../log/useRunLog'

/** How this device is used out there; kept on it. */
export interface FieldSettings {
  theme: FieldThemeName
  role: Role
  leftHanded: boolean
  tones: boolean
  spoken: boolean
  vehicle: boolean
  /** Nothing is known on the spot: checks are sent only, and graded from a recording. */
  sendOnly: boolean
  /** Turn back at, local time hh:mm; empty for none. */
  turnBack: string
  /** After so many minutes without a check somebody asks, 0 for none. */
  missedMinutes: number
  /** Identify every so many minutes, 0 for never. */
  identifyMinutes: number
  callSign: string
}

const USUAL: FieldSettings = {
  theme: 'sun',
  role: 'out there',
  leftHanded: false,
  tones: false,
  spoken: false,
  vehicle: false,
  sendOnly: false,
  turnBack: '',
  missedMinutes: 0,
  identifyMinutes: 10,
  callSign: '',
}

const KEY = 'field settings'
const listeners = new Set<() => void>()
let held: FieldSettings | null = null

function read(): FieldSettings {
  if (held) return held
  try {
    held = { ...USUAL, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<FieldSettings>) }
  } catch {
    held = USUAL
  }
  return held
}

export function changeSettings(change: Partial<FieldSettings>): void {
  held = { ...read(), ...change }
  try {
    localStorage.setItem(KEY, JSON.stringify(held))
  } catch {
    // They hold for this visit then.
  }
  listeners.forEach((l) => l())
}

export function useFieldSettings(): FieldSettings {
  return useSyncExternalStore(
    (l) => {
      listeners.add(l)
      return () => listeners.delete(l)
    },
    read,
    () => USUAL,
  )
}

/** The units this browser chose; metric until it does. */
export function chosenUnits(): Units {
  return /(?:^|; )units=imperial/.test(document.cookie) ? 'imperial' : 'metric'
}
