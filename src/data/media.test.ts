import { messageOf } from '@/core/outcome'
import { beforeEach, describe, expect, it } from 'vitest'
import { freshDatabase } from './testing/database'
import { addTrial, getMedia, openTrial, planOf, startRun, storeMedia, type Db } from '.'

let db: Db
let runId: string
beforeEach(() => {
  db = freshDatabase().db
  const trial = addTrial(db, 'T', '', 1)
  const conditions = { note: '', fixedBeforehand: true, imported: false }
  runId = startRun(db, trial, 'R', planOf(openTrial(db, trial)!), conditions)
})

const bytes = Buffer.from('a sound, as far as the store can tell')
const said = (id: string, type: string, b = bytes, run = runId) => {
  const r = storeMedia(db, run, id, type, b)
  return r.ok ? 'kept' : messageOf(r)
}

describe('photos and sounds of a run', () => {
  it('are kept as they are; the same again changes nothing', () => {
    expect(said('m', 'audio/webm;codecs=opus')).toBe('kept')
    expect(said('m', 'audio/webm;codecs=opus', Buffer.from('another'))).toBe('kept')
    expect(getMedia(db, runId, 'm')!.bytes.equals(bytes)).toBe(true)
  })
  it('belong to their run alone', () => {
    said('m', 'image/jpeg')
    expect(getMedia(db, 'another', 'm')).toBeNull()
  })
  it.each([
    ['a page', 'text/html', bytes, /neither a picture nor a sound/],
    ['nothing', 'image/png', Buffer.alloc(0), /empty/],
  ])('%s is refused', (_what, type, b, why) => expect(said('m', type, b)).toMatch(why))
  it('a run that is gone is said so', () =>
    expect(said('m', 'image/png', bytes, 'gone')).toMatch(/no longer/))
})
