'use client'

import { useRef, useState } from 'react'
import { PICTURE_TYPE } from '@/core/trial'
import { FieldSheet } from './FieldSheet'
import { PadButton } from '../pad/PadButton'
import { useNow } from '../device/useDevice'
import { CLIP_SECONDS, type Sound } from '../media/useSound'

interface Props {
  /** What it will be kept with, in words. */
  about: string
  sound: Sound
  onPhoto: (file: Blob) => Promise<void>
  onClose: () => void
}

/** The largest photo taken in, bytes. */
const MAX_PHOTO_BYTES = 25_000_000

/** A clip of what comes out of the speaker, or a photo, kept with the check on the screen. */
export function ClipSheet({ about, sound, onPhoto, onClose }: Props) {
  const now = useNow(250)
  const input = useRef<HTMLInputElement>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const clip = sound.recording?.kind === 'clip' ? sound.recording : null
  const left = clip ? Math.max(0, Math.ceil(CLIP_SECONDS - (now - clip.sinceMs) / 1000)) : null
  const take = async (file: File | undefined) => {
    if (!file) return
    if (!PICTURE_TYPE.test(file.type))
      return setTrouble(`${file.name} is no picture of a camera. Take a JPEG, PNG, WebP or HEIC.`)
    if (file.size > MAX_PHOTO_BYTES)
      return setTrouble(
        `${file.name} is larger than ${MAX_PHOTO_BYTES / 1e6} MB. Choose a smaller size in the camera.`,
      )
    try {
      await onPhoto(file)
      onClose()
    } catch {
      setTrouble('The photo could not be stored on this device. Free some space.')
    }
  }
  const problem = trouble ?? sound.trouble
  return (
    <FieldSheet title="A sound or a photo" onClose={onClose}>
      <p style={{ margin: '0 0 10px' }}>Kept with {about}.</p>
      <div style={{ display: 'grid', gap: 4 }}>
        {clip ? (
          <PadButton strong onClick={() => void sound.stop().then(onClose)} style={{ minHeight: 96 }}>
            Stop, and keep it ({left} s left)
          </PadButton>
        ) : (
          <PadButton
            disabled={sound.recording !== null}
            onClick={() => void sound.start('clip')}
            style={{ minHeight: 96 }}
          >
            {sound.recording ? 'The way is being recorded' : `Record what you hear, up to ${CLIP_SECONDS} s`}
          </PadButton>
        )}
        <PadButton onClick={() => input.current?.click()}>Take a photo</PadButton>
        <input
          ref={input}
          type="file"
          accept="image/*"
          capture="environment"
          hidden
          aria-label="Photo"
          onChange={(e) => void take(e.target.files?.[0])}
        />
        <PadButton onClick={onClose}>Back to the check</PadButton>
      </div>
      {problem && (
        <p role="alert" style={{ margin: '10px 0 0', fontWeight: 700 }}>
          {problem}
        </p>
      )}
    </FieldSheet>
  )
}
