import { bandsText, endText, statedDbi, wattText, type Part } from '@/core/kit'
import { TYPICAL_LINES } from '@/core/rf'
import { lengthUnit, toLength, toShown, shownUnit, type Units } from '@/core/units'

export const KIND_NAMES: Record<Part['kind'], [one: string, many: string]> = {
  radio: ['Radio', 'Radios'],
  antenna: ['Antenna', 'Antennas'],
  lead: ['Lead', 'Leads'],
  adapter: ['Adapter', 'Adapters'],
  attenuator: ['Attenuator', 'Attenuators'],
  protector: ['Surge protector', 'Surge protectors'],
  switch: ['Switch', 'Switches'],
  choke: ['Choke', 'Chokes'],
  transformer: ['Transformer', 'Transformers'],
  radials: ['Radials', 'Radials and counterpoises'],
  'power feeder': ['Power feeder', 'Feeders of power over a data cable'],
  mount: ['Mount', 'Mounts'],
  mast: ['Mast', 'Masts'],
  battery: ['Battery', 'Batteries'],
  other: ['Other', 'Everything else'],
}

const metres = (m: number, units: Units) => `${Number(toLength(m, units).toFixed(2))} ${lengthUnit(units)}`
const tubes = (mm: number | null, units: Units) => (mm === null ? '?' : String(toShown(mm, 'mm', units)))

/** A part's main facts in a line. */
export function partFacts(part: Part, units: Units): string {
  const facts: (string | null | undefined | false)[] = []
  switch (part.kind) {
    case 'radio':
      facts.push(
        bandsText(part.spec.bands),
        part.spec.powers
          .map((p) => (p.powerW === null ? `${p.name}, not measured` : wattText(p.powerW)))
          .join(', '),
        part.spec.antennaFixed ? 'fixed antenna' : part.spec.connector && endText(part.spec.connector),
      )
      break
    case 'antenna': {
      const measured = statedDbi(part.spec.gain)
      const claimed = part.spec.claimedGain
      facts.push(
        bandsText(part.spec.bands),
        measured !== null
          ? `${measured.toFixed(1)} dBi measured`
          : claimed
            ? `claims ${claimed.value} ${claimed.reference ?? 'dB, against what?'}`
            : 'gain not known',
        part.spec.needs !== 'nothing' && `needs a ${part.spec.needs}`,
        part.spec.connector && endText(part.spec.connector),
      )
      break
    }
    case 'lead':
      facts.push(
        metres(part.spec.lengthM, units),
        part.spec.points.length > 0
          ? 'by its data sheet'
          : TYPICAL_LINES.find((l) => l.id === part.spec.line)?.name,
        `${endText(part.spec.a)} to ${endText(part.spec.b)}`,
      )
      break
    case 'adapter':
      facts.push(`${endText(part.spec.a)} to ${endText(part.spec.b)}`)
      break
    case 'attenuator':
      facts.push(
        `${part.spec.db} dB`,
        `takes ${wattText(part.spec.ratingW)}`,
        `${endText(part.spec.a)} to ${endText(part.spec.b)}`,
      )
      break
    case 'protector':
    case 'switch':
    case 'choke':
    case 'transformer':
      facts.push(
        `${part.spec.lossDb} dB`,
        bandsText(part.spec.bands),
        part.spec.a ? endText(part.spec.a) : 'clips on',
      )
      break
    case 'radials':
      facts.push(`${part.spec.count} of ${metres(part.spec.lengthM, units)}`)
      break
    case 'power feeder':
      facts.push(`${part.spec.supplyV} V`, `${metres(part.spec.cableM, units)} of cable`)
      break
    case 'mount':
      facts.push(
        part.spec.place,
        part.spec.metal && 'metal under it',
        part.spec.bodyLossDb !== null && `takes ${part.spec.bodyLossDb} dB`,
        part.spec.tubeFromMm !== null &&
          `tubes ${tubes(part.spec.tubeFromMm, units)} to ${tubes(part.spec.tubeToMm, units)} ${shownUnit('mm', units)}`,
      )
      break
    case 'mast':
      facts.push(
        `${metres(part.spec.lowestM, units)} to ${metres(part.spec.highestM, units)}`,
        part.spec.tubeMm !== null && `tube ${tubes(part.spec.tubeMm, units)} ${shownUnit('mm', units)}`,
      )
      break
    case 'battery':
      facts.push(`${part.spec.capacityAh} Ah`, `${part.spec.volts} V`, part.spec.chemistry)
      break
    case 'other':
      facts.push(part.spec.use)
  }
  return facts.filter(Boolean).join(' · ')
}
