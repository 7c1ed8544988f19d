'use server'

import { DONE, type Outcome } from '@/core/outcome'
import { figure, id, list, MAX_LETTERS, oneOf, record, text } from '@/core/schema'
import { db, setPacking } from '@/data'
import { act } from '@/server/act'

const packing = record({
  trialId: id(),
  packing: record({
    use: oneOf(['in turn', 'at once']),
    hours: figure().moreThan(0).max(1000).nullable().default(null),
    temperatureC: figure().min(-60).max(60).required(),
    ticked: list(text(MAX_LETTERS.report).required(), 1000).required(),
  }).required(),
})

/** Keeps what was ticked off, and for how long it is packed. */
export async function storePacking(trialId: string, raw: unknown): Promise<Outcome> {
  return act(packing, { trialId, packing: raw }, (v) => {
    setPacking(db(), v.trialId, v.packing)
    return DONE
  })
}
