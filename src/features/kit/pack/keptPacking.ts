import type { PackingState } from '@/data/schema'

const listeners = new Set<() => void>()
const held = new Map<string, string>()
const keyOf = (trialId: string) => `packing ${trialId}`
const told = () => listeners.forEach((l) => l())

/** Calls when what is kept changes; gives back how to stop it. */
export function onPackingKept(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** What of a trial's packing is on this device and not stored yet, as JSON; null if nothing is. */
export function keptPacking(trialId: string): string | null {
  const here = held.get(trialId)
  if (here !== undefined) return here
  try {
    const text = localStorage.getItem(keyOf(trialId))
    if (text !== null) JSON.parse(text)
    return text
  } catch {
    return null
  }
}

/** Keeps it on this device until it is stored. */
export function keepPacking(trialId: string, packing: PackingState): void {
  const text = JSON.stringify(packing)
  held.set(trialId, text)
  try {
    localStorage.setItem(keyOf(trialId), text)
  } catch {
    // It is held for this visit then.
  }
  told()
}

/** Forgets what was stored, unless it has been changed since. */
export function forgetPacking(trialId: string, stored: string): void {
  if (keptPacking(trialId) === stored) {
    held.delete(trialId)
    try {
      localStorage.removeItem(keyOf(trialId))
    } catch {
      // Nothing was kept there.
    }
  }
  told()
}
