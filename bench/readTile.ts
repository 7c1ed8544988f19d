import { readFileSync } from 'node:fs'
import { basename } from 'node:path'
import { readHgt, type HeightGrid } from '../src/core/terrain'

/** The tile that the command line names, and its file. */
export function readTile(): { file: string; grid: HeightGrid } {
  const file = process.argv[2]
  if (!file) throw new Error('Name an .hgt file.')
  const bytes = readFileSync(file)
  const read = readHgt(
    basename(file),
    bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength),
  )
  if (!read.ok) throw new Error(read.problems[0]!.message)
  return { file, grid: read.value.grid }
}
