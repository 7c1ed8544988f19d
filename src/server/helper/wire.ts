import type { FieldOf } from '@/core/model/byTwo'

/** How far a piece of work is, in memory that both threads see. */
export const WAITS = 0
export const BEGUN = 1
export const DONE = 2
/** Whoever asked does it. */
export const TAKEN_BACK = 3

/** A piece of work that the other thread is asked for. */
export interface Asked {
  kind: 'work'
  id: number
  laid: number
  task: string
  ask: unknown
  state: Int32Array
}

/** What the other thread is told. */
export type Told = Asked | { kind: 'lay'; laid: number; of: FieldOf } | { kind: 'clear'; laid: number }

/** What comes of it. */
export interface Answered {
  id: number
  made: unknown
}
