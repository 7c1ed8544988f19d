const CLEAR = 256
const END = 257
const FIRST = 258
const MOST_CODES = 4096

/**
 * Unpacks LZW as TIFF has it (TIFF 6.0, section 13: most significant bit first, codes one shorter than their table).
 * The usual library follows a damaged code for ever; this ends at the first that cannot be, or at the size that is
 * wanted.
 * @param most bytes that are wanted at most; what follows is left out
 * @throws where a code is none
 */
export function unpackLzw(packed: Uint8Array, most: number): Uint8Array {
  const out = new Uint8Array(most)
  const before = new Uint16Array(MOST_CODES)
  const last = new Uint8Array(MOST_CODES)
  const length = new Uint32Array(MOST_CODES)
  for (let i = 0; i < CLEAR; i++) {
    last[i] = i
    length[i] = 1
  }
  let [size, bits, bitAt, at] = [FIRST, 9, 0, 0]
  let old = -1
  const next = (): number => {
    if (bitAt + bits > packed.length * 8) return END
    let code = 0
    for (let i = 0; i < bits; i++, bitAt++)
      code = (code << 1) | ((packed[bitAt >> 3]! >> (7 - (bitAt & 7))) & 1)
    return code
  }
  /** Writes the string of a code where it belongs. @returns its first byte */
  const write = (code: number): number => {
    const n = length[code]!
    let c = code
    for (let i = n - 1; i >= 0; i--) {
      if (at + i < most) out[at + i] = last[c]!
      if (i > 0) c = before[c]!
    }
    at += n
    return last[c]!
  }
  for (let code = next(); code !== END && at < most; code = next()) {
    if (code === CLEAR) {
      ;[size, bits, old] = [FIRST, 9, -1]
      continue
    }
    if (old < 0) {
      if (code > CLEAR) throw new Error('it holds a code before there is any')
      write(code)
    } else {
      if (code > size || code === CLEAR) throw new Error(`it holds a code, ${code}, that is none`)
      const isNew = code === size
      if (size < MOST_CODES) {
        before[size] = old
        length[size] = length[old]! + 1
      }
      const start = at
      const first = isNew ? write(old) : write(code)
      if (isNew && at < most) out[at] = first
      if (isNew) at++
      if (size < MOST_CODES) last[size++] = out[start]!
      else if (isNew) throw new Error('its table overflows')
    }
    old = code
    if (size + 1 >= 1 << bits && bits < 12) bits++
  }
  return at < most ? out.subarray(0, at) : out
}
