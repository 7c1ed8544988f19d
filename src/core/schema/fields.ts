import * as yup from 'yup'
import { MAX_LETTERS } from './limits'

// Yup turns what it is given into what is wanted: "10" into 10, 57 into "57", "[1]" into a list. At a border that
// hides what came in, so these take nothing but what they name. A form that takes typed text says so itself.

/** Takes a schema's own conversions away. */
function strict<S extends yup.AnySchema>(schema: S): S {
  const bare = schema.clone()
  bare.transforms = []
  return bare
}

/** A text, and nothing that could be read as one. Ends are trimmed; the longest is said, or {@link MAX_LETTERS}'s note. */
export const text = (longest: number = MAX_LETTERS.note) =>
  strict(yup.string())
    .typeError('${path} must be a text')
    .transform((v: unknown) => (typeof v === 'string' ? v.trim() : v))
    .max(longest, ({ path }: { path: string }) => `${path} may have at most ${longest} letters`)

/** An id: letters, digits and a few signs, and none of the names that an object has of its own. */
export const id = () =>
  strict(yup.string())
    .typeError('${path} must be an id')
    .max(MAX_LETTERS.id)
    .test(
      'id',
      '${path} is no id',
      (v) => v == null || (/^[^\s\u0000-\u001f]+( [^\s\u0000-\u001f]+)*$/.test(v) && isKey(v)),
    )
    .required()

/** A number that is one: a text is not, nor is what is not finite. */
export const figure = () =>
  strict(yup.number())
    .typeError('${path} must be a number')
    .test('finite', '${path} must be a finite number', (v) => v == null || Number.isFinite(v))

export const flag = () => strict(yup.boolean()).typeError('${path} must be true or false')

/** A moment, UTC, as ISO 8601. */
export const moment = () =>
  strict(yup.string())
    .typeError('${path} must be a time')
    .max(40)
    .datetime('${path} must be a time such as 2026-05-16T08:00:00Z')

/** One of a list of words. */
export const oneOf = <const T extends string>(words: readonly T[]) =>
  strict(yup.string())
    .typeError('${path} must be a text')
    .oneOf(words, ({ path }: { path: string }) => `${path} must be one of: ${words.join(', ')}`)
    .required()

/** A list of at most so many. */
export const list = <T>(of: yup.ISchema<T, yup.AnyObject>, most: number) =>
  strict(yup.array<yup.AnyObject, T>(of))
    .typeError('${path} must be a list')
    .max(most, ({ path }: { path: string }) => `${path} may have at most ${most}`)

const isPlain = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' &&
  v !== null &&
  !Array.isArray(v) &&
  [Object.prototype, null].includes(Object.getPrototypeOf(v) as null)

/** The names that every object has; as a key they would change it. */
const isKey = (v: string) => !(v in Object.prototype) && v !== 'prototype'

/** Whether something that was read as JSON has such a name anywhere in it. */
export const hasStrangeNames = (v: unknown): boolean =>
  Array.isArray(v)
    ? v.some(hasStrangeNames)
    : isPlain(v) && Object.entries(v).some(([key, inner]) => !isKey(key) || hasStrangeNames(inner))

/** An object of just these fields; another one is refused by its name. */
export const record = <F extends yup.ObjectShape>(fields: F) => {
  const known = new Set(Object.keys(fields))
  return strict(yup.object(fields))
    .transform((v: unknown) => (isPlain(v) && !Object.keys(v).every(isKey) ? 'strange names' : v))
    .typeError('${path} must be an object')
    .test(
      'plain',
      '${path} must be an object',
      (_, { originalValue }) => originalValue == null || isPlain(originalValue),
    )
    .test('known', (_, context) => {
      const given: unknown = context.originalValue
      const strange = isPlain(given) ? Object.keys(given).find((k) => !known.has(k)) : undefined
      if (strange === undefined) return true
      const where = context.path ? `${context.path}.${strange}` : strange
      return context.createError({
        path: where,
        message: `${context.path || 'This'} has something unknown in it: ${strange}`,
      })
    })
}

/** An object of which just these fields are taken; what else it holds is left out of what is stored. */
export const picked = <F extends yup.ObjectShape>(fields: F) =>
  strict(yup.object(fields))
    .transform((v: unknown) => (isPlain(v) && Object.keys(v).every(isKey) ? v : v === undefined ? v : null))
    .typeError('${path} must be an object')
    .noUnknown()

/** An object whose keys are ids and whose values are all of one kind. */
export const dictionary = <T>(value: yup.Schema<T>, most = 200) =>
  yup
    .mixed<Record<string, T>>()
    .test('dictionary', (given, context) => {
      if (given == null) return true
      const wrong = (message: string, key = '') =>
        context.createError({ path: [context.path, key].filter(Boolean).join('.'), message })
      if (!isPlain(given)) return wrong(`${context.path} must be an object`)
      const keys = Object.keys(given)
      if (keys.length > most) return wrong(`${context.path} may have at most ${most} keys`)
      for (const key of keys) {
        if (!isKey(key) || key.length > MAX_LETTERS.id) return wrong(`${key.slice(0, 40)} is no key`, key)
        try {
          value.validateSync(given[key])
        } catch (e) {
          if (!(e instanceof yup.ValidationError)) throw e
          return wrong(e.message.replace('this', key), key)
        }
      }
      return true
    })
    .required()

/** One of several kinds of record, told apart by a field: each kind is its fields, besides the one that names it. */
export function variant<Tag extends string, K extends Record<string, yup.ObjectShape>>(tag: Tag, kinds: K) {
  type Of = {
    [k in keyof K & string]: { [t in Tag]: k } & yup.InferType<
      yup.ObjectSchema<yup.TypeFromShape<K[k], object>>
    >
  }[keyof K & string]
  const names = Object.keys(kinds)
  const schemas = new Map(
    names.map((name) => [name, record({ [tag]: oneOf([name]), ...kinds[name] }).required()]),
  )
  const unknown = record({ [tag]: oneOf(names) }).required()
  return yup.lazy((given: unknown) => {
    const kind =
      typeof given === 'object' && given !== null ? (given as Record<string, unknown>)[tag] : undefined
    return (schemas.get(kind as string) ?? unknown) as unknown as yup.Schema<Of>
  })
}
