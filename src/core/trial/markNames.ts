/** Letters, or nothing, and a number: "S01". */
const NUMBERED = /^([A-Za-z]{0,2})(\d+)$/
const ALPHABET = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ']

/** Letters that marks of a leg can begin with, those of its name first. */
function prefixes(legName: string): string[] {
  const own = [...legName.toUpperCase()].filter((c) => ALPHABET.includes(c))
  const pairs = own.slice(1).map((c) => `${own[0]}${c}`)
  return [...new Set([...own, ...pairs, ...ALPHABET, ...ALPHABET.flatMap((a) => ALPHABET.map((b) => a + b))])]
}

/**
 * Names for the marks of a new leg that no mark of the trial has: where one is taken, numbered marks begin with other
 * letters, all of them, and a name of its own is followed by a number.
 * @param names wanted, in order @param taken by the trial's other marks
 */
export function freeMarkNames(
  names: readonly string[],
  taken: ReadonlySet<string>,
  legName: string,
): string[] {
  const numbered = names.every((n) => NUMBERED.test(n))
  if (numbered && names.some((n) => taken.has(n)) && new Set(names).size === names.length) {
    const digits = names.map((n) => NUMBERED.exec(n)![2]!)
    const free = prefixes(legName).find((p) => digits.every((d) => !taken.has(p + d)))
    if (free !== undefined && new Set(digits).size === digits.length) return digits.map((d) => free + d)
  }
  const used = new Set(taken)
  return names.map((name) => {
    let free = name
    for (let n = 2; used.has(free); n++) free = `${name} ${n}`
    used.add(free)
    return free
  })
}
