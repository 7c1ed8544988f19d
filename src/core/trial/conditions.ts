/**
 * What is written down of a run's conditions: its key in the log, what it is called, an example, and its name
 * as a factor.
 */
export const CONDITIONS = [
  { key: 'weather', label: 'Weather', example: 'dry, wind from the west', factor: 'weather' },
  { key: 'ground', label: 'Ground', example: 'wet or dry', factor: 'wetness of the ground' },
  { key: 'leaf', label: 'Trees', example: 'in leaf or bare', factor: 'state of the trees' },
  { key: 'band', label: 'Band', example: 'quiet, or open to the south', factor: 'band state' },
  { key: 'crowd', label: 'People and vehicles about', example: 'few', factor: 'bustle about' },
  { key: 'battery', label: 'Batteries', example: 'full; second set', factor: 'state of the batteries' },
] as const

export type ConditionFactor = (typeof CONDITIONS)[number]['factor']
