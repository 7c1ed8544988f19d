'use client'

import { useMemo, useState } from 'react'
import {
  applyFix,
  assessRig,
  isBuilt,
  type AssessedRig,
  type Assembly,
  type Fix,
  type Part,
  type RigKind,
  type RigSettings,
  type ServiceRule,
} from '@/core/kit'
import { numberIn } from '@/ui/fields/NumberBox'
import { useUnitsChange } from '@/ui/fields/useUnitsChange'
import { fromLength, toLength, type Units } from '@/core/units'

/** What of a rig is typed, as it is typed. */
export interface RigFacts {
  letter: string
  name: string
  kind: RigKind
  txMHz: string
  rxMHz: string
  bandwidthKHz: string
  mode: string
  powerW: string
  antennaHeight: string
  wayIn: string
  spacing: string
  azimuthDeg: string
  tiltDeg: string
  note: string
}

export interface RigDraft {
  facts: RigFacts
  assembly: Assembly
}

const length = (metres: number | null, units: Units) =>
  metres === null ? '' : String(Number(toLength(metres, units).toFixed(2)))
const metresOf = (text: string, units: Units) => {
  const n = numberIn(text)
  return n === null ? null : fromLength(n, units)
}

/** The assembly with the typed lengths and angles in it. */
export function assemblyOf({ facts, assembly }: RigDraft, units: Units): Assembly {
  return {
    ...assembly,
    wayInM: metresOf(facts.wayIn, units),
    spacingM: metresOf(facts.spacing, units),
    pose: { azimuthDeg: numberIn(facts.azimuthDeg), tiltDeg: numberIn(facts.tiltDeg) },
  }
}

/** The draft as the border of forms takes it. */
export function typedOf(draft: RigDraft, units: Units) {
  const { facts } = draft
  const height = metresOf(facts.antennaHeight, units)
  return {
    letter: facts.letter,
    name: facts.name,
    kind: facts.kind,
    txMHz: facts.txMHz,
    rxMHz: facts.rxMHz,
    bandwidthKHz: facts.bandwidthKHz,
    mode: facts.mode,
    powerW: facts.powerW,
    antennaHeightM: height ?? facts.antennaHeight,
    note: facts.note,
  }
}

/** What the rig is built of, as it is stored; null where no part is in it. */
export const builtOf = (draft: RigDraft, units: Units) =>
  isBuilt(draft.assembly) ? assemblyOf(draft, units) : null

/** The draft of a rig with its sums and problems, made anew at every change. */
export function useRigDraft(
  initial: RigDraft,
  parts: readonly Part[],
  service: ServiceRule | null,
  units: Units,
) {
  const [draft, setDraft] = useState(initial)
  const [begun] = useState(() => JSON.stringify(initial))
  const { facts } = draft
  useUnitsChange(units, (from, to) =>
    setDraft((d) => {
      const turned = (text: string) => (numberIn(text) === null ? text : length(metresOf(text, from), to))
      const { antennaHeight, wayIn, spacing } = d.facts
      return {
        ...d,
        facts: {
          ...d.facts,
          antennaHeight: turned(antennaHeight),
          wayIn: turned(wayIn),
          spacing: turned(spacing),
        },
      }
    }),
  )
  const settings = useMemo((): RigSettings | null => {
    const [txMHz, powerW] = [numberIn(facts.txMHz), numberIn(facts.powerW)]
    const antennaHeightM = metresOf(facts.antennaHeight, units)
    if (!txMHz || !powerW || !antennaHeightM || Math.min(txMHz, powerW, antennaHeightM) <= 0) return null
    const rxMHz = numberIn(facts.rxMHz)
    return { txMHz, rxMHz: rxMHz !== null && rxMHz > 0 ? rxMHz : null, powerW, antennaHeightM }
  }, [facts, units])
  const assessed = useMemo(
    (): AssessedRig | null =>
      settings && assessRig(assemblyOf(draft, units), settings, parts, service, units),
    [draft, settings, parts, service, units],
  )
  return {
    draft,
    /** Whether something differs from what is stored. */
    changed: JSON.stringify(draft) !== begun,
    settings,
    assessed,
    setFacts: (change: Partial<RigFacts>) => setDraft((d) => ({ ...d, facts: { ...d.facts, ...change } })),
    setAssembly: (change: (a: Assembly) => Assembly) =>
      setDraft((d) => ({ ...d, assembly: change(d.assembly) })),
    fix: (m: Fix) =>
      setDraft((d) => {
        const made = applyFix(d.assembly, m)
        return {
          assembly: made.assembly,
          facts: {
            ...d.facts,
            ...(made.powerW === undefined ? {} : { powerW: String(made.powerW) }),
            ...(made.antennaHeightM === undefined
              ? {}
              : { antennaHeight: length(made.antennaHeightM, units) }),
          },
        }
      }),
  }
}

export type HeldDraft = ReturnType<typeof useRigDraft>
