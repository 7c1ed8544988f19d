import { v7 } from 'uuid'

/** A new UUIDv7: its order is the order of making. */
export const newId = (): string => v7()
export const nowIso = (): string => new Date().toISOString()
