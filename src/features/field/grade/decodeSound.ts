import { peaksOf, type Peaks } from './peaks'

/** Enough for speech off a radio, and an hour of it in 170 MB. */
const RATE = 12_000

/** A recording as it is listened to. */
export interface DecodedSound {
  seconds: number
  peaks: Peaks
  /** Plays a stretch; stops what played before. Resolves at its end. */
  play: (fromS: number, toS: number) => Promise<void>
  stop: () => void
}

/**
 * Reads a recording of whatever kind the browser knows: wav, mp3, m4a, ogg, webm.
 * @throws Error in a sentence where it cannot be read
 */
export async function decodeSound(bytes: ArrayBuffer, name: string): Promise<DecodedSound> {
  let buffer: AudioBuffer
  try {
    buffer = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(bytes)
  } catch {
    throw new Error(`${name} cannot be read as sound by this browser. Save it as wav, mp3, m4a or ogg.`)
  }
  const mono = mixed(buffer)
  const context = new AudioContext()
  const whole = context.createBuffer(1, mono.length, buffer.sampleRate)
  whole.copyToChannel(mono, 0)
  let playing: AudioBufferSourceNode | null = null
  const stop = () => {
    playing?.stop()
    playing = null
  }
  const play = async (fromS: number, toS: number) => {
    stop()
    await context.resume()
    const source = context.createBufferSource()
    source.buffer = whole
    source.connect(context.destination)
    playing = source
    const ended = new Promise<void>((resolve) => (source.onended = () => resolve()))
    source.start(0, Math.max(0, fromS), toS - Math.max(0, fromS))
    await ended
  }
  return { seconds: buffer.duration, peaks: peaksOf(mono, buffer.sampleRate), play, stop }
}

/** One channel of all, since a recorder may have used only one of its two. */
function mixed(buffer: AudioBuffer): Float32Array<ArrayBuffer> {
  const mono = new Float32Array(buffer.length)
  for (let c = 0; c < buffer.numberOfChannels; c++) {
    const channel = buffer.getChannelData(c)
    for (let i = 0; i < mono.length; i++) mono[i]! += channel[i]! / buffer.numberOfChannels
  }
  return mono
}
