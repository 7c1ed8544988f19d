/** Bytes that are text, and what they were written in. */
export interface DecodedText {
  text: string
  encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252'
}

const UTF16_MARKS = [
  { bytes: [0xff, 0xfe], label: 'utf-16le' },
  { bytes: [0xfe, 0xff], label: 'utf-16be' },
] as const

/** How much is looked at to see whether every other byte is nought. */
const LOOKED_AT = 400

/** UTF-16 by its mark, or because every other byte of plain text is nought; null where it is not. */
function utf16Label(bytes: Uint8Array): string | null {
  const marked = UTF16_MARKS.find((m) => m.bytes.every((b, i) => bytes[i] === b))
  if (marked) return marked.label
  const n = Math.min(LOOKED_AT, bytes.length - (bytes.length % 2))
  if (n < 8) return null
  let [even, odd] = [0, 0]
  for (let i = 0; i < n; i += 2) {
    if (bytes[i] === 0) even++
    if (bytes[i + 1] === 0) odd++
  }
  if (odd > 0.4 * (n / 2) && even === 0) return 'utf-16le'
  return even > 0.4 * (n / 2) && odd === 0 ? 'utf-16be' : null
}

/**
 * Reads bytes as text: UTF-16 where they are, UTF-8 where they can be, and else Windows-1252, which older spreadsheet
 * programs write and in which nothing is invalid. A byte order mark is left out.
 */
export function decodeText(bytes: Uint8Array): DecodedText {
  const wide = utf16Label(bytes)
  if (wide) return { text: new TextDecoder(wide).decode(bytes), encoding: 'UTF-16' }
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' }
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' }
  }
}

/** How far an XML declaration may reach, bytes. */
const DECLARATION = 200

/**
 * Reads the bytes of an XML file as text: in the encoding that it declares, where it declares one that is known; else
 * as {@link decodeText} does.
 */
export function decodeXml(bytes: Uint8Array): string {
  if (utf16Label(bytes) === null) {
    const head = new TextDecoder('latin1').decode(bytes.subarray(0, DECLARATION))
    const declared = /^[^<]*<\?xml[^>]*\sencoding\s*=\s*["']([A-Za-z0-9._-]+)["']/.exec(head)?.[1]
    // What calls itself UTF-8 and is not, is Windows-1252 mostly.
    if (declared && !/^utf-?8$/i.test(declared)) {
      try {
        return new TextDecoder(declared).decode(bytes)
      } catch {
        return decodeText(bytes).text
      }
    }
  }
  return decodeText(bytes).text
}
