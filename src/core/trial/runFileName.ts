/** What a run's file ends with, so that a device knows with what to open it. */
export const RUN_FILE_END = '.reachrun'

/** A name as a file has it: its letters and figures, joined by hyphens. @param otherwise where it has none */
export const fileNameOf = (name: string, otherwise = 'run'): string =>
  name
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || otherwise
