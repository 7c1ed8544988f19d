import { keyOf, type CheckKey, type EntryBody } from '@/core/trial'
import type { Role } from '../log/useRunLog'
import type { RecordedSound } from '../media/soundRecorder'
import type { SoundKind } from '../media/useSound'

/** Keeps a photo on the device, then logs it. */
export async function keepPhoto(
  runId: string,
  file: Blob,
  about: CheckKey,
  add: (body: EntryBody, words: string) => Promise<void>,
): Promise<void> {
  const { keepClip } = await import('../media/clipStore')
  const mediaId = await keepClip(runId, file)
  const key = keyOf(about)
  await add(
    { kind: 'media', mediaId, what: 'photo', type: file.type, seconds: null, about: key, note: '' },
    'Photo kept',
  )
}

/** The entry of a sound that was recorded, and what is said of it: a clip of a check, or the whole way. */
export function soundEvent(
  kind: SoundKind,
  made: RecordedSound,
  role: Role,
  about: CheckKey | null,
): [EntryBody, string] {
  const { mediaId, type, seconds, startedAt } = made
  if (kind === 'clip')
    return [
      { kind: 'media', mediaId, what: 'sound', type, seconds, about: about && keyOf(about), note: '' },
      `Sound kept, ${Math.round(seconds)} s`,
    ]
  return [
    {
      kind: 'recording',
      mediaId,
      name: `The way, from ${startedAt.slice(11, 16)} UTC`,
      at: role === 'base' ? 'base' : 'out',
      seconds,
      startsAt: startedAt,
      aligned: 'recorded by the device that kept the log',
    },
    'The sound of the way is kept',
  ]
}
