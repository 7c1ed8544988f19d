import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformInt } from 'pure-rand/distribution/uniformInt'

/** What damaged or hostile files hold: names that objects have, ends of number ranges, marks that part things. */
const WORDS = [
  ...['__proto__', 'constructor', 'toString', 'NaN', 'Infinity', '1e999', '-0', '0x10', '9'.repeat(400)],
  ...[
    '\u0000',
    '\uFEFF',
    '\u2028',
    ',,,,',
    ';;;;',
    '\t',
    '"',
    "'",
    '\r\n',
    '<',
    '>',
    '&amp;',
    '&x;',
    '<!DOCTYPE x>',
    ']]>',
  ],
  ...[
    '{',
    '}',
    '[',
    ']',
    'null',
    'true',
    '[[[[[[[[',
    '{"a":',
    '-32768',
    '32768',
    '2147483648',
    '4294967296',
    '=1+1',
    '%s',
    '../../x',
  ],
].map((w) => new TextEncoder().encode(w))

/** A maker of damaged copies, the same ones for the same seed. */
export function mutator(seed: number): (whole: Uint8Array) => Uint8Array {
  const random = xoroshiro128plus(seed)
  const upTo = (n: number) => uniformInt(random, 0, Math.max(0, n - 1))
  const one = (bytes: Uint8Array): Uint8Array => {
    const at = upTo(bytes.length + 1)
    const end = Math.min(bytes.length, at + 1 + upTo(upTo(8) === 0 ? bytes.length : 12))
    const joined = (...parts: Uint8Array[]) => {
      const out = new Uint8Array(parts.reduce((n, p) => n + p.length, 0))
      parts.reduce((n, p) => (out.set(p, n), n + p.length), 0)
      return out
    }
    switch (upTo(7)) {
      case 0:
        return bytes.subarray(0, at)
      case 1:
        return joined(bytes.subarray(0, at), bytes.subarray(end))
      case 2:
        return joined(bytes.subarray(0, end), bytes.subarray(at))
      case 3:
        return joined(bytes.subarray(0, at), WORDS[upTo(WORDS.length)]!, bytes.subarray(at))
      case 4:
        return joined(bytes.subarray(0, at), WORDS[upTo(WORDS.length)]!, bytes.subarray(end))
      default: {
        const out = bytes.slice()
        for (let i = upTo(4); i >= 0 && out.length > 0; i--) out[upTo(out.length)] = upTo(256)
        return out
      }
    }
  }
  return (whole) => {
    let bytes = whole
    for (let i = upTo(4); i >= 0; i--) bytes = one(bytes)
    return bytes
  }
}
