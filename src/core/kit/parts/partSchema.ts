import * as yup from 'yup'
import { flag, MAX_LETTERS, record, text } from '@/core/schema'
import type { Outcome } from '@/core/outcome'
import { CONNECTOR_FAMILIES } from './connectors'
import { readBands, readPairs, readPowers } from './listText'
import type { PartKind } from './part'
import { PART_FIELDS, type PartField } from './partFields'

const isText = (v: unknown): v is string => typeof v === 'string'

/** A number typed by a person: comma or point; empty is null. */
function typedNumber() {
  return yup
    .number()
    .transform((value: unknown, original: unknown) => {
      if (original === null || original === undefined || String(original).trim() === '') return null
      const n = Number(String(original).trim().replace(',', '.'))
      return Number.isNaN(n) ? value : n
    })
    .typeError('This is not a number')
    .nullable()
    .default(null)
}

/** A list typed as text, or already a list. The reader's own message is the refusal. */
function typedList<T>(read: (text: string) => Outcome<T[]>) {
  return yup
    .mixed<T[]>()
    .default([])
    .transform((value: unknown) => {
      if (!isText(value)) return value
      const outcome = read(value)
      return outcome.ok ? outcome.value : new Error(outcome.problems[0]!.message)
    })
    .test('list', (value, context) => {
      if (Array.isArray(value)) return true
      return context.createError({
        message:
          (value as unknown) instanceof Error ? (value as unknown as Error).message : 'A list is wanted',
      })
    })
}

const connector = () =>
  record({
    family: yup
      .string()
      .oneOf(
        CONNECTOR_FAMILIES.map((f) => f.id),
        'This is no connector that is known here',
      )
      .required(),
    gender: yup.string().oneOf(['male', 'female']).required(),
    reverse: flag().default(false),
  })
    .nullable()
    .default(null)

function pairs(field: PartField & { type: 'pairs' }) {
  const { x, y, leastY, aboveY, example } = field
  return typedList<Record<string, number>>((text) => {
    const outcome = readPairs(text, example)
    return outcome.ok ? { ok: true, value: outcome.value.map(([a, b]) => ({ [x]: a, [y]: b })) } : outcome
  }).test('range', (list, context) => {
    if (!Array.isArray(list)) return true
    const wrong = list.findIndex(
      (p) => (leastY !== undefined && p[y]! < leastY) || (aboveY !== undefined && !(p[y]! > aboveY)),
    )
    if (wrong >= 0)
      return context.createError({
        message: `Point ${wrong + 1}: ${list[wrong]![y]} must be ${leastY !== undefined ? `${leastY} or more` : `above ${aboveY}`}${y === 'swr' ? '; an SWR is never below 1' : ''}`,
      })
    const noFrequency = x === 'frequencyMHz' ? list.findIndex((p) => !(p[x]! > 0)) : -1
    if (noFrequency >= 0)
      return context.createError({ message: `Point ${noFrequency + 1}: a frequency is above 0 MHz` })
    return true
  })
}

function gain(needsReference: boolean) {
  return record({
    value: typedNumber().min(-60, 'At least -60 dB').max(60, 'At most 60 dB'),
    reference: yup.string().oneOf(['dBi', 'dBd']).nullable().default(null),
  })
    .nullable()
    .default(null)
    .transform((v: { value?: unknown } | null) =>
      v && (v.value === '' || v.value === null || v.value === undefined) ? null : v,
    )
    .test(
      'reference',
      'Gain against what? Choose dBi or dBd; they are 2.15 dB apart',
      (v) => v === null || !needsReference || v.reference !== null,
    )
}

// A schema's own types do not matter here: each kind's spec is checked as a whole.
type AnySchema = yup.Schema<unknown, yup.AnyObject, unknown, '' | 'd'>

function schemaOfField(field: PartField): AnySchema {
  switch (field.type) {
    case 'number': {
      const u = field.unit ? ` ${field.unit}` : ''
      let s = typedNumber()
      if (field.min !== undefined)
        s = s.min(
          field.min,
          `At least ${field.min}${u}${field.min === 0 ? ': a negative one makes no sense' : ''}`,
        )
      if (field.above !== undefined) s = s.moreThan(field.above, `Must be above ${field.above}${u}`)
      if (field.max !== undefined) s = s.max(field.max, `At most ${field.max}${u}`)
      return field.needed ? s.test('given', `${field.label} is missing`, (v) => v !== null) : s
    }
    case 'text':
      return text(200).default('')
    case 'choice':
      return yup
        .string()
        .nullable()
        .default(null)
        .transform((v: unknown) => (v === '' ? null : v))
        .oneOf(
          field.options.flatMap((o) => (o.value === null ? [] : [o.value])),
          `${field.label}: choose one of the list`,
        )
    case 'flag':
      return flag().default(false)
    case 'connector':
      return field.needed
        ? connector().test('given', `${field.label} is missing`, (v) => v !== null)
        : connector()
    case 'bands':
      return typedList(readBands)
    case 'powers':
      return typedList(readPowers)
    case 'gain':
      return gain(field.needsReference)
    case 'pairs':
      return pairs(field)
  }
}

const BOUNDS: Partial<Record<PartKind, { low: string; high: string; words: string }>> = {
  mast: { low: 'lowestM', high: 'highestM', words: 'The highest must not be below the lowest' },
  mount: { low: 'tubeFromMm', high: 'tubeToMm', words: 'The largest tube must not be below the smallest' },
}

const cache = new Map<PartKind, yup.ObjectSchema<yup.AnyObject>>()

/** What a kind's spec must be; takes it as typed in the form or as it is stored. */
export function specSchema(kind: PartKind): yup.ObjectSchema<yup.AnyObject> {
  const known = cache.get(kind)
  if (known) return known
  const shape = Object.fromEntries(PART_FIELDS[kind].map((f) => [f.name, schemaOfField(f)]))
  let schema: yup.ObjectSchema<yup.AnyObject> = record(shape)
  const bounds = BOUNDS[kind]
  if (bounds)
    schema = schema.test('bounds', (v, context) => {
      const [low, high] = [v[bounds.low] as number | null, v[bounds.high] as number | null]
      if (low === null || high === null || high >= low) return true
      return context.createError({
        path: `${context.path ? `${context.path}.` : ''}${bounds.high}`,
        message: bounds.words,
      })
    })
  cache.set(kind, schema)
  return schema
}

/** What every part has beside its kind's spec. */
export const partCommonSchema = record({
  name: text(80).required('A name is missing'),
  owned: typedNumber()
    .integer('A whole number')
    .min(0, 'At least 0')
    .max(999, 'At most 999')
    .test('given', 'How many there are is missing', (v) => v !== null),
  weightG: typedNumber().min(0, 'At least 0').max(1_000_000, 'At most 1 000 000 g'),
  wornMm: typedNumber().min(0, 'At least 0').max(20_000, 'At most 20 000 mm'),
  price: typedNumber().min(0, 'At least 0').max(1_000_000, 'At most 1 000 000'),
  note: text(MAX_LETTERS.note).default(''),
})
