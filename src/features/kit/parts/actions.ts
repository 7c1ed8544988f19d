'use server'

import { revalidatePath } from 'next/cache'
import * as yup from 'yup'
import {
  EXAMPLE_PARTS,
  partCommonSchema,
  PART_KINDS,
  specSchema,
  type NewPart,
  type PartKind,
} from '@/core/kit'
import {
  addPaper,
  addPart,
  db,
  deletePaper,
  deletePart,
  deleteUnit,
  done,
  LARGEST_PAPER,
  refuse,
  saveUnit,
  updatePart,
  type Done,
} from '@/data'

/** A form's refusal: what is wrong by field, so that it is shown where it was typed. */
export type FieldErrors = Record<string, string>
export type Saved = { ok: true; value: string } | { ok: false; message: string; fields: FieldErrors }

const unitSchema = yup.object({
  label: yup
    .string()
    .trim()
    .required('A unit needs a name, such as “handheld 2”')
    .max(60, 'At most 60 letters'),
  condition: yup.string().trim().max(200, 'At most 200 letters').default(''),
  notes: yup
    .array(
      yup
        .object({
          day: yup
            .string()
            .matches(/^\d{4}-\d\d-\d\d$/, 'A day is written as 2026-05-16')
            .required(),
          kind: yup
            .string()
            .oneOf(['defect on arrival', 'repair', 'note'] as const)
            .required(),
          text: yup.string().trim().required('Say what it was').max(500),
        })
        .required(),
    )
    .max(200)
    .required(),
})

/** Checks a part as it was typed, kind by kind. */
function checked(raw: unknown): { ok: true; value: NewPart } | { ok: false; fields: FieldErrors } {
  const { kind, spec, ...common } = raw as { kind: PartKind; spec: unknown }
  if (!PART_KINDS.includes(kind)) return { ok: false, fields: { kind: 'This is no kind of part' } }
  const fields: FieldErrors = {}
  const read = <T>(schema: yup.Schema<T>, value: unknown, prefix: string): T | null => {
    try {
      return schema.validateSync(value, { abortEarly: false })
    } catch (e) {
      if (!(e instanceof yup.ValidationError)) throw e
      for (const i of e.inner.length > 0 ? e.inner : [e]) fields[`${prefix}${i.path ?? ''}`] ??= i.message
      return null
    }
  }
  const readCommon = read(partCommonSchema, common, '')
  const readSpec = read(specSchema(kind), spec, 'spec.')
  if (!readCommon || !readSpec) return { ok: false, fields }
  return {
    ok: true,
    value: { ...readCommon, owned: readCommon.owned ?? 1, kind, spec: readSpec } as unknown as NewPart,
  }
}

/** Adds a part, or changes the one named. */
export async function savePart(id: string | null, revision: number, raw: unknown): Promise<Saved> {
  const part = checked(raw)
  if (!part.ok)
    return { ok: false, message: 'Some of it cannot be right; see the fields marked.', fields: part.fields }
  const result = id === null ? done(addPart(db(), part.value)) : updatePart(db(), id, revision, part.value)
  revalidatePath('/', 'layout')
  return result.ok ? result : { ...result, fields: {} }
}

/** Adds ready examples by their ids. @returns how many */
export async function addExamples(ids: string[]): Promise<Done<number>> {
  const chosen = EXAMPLE_PARTS.filter((e) => ids.includes(e.id))
  if (chosen.length === 0) return refuse('Tick at least one.')
  db().transaction(() => chosen.forEach((e) => addPart(db(), e.part)))
  revalidatePath('/', 'layout')
  return done(chosen.length)
}

export async function removePart(id: string): Promise<Done> {
  const result = deletePart(db(), id)
  revalidatePath('/', 'layout')
  return result
}

export async function storeUnit(id: string | null, partId: string, raw: unknown): Promise<Done<string>> {
  try {
    const result = saveUnit(db(), id, partId, unitSchema.validateSync(raw))
    revalidatePath('/', 'layout')
    return result
  } catch (e) {
    if (e instanceof yup.ValidationError) return refuse(e.message)
    throw e
  }
}

export async function removeUnit(id: string): Promise<Done> {
  const result = deleteUnit(db(), id)
  revalidatePath('/', 'layout')
  return result
}

const PAPER_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/gif', 'application/pdf', 'text/plain']

/** Keeps a photo or a paper with a part. */
export async function storePaper(partId: string, form: FormData): Promise<Done<string>> {
  const file = form.get('file')
  if (!(file instanceof File) || file.size === 0) return refuse('Choose a file that is not empty.')
  if (!PAPER_TYPES.includes(file.type))
    return refuse(
      `${file.name} is ${file.type || 'of an unknown kind'}. A photo (PNG, JPEG, WebP, GIF), a PDF or a plain text can be kept.`,
    )
  if (file.size > LARGEST_PAPER)
    return refuse(`${file.name} is larger than 8 MB. Make it smaller, and add it again.`)
  const bytes = Buffer.from(await file.arrayBuffer())
  const result = addPaper(db(), partId, { name: file.name.slice(0, 120), type: file.type, bytes })
  revalidatePath('/', 'layout')
  return result
}

export async function removePaper(id: string): Promise<void> {
  deletePaper(db(), id)
  revalidatePath('/', 'layout')
}
