import { unzipSync } from 'fflate'
import { type Outcome, bad, good, problem } from '@/core/outcome'
import { FileRefused, MAX_FILE_BYTES } from './fileRefused'

/** Most members of an archive, and most bytes unpacked. */
const MAX_MEMBERS = 5000
export const MAX_UNPACKED = 256 * 1024 * 1024

export interface Member {
  name: string
  bytes: Uint8Array<ArrayBuffer>
}

/**
 * The members of a zip archive that are wanted. Only these are unpacked, each into no more room than the archive says
 * it needs, and that is bounded: at most 5000 members, 256 MB together, 64 MB each. A path out of the archive is
 * refused.
 * @param wanted by the member's whole name
 */
export function unpackedOf(bytes: Uint8Array, wanted: (name: string) => boolean): Outcome<Member[]> {
  const refuse = (code: string, message: string): never => {
    throw new FileRefused(problem(code, 'archive', message))
  }
  let members = 0
  let unpacked = 0
  try {
    const found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (++members > MAX_MEMBERS)
          refuse('zip-bomb', `It has more than ${MAX_MEMBERS} members, where a few are needed.`)
        unpacked += originalSize
        if (unpacked > MAX_UNPACKED)
          refuse('zip-bomb', 'It would unpack to more than 256 MB. Pack only what is needed.')
        if (name.startsWith('/') || name.split(/[\\/]/).includes('..'))
          refuse(
            'path',
            `A member is named "${name.slice(0, 60)}", a path out of the archive. Do not trust this file.`,
          )
        if (!wanted(name)) return false
        if (originalSize > MAX_FILE_BYTES)
          refuse('too-large', `${name} in it is larger than 64 MB. Split it.`)
        return true
      },
    })
    return good(
      Object.entries(found).map(([name, part]) => ({ name, bytes: part as Uint8Array<ArrayBuffer> })),
    )
  } catch (e) {
    if (e instanceof FileRefused) return bad(e.problem)
    return bad(
      problem(
        'not-zip',
        'archive',
        'It cannot be unpacked; it is cut short or no zip archive. Copy or export it again.',
      ),
    )
  }
}
