import type { Direction } from '@/core/kit/rig/rig'

export type OneWay = Exclude<Direction, 'loop'>

/** The ways that directions ask for; a loop asks for both. */
export const oneWays = (directions: readonly Direction[]): OneWay[] =>
  directions.includes('loop')
    ? ['to base', 'from base']
    : [...new Set(directions.filter((d): d is OneWay => d !== 'loop'))]
