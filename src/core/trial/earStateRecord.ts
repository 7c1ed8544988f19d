import type { InferType } from 'yup'
import { list, oneOf, record, text } from '@/core/schema'

const earState = record({
  name: text(80).required('Each state by ear needs a name'),
  /** clear: all copied; broken: some of it; lost: none. */
  means: oneOf(['clear', 'broken', 'lost']),
})

/** A state of a continuous signal that a trial tells apart by ear, and what it means for copying it. */
export type EarState = InferType<typeof earState>

/** The states that a trial tells apart. */
export const earStateList = list(earState.required(), 8)
