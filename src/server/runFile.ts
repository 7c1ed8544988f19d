import { LOG_PROTOCOL, type RunFile } from '@/core/trial'
import { entriesOf, getMedia, listMediaIds, type Db, type RunRow } from '@/data'

/** A run as a file that carries all of it: its plan, its log, its photos and sounds. */
export const runFileOf = (db: Db, run: RunRow): RunFile => ({
  format: 'even-reach-run',
  from: 'desk',
  pack: {
    protocol: LOG_PROTOCOL,
    runId: run.id,
    trialId: run.trialId,
    runName: run.name,
    startedAt: run.startedAt,
    plan: run.plan,
  },
  entries: entriesOf(db, run.id),
  media: listMediaIds(db, run.id).map((mediaId) => {
    const { type, bytes } = getMedia(db, run.id, mediaId)!
    return { id: mediaId, type, base64: bytes.toString('base64') }
  }),
})
