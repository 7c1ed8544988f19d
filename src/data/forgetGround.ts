import { and, eq } from 'drizzle-orm'
import type { Db } from './connection'
import { trialGround } from './schema'

export type GroundKind = (typeof trialGround.$inferSelect)['kind']

/** Takes back what trials said of a piece of ground that goes. */
export function forgetGround(db: Db, kind: GroundKind, ofId: string): void {
  db.delete(trialGround)
    .where(and(eq(trialGround.kind, kind), eq(trialGround.ofId, ofId)))
    .run()
}
