import { addClipPart, beginClip, endClip } from './clipStore'

/** How often what was recorded goes to the device's store, ms. */
const PART_MS = 1000
/** What a browser may record, the smallest first. */
const TYPES = ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus']

export interface RecordedSound {
  mediaId: string
  type: string
  seconds: number
  startedAt: string
}

/** A recording under way. */
export interface SoundRecorder {
  startedAtMs: number
  stop(): Promise<RecordedSound>
}

/** Why the microphone cannot be had, in words. */
export function microphoneTrouble(e: unknown): string {
  const name = e instanceof DOMException ? e.name : ''
  if (name === 'NotAllowedError')
    return 'The microphone was refused. Allow it in the browser’s settings for this page.'
  if (name === 'NotFoundError') return 'This device has no microphone.'
  return 'The sound could not be recorded or stored here.'
}

/**
 * Records what comes out of the speaker; each second is stored as it comes.
 * @throws where there is no microphone, it was refused, or nothing can be stored
 */
export async function recordSound(runId: string): Promise<SoundRecorder> {
  // What tidies speech for a call would hide what the radio did.
  const plain = { echoCancellation: false, noiseSuppression: false, autoGainControl: false }
  const stream = await navigator.mediaDevices.getUserMedia({ audio: plain })
  const type = TYPES.find((t) => MediaRecorder.isTypeSupported(t))
  const recorder = new MediaRecorder(stream, type ? { mimeType: type } : undefined)
  const mime = recorder.mimeType || type || 'audio/webm'
  const mediaId = await beginClip(runId, mime)
  const startedAtMs = Date.now()
  let n = 0
  let stored: Promise<void> = Promise.resolve()
  recorder.ondataavailable = (e) => {
    const at = n++
    stored = stored.then(async () => addClipPart(mediaId, at, await e.data.arrayBuffer()))
  }
  recorder.start(PART_MS)
  const stop = async (): Promise<RecordedSound> => {
    const seconds = (Date.now() - startedAtMs) / 1000
    const stopped = new Promise((resolve) => (recorder.onstop = resolve))
    if (recorder.state !== 'inactive') {
      recorder.stop()
      await stopped
    }
    stream.getTracks().forEach((t) => t.stop())
    await stored
    await endClip(mediaId)
    return { mediaId, type: mime, seconds, startedAt: new Date(startedAtMs).toISOString() }
  }
  return { startedAtMs, stop }
}
