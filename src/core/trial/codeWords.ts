import { uniformRandom } from '@/core/stats/numeric/uniformRandom'
import { keyText, type CheckKey } from './plan'

/** 256 short words of everyday English, chosen to be told apart by ear: own list, in its own order. */
export const CODE_WORDS: readonly string[] = (
  'acorn actor amber anchor ankle apple apron arch armour arrow atlas attic autumn avenue bacon badge bakery bamboo ' +
  'banjo barley basket beacon beard beetle bench berry bishop blanket bonnet border bottle boulder bracket branch bridge ' +
  'brother bucket buffalo bundle butter cabin cactus camel candle canvas captain carbon carpet castle cedar cellar chapel ' +
  'cheese cherry chimney circus citrus clover cobweb coffee comet copper coral cotton cousin cradle crater cricket crystal ' +
  'cushion dagger daisy dancer decade desert diamond dinner doctor dolphin donkey dragon drawer eagle easel echo eleven ' +
  'ember emperor engine estate evening fabric falcon family feather fender fiddle finger flannel forest fossil fountain ' +
  'freckle furnace galaxy gallon garden garlic gazelle ginger glacier goblet gondola grammar granite gravel guitar habit ' +
  'hammer harbour harvest hazel helmet heron hinge hobby hollow honey hundred iceberg indigo infant island ivory jacket ' +
  'jaguar jasmine jersey jewel jigsaw jockey juniper kernel kettle kidney kingdom kitchen ladder lagoon lantern lattice ' +
  'lawyer leather legend lemon lettuce library lizard lobster locket lumber magnet mammoth mango marble meadow medal melody ' +
  'mermaid mirror mitten monkey mosaic muffin museum mustard napkin needle nephew nickel noodle nugget number nutmeg oasis ' +
  'ocean olive onion opera orange orchard oven oyster paddle pancake panther parcel peanut pebble pencil pepper phantom ' +
  'piano pigeon pillow pirate planet pocket poppy potato powder prairie pudding puppet purple quarter quiver rabbit radish ' +
  'ribbon river robin rocket saddle salmon satchel shadow ' +
  'silver sixteen soldier spider sugar summer sunset tailor temple thimble thunder timber tractor trumpet tunnel turnip ' +
  'turtle velvet village violin volcano wagon walnut weasel whisper willow window winter zebra'
).split(' ')

/**
 * The five words that the sender reads out for a check, drawn by the plan's seed and the check, so that both
 * devices know them without talking. No word comes twice in one check.
 */
export function wordsFor(seed: number, key: CheckKey, count = 5): string[] {
  // FNV-1a over the key's text, so that neighbouring checks share nothing.
  let hash = 0x811c9dc5 ^ seed
  for (const c of keyText(key)) hash = Math.imul(hash ^ c.charCodeAt(0), 0x01000193)
  const random = uniformRandom(hash >>> 0)
  const drawn = new Set<string>()
  while (drawn.size < count) drawn.add(CODE_WORDS[Math.floor(random.uniform() * CODE_WORDS.length)]!)
  return [...drawn]
}

/**
 * The pad that the listener taps on: the words read out among others, in an order that gives nothing away.
 * @param size of the pad, at least as many as were read out
 */
export function padFor(seed: number, key: CheckKey, size = 15): string[] {
  const sent = wordsFor(seed, key)
  const others = wordsFor(seed ^ 0x5bd1e995, key, size).filter((w) => !sent.includes(w))
  return [...sent, ...others].slice(0, size).sort((a, b) => a.localeCompare(b, 'en'))
}

/** How many of the words came through, in whatever order. */
export function wordsCopied(sent: readonly string[], taken: readonly string[]): number {
  const left = new Set(taken)
  return sent.filter((w) => left.has(w)).length
}
