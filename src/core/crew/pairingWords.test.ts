import { describe, expect, it } from 'vitest'
import { allPairingWords, pairingWords, readPairingWords } from './pairingWords'

describe('pairing words', () => {
  it('are 128 different short words, so that six hold 42 bits', () => {
    const words = allPairingWords()
    expect(words).toHaveLength(128)
    expect(new Set(words).size).toBe(128)
    expect(words.every((w) => /^[a-z]{3,8}$/.test(w))).toBe(true)
    // Told apart by their first four letters, as a tired ear does.
    expect(new Set(words.map((w) => w.slice(0, 4))).size).toBeGreaterThan(120)
  })

  it('come from the random bytes alone, every word as often as any other', () => {
    const counts = new Map<string, number>()
    for (let b = 0; b < 256; b++)
      for (const w of pairingWords(new Uint8Array(6).fill(b))) counts.set(w, (counts.get(w) ?? 0) + 1)
    expect(new Set(counts.values())).toEqual(new Set([12]))
    expect(() => pairingWords(new Uint8Array(5))).toThrow(/six random bytes/)
  })

  it.each([
    ['acorn amber anchor apple arrow badge', 'acorn amber anchor apple arrow badge'],
    ['  Acorn, AMBER-anchor\napple  arrow badge. ', 'acorn amber anchor apple arrow badge'],
    ['acorn amber anchor apple arrow', null],
    ['acorn amber anchor apple arrow badger', null],
    ['', null],
  ])('%j is read as %j', (typed, read) => expect(readPairingWords(typed)).toBe(read))
})
