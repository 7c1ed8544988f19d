import { createHash } from 'node:crypto'
import { Kept } from '@/core/kept'

/** The newest few results by what they were made from, as one function. */
export function keeper<T>(most: number): (key: string, make: () => T) => T {
  const kept = new Kept<T>(most)
  return (key, make) => kept.get(key, make)
}

/** A short key for whatever JSON tells apart. */
export const digestOf = (value: unknown): string =>
  createHash('sha256').update(JSON.stringify(value)).digest('hex')
