import { type Outcome, bad, problem } from '@/core/outcome'
import { unzipSync } from 'fflate'
import { readKml } from './kml'
import type { MapFile } from './mapContent'
import { FileRefused, MAX_FILE_BYTES } from './fileRefused'

/** Most members of an archive, and most bytes unpacked. */
const MAX_MEMBERS = 5000
const MAX_UNPACKED = 256 * 1024 * 1024

/**
 * Reads the first KML of a KMZ. Only that member is unpacked, into no more room than the archive says it
 * needs, and that is bounded: at most 5000 members, 256 MB together, a KML of 64 MB.
 */
export function readKmz(bytes: Uint8Array): Outcome<MapFile> {
  const refuse = (code: string, message: string): never => {
    throw new FileRefused(problem(code, 'archive', message))
  }
  let members = 0
  let unpacked = 0
  let taken = ''
  try {
    const found = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (++members > MAX_MEMBERS)
          refuse('zip-bomb', `It has more than ${MAX_MEMBERS} members; a KMZ needs a few.`)
        unpacked += originalSize
        if (unpacked > MAX_UNPACKED)
          refuse('zip-bomb', 'It would unpack to more than 256 MB. Save it as KML without its pictures.')
        if (name.startsWith('/') || name.split(/[\\/]/).includes('..'))
          refuse(
            'path',
            `A member is named "${name.slice(0, 60)}", a path out of the archive. Do not trust this file.`,
          )
        if (taken !== '' || !/\.kml$/i.test(name)) return false
        if (originalSize > MAX_FILE_BYTES) refuse('too-large', 'Its KML is larger than 64 MB. Split it.')
        taken = name
        return true
      },
    })
    const kml = found[taken]
    if (!kml)
      return bad(problem('no-kml', 'archive', 'There is no KML file in it; a KMZ holds one, mostly doc.kml.'))
    const outcome = readKml(new TextDecoder().decode(kml))
    return outcome.ok
      ? outcome
      : { ok: false, problems: outcome.problems.map((p) => ({ ...p, where: `${taken}, ${p.where}` })) }
  } catch (e) {
    if (e instanceof FileRefused) return bad(e.problem)
    return bad(
      problem(
        'not-zip',
        'archive',
        'It cannot be unpacked; it is cut short or no KMZ. Copy or export it again.',
      ),
    )
  }
}
