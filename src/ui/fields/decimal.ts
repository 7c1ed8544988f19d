import * as yup from 'yup'
import { figure } from '@/core/schema'

const parse = (value: unknown, original: unknown): number | null | undefined => {
  const text = String(original ?? '').trim()
  if (text === '') return null
  const n = Number(text.replace(',', '.'))
  return Number.isNaN(n) ? (value as number) : n
}

/** A figure that may be left open, where a number comes as one and a text is refused. For the server. */
export const openFigure = () => figure().nullable().default(null)
export type OpenFigure = typeof openFigure

/** The same typed by a person: comma or point; left empty it is null. For forms. */
export const decimal: OpenFigure = () =>
  yup
    .number()
    .transform((value: unknown, original: unknown) => parse(value, original))
    .typeError('This is not a number')
    .nullable()
    .default(null)

/** One that may not be left empty. */
export const needed = (schema: ReturnType<OpenFigure>, what: string) =>
  schema.test('given', `${what} is missing`, (v) => v !== null && v !== undefined)
