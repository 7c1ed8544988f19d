import { integer, text } from 'drizzle-orm/sqlite-core'

export const id = () => text('id').primaryKey()
/** Optimistic lock: an update names the revision it was made from. */
export const revision = () => integer('revision').notNull().default(1)
export const createdAt = () => text('created_at').notNull()
