import { connectorPairLossDb, fitLineLoss, matchedLossDb, TYPICAL_LINES, type LineLoss } from '@/core/rf'
import { swrOfGamma, gammaOfSwr } from '@/core/rf/reflection'
import type { AntennaSpec, ChainPart, LeadSpec } from '../parts/part'
import type { Trace } from './trace'

/** Line constants of a lead: its data sheet's points, else its kind's typical figures. */
export function lineOf(spec: LeadSpec): LineLoss & { source: string } {
  if (spec.points.length > 0)
    return { ...fitLineLoss(spec.points), source: 'the data sheet’s points, least squares' }
  const line = TYPICAL_LINES.find((l) => l.id === spec.line)
  if (!line) throw new RangeError(`"${spec.line}" is no kind of line that is known here`)
  return { k1: line.k1, k2: line.k2, source: `typical ${line.name}` }
}

/** Loss of a part when matched, dB, with how it was come by. An antenna loses nothing here. */
export function matchedLossOf(part: ChainPart, frequencyMHz: number): { db: number; trace: Trace } {
  const f = { name: 'Frequency', value: `${frequencyMHz} MHz` }
  if (part.kind === 'lead') {
    const line = lineOf(part.spec)
    return {
      db: matchedLossDb(line, { frequencyMHz, lengthM: part.spec.lengthM }),
      trace: {
        inputs: [
          f,
          { name: 'Length', value: `${part.spec.lengthM} m` },
          { name: 'k1, k2', value: `${Number(line.k1.toPrecision(4))}, ${Number(line.k2.toPrecision(3))}` },
        ],
        formula: '(k1 √f + k2 f) · length / 100 m',
        source: line.source,
      },
    }
  }
  if (part.kind === 'adapter') {
    const db = part.spec.lossDb ?? connectorPairLossDb(frequencyMHz)
    const source =
      part.spec.lossDb === null ? 'typical of one good pair of connectors' : 'entered with the part'
    return { db, trace: { inputs: [f], formula: 'Loss of the adapter', source } }
  }
  const db = part.kind === 'attenuator' ? part.spec.db : part.kind === 'antenna' ? 0 : part.spec.lossDb
  return { db, trace: { inputs: [f], formula: 'Loss as entered', source: 'entered with the part' } }
}

/** SWR of an antenna at a frequency from its measured points. */
export interface AntennaSwr {
  /** Null where nobody has measured it. */
  swr: number | null
  /** The frequency lies outside what was measured: the nearest point stands for it. */
  outside: boolean
}

/** Interpolates |Γ| between the measured points; outside them the nearest stands. */
export function antennaSwr(spec: AntennaSpec, frequencyMHz: number): AntennaSwr {
  if (spec.swr.length === 0) return { swr: null, outside: false }
  const points = [...spec.swr].sort((p, q) => p.frequencyMHz - q.frequencyMHz)
  const [first, last] = [points[0]!, points[points.length - 1]!]
  if (frequencyMHz <= first.frequencyMHz)
    return { swr: first.swr, outside: frequencyMHz < first.frequencyMHz }
  if (frequencyMHz >= last.frequencyMHz) return { swr: last.swr, outside: frequencyMHz > last.frequencyMHz }
  const i = points.findIndex((p) => p.frequencyMHz >= frequencyMHz)
  const [p, q] = [points[i - 1]!, points[i]!]
  const share = (frequencyMHz - p.frequencyMHz) / (q.frequencyMHz - p.frequencyMHz)
  const gamma = gammaOfSwr(p.swr) + share * (gammaOfSwr(q.swr) - gammaOfSwr(p.swr))
  return { swr: swrOfGamma(gamma), outside: false }
}

/** The setting that the maker's chart gives for a frequency, straight between its points; null outside them. */
export function settingFor(spec: AntennaSpec, frequencyMHz: number): number | null {
  const points = [...spec.settings].sort((p, q) => p.frequencyMHz - q.frequencyMHz)
  const i = points.findIndex((p) => p.frequencyMHz >= frequencyMHz)
  if (i === -1 || points.length === 0) return null
  if (points[i]!.frequencyMHz === frequencyMHz) return points[i]!.setting
  if (i === 0) return null
  const [p, q] = [points[i - 1]!, points[i]!]
  return (
    p.setting +
    ((q.setting - p.setting) * (frequencyMHz - p.frequencyMHz)) / (q.frequencyMHz - p.frequencyMHz)
  )
}
