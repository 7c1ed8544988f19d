/** Pictures of pixels; drawings may hold scripts and are not taken. */
export const PICTURE_TYPE = /^image\/(jpeg|png|webp|gif|heic|heif|avif)$/

/** The largest photo, clip or recording that is kept, bytes: some hours of speech. */
export const MAX_MEDIA_BYTES = 400_000_000
