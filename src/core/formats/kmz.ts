import { type Outcome, bad, problem } from '@/core/outcome'
import { decodeXml } from './decodeText'
import { readKml } from './kml'
import type { MapFile } from './mapContent'
import { unpackedOf } from './unpack'

/** The root document comes before what lies in folders, and there it is mostly doc.kml. */
const rank = (name: string) => (name.includes('/') ? 2 : name.toLowerCase() === 'doc.kml' ? 0 : 1)

/** Reads the root document of a KMZ, wherever it lies in the archive; other documents in it are only linked to. */
export function readKmz(bytes: Uint8Array): Outcome<MapFile> {
  const members = unpackedOf(bytes, (name) => /\.kml$/i.test(name))
  if (!members.ok) return members
  const root = [...members.value].sort((a, b) => rank(a.name) - rank(b.name))[0]
  if (!root)
    return bad(problem('no-kml', 'archive', 'There is no KML file in it; a KMZ holds one, mostly doc.kml.'))
  const outcome = readKml(decodeXml(root.bytes))
  return outcome.ok
    ? outcome
    : { ok: false, problems: outcome.problems.map((p) => ({ ...p, where: `${root.name}, ${p.where}` })) }
}
