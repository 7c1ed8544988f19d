'use server'

import { MEASUREMENT_KINDS, measurementSchema, type NewMeasurement } from '@/core/bench'
import { DONE, type Outcome } from '@/core/outcome'
import { checked, figure, id, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import { addMeasurement, db, deleteMeasurement, editMeasurement, letPartGoBy } from '@/data'
import { act } from '@/server/act'

const kindOf = record({ kind: oneOf(MEASUREMENT_KINDS) })
const one = record({ id: id() })

/** Keeps a measurement; its part goes by it from now on. @returns its id */
export async function keepMeasurement(raw: NewMeasurement): Promise<Outcome<string>> {
  const kind = checked(kindOf, { kind: (raw as { kind?: unknown } | null)?.kind })
  if (!kind.ok) return kind
  return act(measurementSchema(kind.value.kind), raw, (v) => addMeasurement(db(), v as NewMeasurement))
}

const changed = record({
  id: id(),
  revision: figure().integer().required(),
  name: text(MAX_LETTERS.trialName).required('A measurement needs a name'),
  partId: id().nullable().defined(),
  conditions: text(MAX_LETTERS.shortNote).default(''),
})

export async function changeMeasurement(raw: unknown): Promise<Outcome<string>> {
  return act(changed, raw, ({ id: which, revision, ...change }) =>
    editMeasurement(
      db(),
      which,
      revision,
      change as { name: string; partId: string | null; conditions: string },
    ),
  )
}

export async function goByMeasurement(measurementId: string): Promise<Outcome> {
  return act(one, { id: measurementId }, (v) => letPartGoBy(db(), v.id))
}

export async function dropMeasurement(measurementId: string): Promise<Outcome> {
  return act(one, { id: measurementId }, (v) => {
    deleteMeasurement(db(), v.id)
    return DONE
  })
}
