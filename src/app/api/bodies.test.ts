import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { addTrial, db, openTrial, planOf, startRun } from '@/data'
import { POST as postBackdrop } from './backdrops/route'
import { POST as postGrid } from './grids/route'
import { GET as getSound, PUT as putSound } from './runs/[id]/media/[media]/route'

// What the routes take in as bytes, against a database of their own.
let folder: string
let runId: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'even-reach-'))
  vi.stubEnv('EVEN_REACH_DB', join(folder, 'a.db'))
  const trial = addTrial(db(), 'Wet hill', '', 1)
  const conditions = { note: '', fixedBeforehand: false, imported: false }
  runId = startRun(db(), trial, 'Run', planOf(openTrial(db(), trial)!), conditions)
})
afterAll(() => {
  db().$client.close()
  rmSync(folder, { recursive: true, force: true })
})

const sending = (path: string, body: BodyInit, headers: Record<string, string> = {}) =>
  new Request(`http://127.0.0.1${path}`, { method: 'POST', body, headers })
const sound = (id: string, body: BodyInit, headers: Record<string, string>) =>
  putSound(sending('/x', body, headers), { params: Promise.resolve({ id: runId, media: id }) })

it('a sound comes back byte for byte, as a type from the list, and is never run', async () => {
  const bytes = Uint8Array.from({ length: 70_000 }, (_, i) => i % 251)
  const put = await sound('s1', bytes, { 'content-type': 'audio/webm;codecs=opus' })
  expect(put.status).toBe(200)
  const back = await getSound(new Request('http://127.0.0.1/x'), {
    params: Promise.resolve({ id: runId, media: 's1' }),
  })
  expect(new Uint8Array(await back.arrayBuffer())).toEqual(bytes)
  expect(back.headers.get('content-type')).toBe('audio/webm')
  expect(back.headers.get('content-security-policy')).toContain('sandbox')
  expect(back.headers.get('content-disposition')).toBe('attachment')
})

it.each(['audio/x,text/html', 'text/html', 'image/svg+xml', 'audio/x-anything', ''])(
  'a sound of the type "%s" is not taken',
  async (type) => {
    const put = await sound('s2', 'x', type === '' ? {} : { 'content-type': type })
    expect(put.status).toBe(400)
    expect((await put.json()).message).toMatch(/neither a picture nor a sound/)
  },
)

it('what is larger than is taken is refused by its own status, before it is read', async () => {
  const large = { 'content-length': '4000000000' }
  expect((await sound('s3', 'x', { ...large, 'content-type': 'audio/ogg' })).status).toBe(413)
  expect((await postBackdrop(sending('/api/backdrops?name=a.mbtiles', 'x', large))).status).toBe(413)
  const grid = '/api/grids?name=x&width=4&height=4&west=0&north=0&stepLon=1&stepLat=1&scaleM=1'
  expect((await postGrid(sending(grid, 'x', large))).status).toBe(413)
  expect((await postGrid(sending(grid, 'x'))).status).toBe(400)
})
