'use client'

import { useSyncExternalStore } from 'react'
import type { FieldThemeName } from './theme'
import type { Role } from '../log/useRunLog'

/** How this device is used out there; kept on it, some of it for one run only. */
export interface FieldSettings {
  theme: FieldThemeName
  role: Role
  /** At the base, with nobody out there to log: both directions are logged here. */
  alone: boolean
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
  /** The desk sees where this device is. */
  share: boolean
}

const USUAL: FieldSettings = {
  theme: 'sun',
  role: 'out there',
  alone: false,
  leftHanded: false,
  tones: false,
  spoken: false,
  vehicle: false,
  sendOnly: false,
  turnBack: '',
  missedMinutes: 0,
  identifyMinutes: 10,
  callSign: '',
  share: false,
}

const KEY = 'field settings'
/** What belongs to a run, and is as usual again in the next. */
const OF_RUN = [
  'alone',
  'vehicle',
  'sendOnly',
  'turnBack',
  'share',
] as const satisfies (keyof FieldSettings)[]
const keyOfRun = (runId: string) => `${KEY} ${runId}`

const listeners = new Set<() => void>()
let held: { runId: string; settings: FieldSettings } | null = null

function kept(key: string): Partial<FieldSettings> {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<FieldSettings>
  } catch {
    return {}
  }
}

const usualOfRun = () => Object.fromEntries(OF_RUN.map((k) => [k, USUAL[k]]))

function read(runId: string): FieldSettings {
  if (held?.runId !== runId)
    held = { runId, settings: { ...USUAL, ...kept(KEY), ...usualOfRun(), ...kept(keyOfRun(runId)) } }
  return held.settings
}

/** Changes how this device is used, or how it is in the run that is open on it. */
export function changeSettings(change: Partial<FieldSettings>): void {
  if (!held) return
  const { runId } = held
  const settings = { ...held.settings, ...change }
  held = { runId, settings }
  const ofRun = Object.fromEntries(OF_RUN.map((k) => [k, settings[k]]))
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...settings, ...usualOfRun() }))
    localStorage.setItem(keyOfRun(runId), JSON.stringify(ofRun))
  } catch {
    // They hold for this visit then.
  }
  listeners.forEach((l) => l())
}

export function useFieldSettings(runId: string): FieldSettings {
  return useSyncExternalStore(
    (l) => {
      listeners.add(l)
      return () => listeners.delete(l)
    },
    () => read(runId),
    () => USUAL,
  )
}

/** Takes on where in a run the desk has put this device, once for each time that it does. */
export function takePost(runId: string, post: Role | null): void {
  if (post === null) return
  const key = `post ${runId}`
  try {
    if (localStorage.getItem(key) === post) return
    localStorage.setItem(key, post)
    localStorage.setItem(KEY, JSON.stringify({ ...kept(KEY), role: post }))
    localStorage.setItem(keyOfRun(runId), JSON.stringify({ ...kept(keyOfRun(runId)), alone: false }))
  } catch {
    return
  }
  held = null
  listeners.forEach((l) => l())
}
