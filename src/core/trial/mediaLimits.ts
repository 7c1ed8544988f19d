/** Pictures of pixels; drawings may hold scripts and are not taken. */
export const PICTURE_TYPE = /^image\/(jpeg|png|webp|gif|heic|heif|avif)$/

/** Sound as browsers and recorders write it, some of it in a film's wrapping. */
const SOUND_TYPE =
  /^(audio\/(webm|ogg|opus|mp4|m4a|x-m4a|mpeg|mp3|wav|x-wav|wave|vnd\.wave|aac|flac|x-flac|3gpp|amr)|video\/(webm|mp4|ogg|3gpp))$/

/**
 * The bare type of a photo or a sound: one of a fixed list, without what stands behind it, which browsers read as they
 * like.
 * @returns null where it is none of them
 */
export function mediaTypeOf(said: string): string | null {
  const type = said.split(/[;,]/)[0]!.trim().toLowerCase()
  return PICTURE_TYPE.test(type) || SOUND_TYPE.test(type) ? type : null
}

/** The largest photo, clip or recording that is kept, bytes: some hours of speech. */
export const MAX_MEDIA_BYTES = 400_000_000
