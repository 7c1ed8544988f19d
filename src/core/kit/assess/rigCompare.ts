import { isBuilt, partIdsOf, placeParts, type Assembly } from '../rig/assembly'
import { LINEAR_TO_CIRCULAR_DB, polarisationLossDb } from '@/core/rf'
import { heightText, type Units } from '@/core/units'
import type { Part, Polarisation } from '../parts/part'
import { dbText, wattText } from '../budget/trace'
import type { Rig } from '../rig/rig'

/** A rig as it is compared: its figures, and its parts where it is built of any. */
export interface ComparedRig {
  rig: Rig
  assembly: Assembly | null
  bandwidthKHz: number | null
  mode: string
}

export const ATTRIBUTES = [
  'antenna',
  'power',
  'lead',
  'attenuator',
  'height',
  'carried',
  'polarisation',
  'pointing',
  'radio',
  'channel',
  'mode',
  'along',
] as const
export type Attribute = (typeof ATTRIBUTES)[number]

/** What becomes of a difference. */
export type Fate = 'same' | 'the question' | 'taken out' | 'left in' | 'not known'

export interface ComparisonRow {
  attribute: Attribute
  label: string
  /** By rig, in the order given. */
  values: string[]
  fate: Fate
  why: string
}

const LABELS: Record<Attribute, string> = {
  antenna: 'Antenna',
  power: 'Power',
  lead: 'Lead, adapters, match',
  attenuator: 'Attenuator',
  height: 'Height over ground',
  carried: 'Mount, on the body',
  polarisation: 'Polarisation',
  pointing: 'Pointing',
  radio: 'Radio',
  channel: 'Channel',
  mode: 'Mode and bandwidth',
  along: 'Radials and power',
}

const WHY: Record<Attribute, string> = {
  antenna: 'This is what the log will tell.',
  power: 'Known, so evening takes it out of the direction that it transmits in.',
  lead: 'Known, so evening takes it out of both directions.',
  attenuator: 'Known, so evening takes it out.',
  height: 'Left in. Plane earth can take it out if you ask, but only over open ground.',
  carried: 'Left in: what a body takes changes with every turn.',
  polarisation: 'Left in: reflections decide how much of the loss really comes.',
  pointing: 'Left in: it changes the pattern towards the base.',
  radio: 'Left in from base: another receiver, and another meter.',
  channel: 'Left in: match, gain and ground differ by frequency.',
  mode: 'Left in: it changes what it takes to be heard.',
  along: 'Left in: what stands under an antenna is part of it.',
}

const CROSS_POLAR_DB = 20

/** Everything by which rigs of one end differ or agree, and what becomes of it. */
export function compareRigs(
  rigs: readonly ComparedRig[],
  parts: readonly Part[],
  units: Units = 'metric',
): ComparisonRow[] {
  const described = rigs.map((r) => describe(r, parts, units))
  return ATTRIBUTES.map((attribute) => {
    const values = described.map((d) => d[attribute])
    const same = values.every((v) => v === values[0])
    return { attribute, label: LABELS[attribute], values, ...fateOf(attribute, rigs, described, same) }
  })
}

type Description = Record<Attribute, string> & { pol: Polarisation | null }

function describe(
  { rig, assembly, bandwidthKHz, mode }: ComparedRig,
  parts: readonly Part[],
  units: Units,
): Description {
  const channel = `${rig.txMHz} MHz${rig.rxMHz !== null && rig.rxMHz !== rig.txMHz ? `, hears ${rig.rxMHz}` : ''}`
  const loss = rig.leadLossDb === null ? 'not known' : dbText(rig.leadLossDb)
  const known = {
    power: wattText(rig.powerW),
    attenuator: dbText(rig.attenuatorDb),
    height: heightText(rig.antennaHeightM, units),
    channel,
    mode: `${mode}${bandwidthKHz === null ? '' : `, ${bandwidthKHz} kHz`}`,
  }
  if (!isBuilt(assembly))
    return {
      ...known,
      antenna: rig.antennaGainDbi === null ? `of ${rig.name}` : `${rig.antennaGainDbi} dBi`,
      lead: loss,
      carried: 'not said',
      polarisation: 'not said',
      pointing: 'not said',
      radio: 'not said',
      along: 'not said',
      pol: null,
    }
  const placed = placeParts(assembly, parts)
  const ports = placed.ports
  const names = (of: (port: (typeof ports)[number]) => string) => ports.map(of).join(' and ')
  const { azimuthDeg, tiltDeg } = assembly.pose
  const lossy = names((p) =>
    p.items
      .filter((i) => i.part.kind !== 'antenna' && i.part.kind !== 'attenuator')
      .map((i) => i.part.name)
      .join(', '),
  )
  return {
    ...known,
    antenna: names((p) => p.antenna?.name ?? (placed.radio?.spec.antennaFixed ? 'fixed' : 'none')),
    lead: lossy ? `${lossy}: ${loss}` : `none: ${loss}`,
    carried: names((p) => [p.mount?.name, p.mast?.name].filter(Boolean).join(' on ') || 'not said'),
    polarisation: names((p) => p.polarisation ?? 'not said'),
    pointing:
      azimuthDeg === null && tiltDeg === null
        ? 'not pointed'
        : `${azimuthDeg === null ? '' : `${azimuthDeg}°`}${tiltDeg === null ? '' : ` tilted ${tiltDeg}°`}`.trim(),
    radio: `${placed.radio?.name ?? 'none'}${assembly.radioUnitId ? ', one unit' : ''}`,
    along: placed.along.map((p) => p.name).join(', ') || 'nothing',
    pol: ports[0]?.polarisation ?? null,
  }
}

function fateOf(
  attribute: Attribute,
  rigs: readonly ComparedRig[],
  described: readonly Description[],
  same: boolean,
): { fate: Fate; why: string } {
  if (same) return { fate: 'same', why: 'The same for all.' }
  const why = WHY[attribute]
  if (attribute === 'antenna')
    return rigs.every((r) => r.rig.antennaGainDbi !== null)
      ? {
          fate: 'taken out',
          why: 'All gains are measured, so evening takes them out; what is left is pattern and place.',
        }
      : { fate: 'the question', why }
  if (attribute === 'lead')
    return rigs.every((r) => r.rig.leadLossDb !== null)
      ? { fate: 'taken out', why }
      : { fate: 'not known', why: 'Not known for all, so it stays in. Enter the lead’s kind and length.' }
  if (attribute === 'power' || attribute === 'attenuator') return { fate: 'taken out', why }
  if (attribute === 'polarisation') return { fate: 'left in', why: `${why} ${polarisationWords(described)}` }
  return { fate: 'left in', why }
}

function polarisationWords(described: readonly Description[]): string {
  const known = described.flatMap((d) => (d.pol ? [d.pol] : []))
  if (known.includes('circular') && known.some((p) => p !== 'circular'))
    return `Between linear and circular it is ${LINEAR_TO_CIRCULAR_DB.toFixed(0)} dB.`
  if (!known.includes('vertical') || !known.includes('horizontal')) return ''
  return `Crossed in free space it would be up to ${polarisationLossDb(90, CROSS_POLAR_DB).toFixed(0)} dB.`
}

/** How unfair a comparison is, in a sentence: what differs and stays in beside the question. */
export function fairnessWords(rows: readonly ComparisonRow[]): { fair: boolean; words: string } {
  const leftIn = rows.filter((r) => r.fate === 'left in' || r.fate === 'not known')
  const questions = rows.filter((r) => r.fate === 'the question')
  const taken = rows.filter((r) => r.fate === 'taken out')
  const list = (of: readonly ComparisonRow[]) => of.map((r) => r.label.toLowerCase()).join('; ')
  const out = taken.length > 0 ? ` Evening takes out: ${list(taken)}.` : ''
  if (questions.length + leftIn.length === 0)
    return { fair: true, words: `Nothing differs that evening does not take out.${out}` }
  if (questions.length + leftIn.length === 1)
    return {
      fair: true,
      words: `They differ in one thing: ${list([...questions, ...leftIn])}. That is what the trial will tell.${out}`,
    }
  return {
    fair: false,
    words: `They differ in ${questions.length + leftIn.length} things at once: ${list([...questions, ...leftIn])}. A winner could owe it to any of them.${out}`,
  }
}

/** What a built rig has that another has not, part by part. */
export interface PartDifference {
  only: 'first' | 'second'
  name: string
}

/** Compares two rigs part by part, counting each part as often as it is used. */
export function partDifferences(a: Assembly, b: Assembly, parts: readonly Part[]): PartDifference[] {
  const count = (x: Assembly) =>
    partIdsOf(x).reduce((m, id) => m.set(id, (m.get(id) ?? 0) + 1), new Map<string, number>())
  const [ca, cb] = [count(a), count(b)]
  const name = (id: string) => parts.find((p) => p.id === id)?.name ?? 'a part that is gone'
  return [...new Set([...ca.keys(), ...cb.keys()])].flatMap((id): PartDifference[] => {
    const d = (ca.get(id) ?? 0) - (cb.get(id) ?? 0)
    if (d === 0) return []
    const times = Math.abs(d) > 1 ? `${Math.abs(d)} × ` : ''
    return [{ only: d > 0 ? 'first' : 'second', name: `${times}${name(id)}` }]
  })
}
