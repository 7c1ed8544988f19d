import * as yup from 'yup'

const parse = (value: unknown, original: unknown): number | null | undefined => {
  const text = String(original ?? '').trim()
  if (text === '') return null
  const n = Number(text.replace(',', '.'))
  return Number.isNaN(n) ? (value as number) : n
}

/** A number typed by a person: comma or point; left empty it is null. */
export const decimal = () =>
  yup
    .number()
    .transform((value: unknown, original: unknown) => parse(value, original))
    .typeError('This is not a number')
    .nullable()
    .default(null)

/** The same, and it may not be left empty. */
export const neededDecimal = (what: string) =>
  decimal().test('given', `${what} is missing`, (v) => v !== null && v !== undefined)
