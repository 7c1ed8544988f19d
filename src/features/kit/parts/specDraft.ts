import {
  bandsAsText,
  pairsAsText,
  PART_FIELDS,
  powersAsText,
  type ConnectorEnd,
  type PartField,
  type PartKind,
} from '@/core/kit'
import { fromShown, toShown, type Units } from '@/core/units'

/** A field as it is typed. */
export type DraftValue = string | boolean | ConnectorEnd | { value: string; reference: string } | null
export type SpecDraft = Record<string, DraftValue>

function shownField(field: PartField, value: unknown, units: Units): DraftValue {
  switch (field.type) {
    case 'number':
      return value === null || value === undefined
        ? ''
        : String(toShown(value as number, field.unit ?? '', units))
    case 'bands':
      return bandsAsText(value as never)
    case 'powers':
      return powersAsText(value as never)
    case 'pairs':
      return pairsAsText((value as Record<string, number>[]).map((p) => [p[field.x]!, p[field.y]!]))
    case 'gain': {
      const gain = value as { value: number; reference: string | null } | null
      return { value: gain ? String(gain.value) : '', reference: gain?.reference ?? '' }
    }
    case 'flag':
      return Boolean(value)
    case 'connector':
      return value as ConnectorEnd | null
    default:
      return (value as string | null) ?? ''
  }
}

/** A spec as the form shows it, in the user's units. */
export function draftOfSpec(kind: PartKind, spec: object, units: Units): SpecDraft {
  const values = spec as Record<string, unknown>
  return Object.fromEntries(
    PART_FIELDS[kind].map((f) => [f.name, shownField(f, f.name in values ? values[f.name] : f.start, units)]),
  )
}

/** What is typed in one system's units, in the other's. */
export function turnDraft(kind: PartKind, draft: SpecDraft, from: Units, to: Units): SpecDraft {
  const turned = PART_FIELDS[kind].flatMap((f) => {
    const value = draft[f.name]
    return f.type === 'number' && f.unit && typeof value === 'string'
      ? [[f.name, turnNumber(value, f.unit, from, to)]]
      : []
  })
  return { ...draft, ...Object.fromEntries(turned) }
}

/** A typed number in one system's unit, in the other's; what is no number stays. */
export function turnNumber(text: string, unit: string, from: Units, to: Units): string {
  return isNumber(text)
    ? String(toShown(fromShown(Number(text.replace(',', '.')), unit, from), unit, to))
    : text
}

const isNumber = (text: string) => text.trim() !== '' && !Number.isNaN(Number(text.replace(',', '.')))

/** What the form sends to the border: lengths and weights metric again, all else as typed. */
export function specOfDraft(kind: PartKind, draft: SpecDraft, units: Units): Record<string, unknown> {
  return Object.fromEntries(
    PART_FIELDS[kind].map((f) => {
      const value = draft[f.name]
      if (f.type === 'number' && typeof value === 'string' && isNumber(value))
        return [f.name, fromShown(Number(value.replace(',', '.')), f.unit ?? '', units)]
      if (f.type === 'gain' && value && typeof value === 'object' && 'value' in value)
        return [f.name, { value: value.value, reference: value.reference || null }]
      return [f.name, value]
    }),
  )
}
