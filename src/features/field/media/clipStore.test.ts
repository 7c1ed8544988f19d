import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it } from 'vitest'
import {
  addClipPart,
  allClips,
  beginClip,
  clipBlob,
  closeStrayClips,
  endClip,
  keepClip,
  sendClips,
  waitingClips,
} from './clipStore'
import { deviceDb } from '../log/deviceStore'
import { ServerRefused } from '../log/entryQueue'

const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer
beforeEach(async () => {
  await deviceDb().clips.clear()
  await deviceDb().clipParts.clear()
})

describe('photos and sounds on the device', () => {
  it('a sound comes in parts and is one in the order of its making', async () => {
    const id = await beginClip('r', 'audio/webm')
    for (const [n, text] of ['first ', 'second ', 'third'].entries()) await addClipPart(id, n, bytes(text))
    expect(await waitingClips('r')).toEqual([])
    await endClip(id)
    expect((await waitingClips('r')).map((c) => c.id)).toEqual([id])
    const blob = (await clipBlob(id))!
    expect(blob.type).toBe('audio/webm')
    expect(await blob.text()).toBe('first second third')
    expect(await clipBlob('another')).toBeNull()
  })
  it('what a crash cut off is whole up to there, and its length is known', async () => {
    const id = await beginClip('r', 'audio/webm')
    for (const n of [0, 1, 2]) await addClipPart(id, n, bytes('x'))
    await keepClip('another run', new Blob(['p'], { type: 'image/png' }))
    expect(await closeStrayClips('r')).toMatchObject([{ id, seconds: 3 }])
    expect(await closeStrayClips('r')).toEqual([])
    expect(await allClips('r')).toHaveLength(1)
  })
  it('one that the server refuses holds up none of the others; one that does not arrive is tried again', async () => {
    const good = await keepClip('r', new Blob(['g'], { type: 'image/png' }))
    const bad = await keepClip('r', new Blob(['b'], { type: 'image/gif' }))
    const sent: string[] = []
    const put = async (clip: { id: string }) => {
      if (clip.id === bad) throw new ServerRefused('too large')
      sent.push(clip.id)
    }
    expect(await sendClips('r', put)).toBe('too large')
    expect(sent).toEqual([good])
    expect((await waitingClips('r')).map((c) => c.id)).toEqual([bad])
    await expect(sendClips('r', async () => Promise.reject(new Error('no network')))).rejects.toThrow(
      'no network',
    )
    expect(await sendClips('r', async () => undefined)).toBeNull()
    expect(await waitingClips('r')).toEqual([])
  })
})
