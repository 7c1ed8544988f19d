/**
 * Words that a pairing code is read out in: short, of common speech, no two alike to the ear, none that offends. Seven
 * bits each.
 */
const WORDS = (
  'acorn amber anchor apple arrow badge baker banjo barn basket beach bell bench bird biscuit boat bottle bridge brush ' +
  'bucket button cabin camel candle carpet castle chalk cherry chimney circle cliff clock cloud coffee comet copper ' +
  'cotton cradle cricket curtain daisy desert diamond dragon drum eagle elbow engine falcon feather fern ferry fiddle ' +
  'flag forest fossil fountain garden ginger glove granite guitar hammer harbour hazel helmet honey iron island ivory ' +
  'jacket jigsaw jungle kettle kitchen ladder lantern lemon lizard magnet maple marble meadow melon mirror monkey ' +
  'mountain needle nutmeg oak olive onion orange oyster paddle panda parrot pebble pencil pepper piano pigeon pillow ' +
  'pocket pumpkin rabbit ribbon river rocket saddle sailor scarf shovel silver spider summer sunset teapot thunder ' +
  'tiger tunnel velvet violin wagon walnut whistle window zebra'
).split(' ')

const BITS = 7
/** How many words a code has. */
const PAIRING_WORDS = 6

/**
 * A pairing code of 42 bits as six words.
 * @param random six bytes or more, each as likely as any other
 */
export function pairingWords(random: Uint8Array): string[] {
  if (random.length < PAIRING_WORDS) throw new RangeError('A pairing code wants six random bytes')
  return Array.from({ length: PAIRING_WORDS }, (_, i) => WORDS[random[i]! & (2 ** BITS - 1)]!)
}

/**
 * A code as it was typed or scanned, in the one way in which it is compared: small letters, one space between words.
 * @returns null where it is not six of the words
 */
export function readPairingWords(typed: string): string | null {
  const words = typed.toLowerCase().match(/[a-z]+/g) ?? []
  return words.length === PAIRING_WORDS && words.every((w) => WORDS.includes(w)) ? words.join(' ') : null
}

/** All words, for a test of what is said of them. */
export const allPairingWords = (): readonly string[] => WORDS
