// Compresses what pages are made of once, with the build, as small as it gets; the server sends it as it lies there.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'

const TEXT = /\.(js|css|svg|json)$/
/** A file shorter than this fits a packet as it is. */
const WORTH_IT = 1000

const pressed = {
  br: (bytes) =>
    promisify(brotliCompress)(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length } }),
  gz: (bytes) => promisify(gzip)(bytes, { level: 9 }),
}

/** Lays beside each text file of a folder the same compressed, for browsers that take either. */
export async function compressedAhead(folder) {
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && TEXT.test(f.name))
    .map((f) => join(f.parentPath, f.name))
  // As many side by side as the runtime has threads for.
  await Promise.all(
    files.map(async (file) => {
      const bytes = readFileSync(file)
      if (bytes.length < WORTH_IT) return
      for (const [ending, press] of Object.entries(pressed))
        writeFileSync(`${file}.${ending}`, await press(bytes))
    }),
  )
}
