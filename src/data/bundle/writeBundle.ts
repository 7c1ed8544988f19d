import type { Readable } from 'node:stream'
import yazl from 'yazl'
import type { Db } from '../connection'
import { nowIso } from '../ids'
import { listTrials } from '../trials'
import { openFiles } from './openTables'
import { bundleRows, TABLE_NAMES, WITH_BYTES, type Row } from './tables'

export const BUNDLE_FORMAT = 'even-reach-bundle'
export const BUNDLE_VERSION = 1
export const BUNDLE_NAME = 'bundle.json'

const README = `This is a bundle of Even Reach: one trial, or all.

bundle.json   every row, by table; what another Even Reach takes in, merged by id
papers/       papers and photos kept with parts, named by their id in "attachment"
media/        photos and sounds of runs, named by their id in "media"
*/marks.csv, */way.gpx, */…-checks.csv   the same in open formats, a folder for each trial
`

/**
 * A trial, or all, as an archive that other programs read too: rows as JSON, checks and marks as CSV, ways as GPX,
 * photos and sounds as they are.
 * @param trialId null for all
 */
export function writeBundle(db: Db, trialId: string | null): Readable {
  const zip = new yazl.ZipFile()
  const rows = bundleRows(db, trialId)
  for (const name of TABLE_NAMES) {
    const folder = WITH_BYTES[name]
    if (folder === undefined) continue
    rows[name] = rows[name].map(({ bytes, ...row }): Row => {
      zip.addBuffer(bytes as Buffer, `${folder}/${String(row.id)}`)
      return row
    })
  }
  const note = { format: BUNDLE_FORMAT, version: BUNDLE_VERSION, madeAt: nowIso(), tables: rows }
  zip.addBuffer(Buffer.from(JSON.stringify(note)), BUNDLE_NAME)
  zip.addBuffer(Buffer.from(README), 'README.txt')
  const trials = trialId === null ? listTrials(db).map((t) => t.id) : [trialId]
  for (const id of trials)
    for (const [name, text] of openFiles(db, id)) zip.addBuffer(Buffer.from(text), name)
  zip.end()
  return zip.outputStream as Readable
}
