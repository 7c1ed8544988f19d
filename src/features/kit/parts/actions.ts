'use server'

import { EXAMPLE_PARTS, partCommonSchema, PART_KINDS, specSchema, type NewPart } from '@/core/kit'
import { bad, DONE, good, refuse, type Outcome } from '@/core/outcome'
import { checked, figure, id, list, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import {
  addPaper,
  addPart,
  db,
  deletePaper,
  deletePart,
  deleteUnit,
  MAX_PAPER_BYTES,
  saveUnit,
  updatePart,
} from '@/data'
import { act } from '@/server/act'

const unitNote = record({
  day: text(10)
    .matches(/^\d{4}-\d\d-\d\d$/, 'A day is written as 2026-05-16')
    .required(),
  kind: oneOf(['defect on arrival', 'repair', 'note']),
  text: text(MAX_LETTERS.shortNote).required('Say what it was'),
})
const unitSchema = record({
  label: text(MAX_LETTERS.name).required('A unit needs a name, such as “handheld 2”'),
  condition: text(MAX_LETTERS.report).default(''),
  notes: list(unitNote.required(), 200).required(),
})

const partOf = record({ kind: oneOf(PART_KINDS) })

/** Checks a part as it was typed, kind by kind; each problem names its field. */
function checkedPart(raw: unknown): Outcome<NewPart> {
  const { kind, spec, ...common } = (typeof raw === 'object' && raw !== null ? raw : {}) as Record<
    string,
    unknown
  >
  const named = checked(partOf, { kind })
  if (!named.ok) return named
  const ofAll = checked(partCommonSchema, common)
  const own = checked(specSchema(named.value.kind), spec)
  if (ofAll.ok && own.ok)
    return good({
      ...ofAll.value,
      owned: ofAll.value.owned ?? 1,
      kind: named.value.kind,
      spec: own.value,
    } as unknown as NewPart)
  return bad(
    ...(ofAll.ok ? [] : ofAll.problems),
    ...(own.ok ? [] : own.problems.map((p) => ({ ...p, where: `spec.${p.where}` }))),
  )
}

const row = record({ partId: id().nullable().defined(), revision: figure().integer().required() })
const one = record({ id: id() })

/** Adds a part, or changes the one named. @returns its id */
export async function savePart(
  partId: string | null,
  revision: number,
  raw: unknown,
): Promise<Outcome<string>> {
  const part = checkedPart(raw)
  if (!part.ok) return part
  return act(row, { partId, revision }, (v) =>
    v.partId === null ? good(addPart(db(), part.value)) : updatePart(db(), v.partId, v.revision, part.value),
  )
}

/** Adds ready examples by their ids. @returns how many */
export async function addExamples(ids: string[]): Promise<Outcome<number>> {
  return act(record({ ids: list(id(), 500).required() }), { ids }, (v) => {
    const chosen = EXAMPLE_PARTS.filter((e) => v.ids.includes(e.id))
    if (chosen.length === 0) return refuse('Tick at least one.')
    db().transaction(() => chosen.forEach((e) => addPart(db(), e.part)))
    return good(chosen.length)
  })
}

export async function removePart(partId: string): Promise<Outcome> {
  return act(one, { id: partId }, (v) => deletePart(db(), v.id))
}

const unitRow = record({ unitId: id().nullable().defined(), partId: id(), unit: unitSchema.required() })

export async function storeUnit(
  unitId: string | null,
  partId: string,
  unit: unknown,
): Promise<Outcome<string>> {
  return act(unitRow, { unitId, partId, unit }, (v) => saveUnit(db(), v.unitId, v.partId, v.unit))
}

export async function removeUnit(unitId: string): Promise<Outcome> {
  return act(one, { id: unitId }, (v) => deleteUnit(db(), v.id))
}

const PAPER_TYPES = ['image/png', 'image/jpeg', 'image/webp', 'image/gif', 'application/pdf', 'text/plain']

/** Keeps a photo or a paper with a part. @returns its id */
export async function storePaper(partId: string, form: FormData): Promise<Outcome<string>> {
  return act(one, { id: partId }, async (v) => {
    const file = form.get('file')
    if (!(file instanceof File) || file.size === 0) return refuse('Choose a file that is not empty.')
    if (!PAPER_TYPES.includes(file.type))
      return refuse(
        `${file.name} is ${file.type || 'of an unknown kind'}. A photo (PNG, JPEG, WebP, GIF), a PDF or a plain text can be kept.`,
      )
    if (file.size > MAX_PAPER_BYTES)
      return refuse(`${file.name} is larger than 8 MB. Make it smaller, and add it again.`)
    const bytes = Buffer.from(await file.arrayBuffer())
    return addPaper(db(), v.id, { name: file.name.slice(0, MAX_LETTERS.line), type: file.type, bytes })
  })
}

export async function removePaper(paperId: string): Promise<Outcome> {
  return act(one, { id: paperId }, (v) => {
    deletePaper(db(), v.id)
    return DONE
  })
}
