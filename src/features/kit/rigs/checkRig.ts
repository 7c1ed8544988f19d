import { checked } from '@/core/schema'
import { rigSchema } from './rigSchema'

/** What was typed of a rig as it is stored, or what is wrong with it, field by field. */
export const checkRig = (typed: unknown) => checked(rigSchema, typed)
