/** What two sets of ids are compared by: how many they are, and a figure that does not depend on their order. */
export interface IdDigest {
  count: number
  /** 16 hexadecimal figures. */
  sum: string
}

const PRIMES = [0x9e3779b1, 0x85ebca77] as const

/** Two hashes of a text, 32 bits each. */
function hashes(text: string): [number, number] {
  let [a, b] = [0x811c9dc5, 0x1b873593]
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    a = Math.imul(a ^ c, PRIMES[0])
    b = Math.imul(b ^ c, PRIMES[1])
    a ^= a >>> 15
    b ^= b >>> 13
  }
  return [a >>> 0, b >>> 0]
}

const hex = (n: number) => (n >>> 0).toString(16).padStart(8, '0')

/**
 * A digest of a set of ids, by which a device and the server tell whether they hold the same entries without naming
 * them: the exclusive or of two hashes of each.
 */
export class IdSum {
  private a = 0
  private b = 0
  private count = 0

  /** Puts an id in that is not in it yet. */
  add(id: string): void {
    this.turn(id)
    this.count++
  }

  /** Takes an id out that is in it. */
  remove(id: string): void {
    this.turn(id)
    this.count--
  }

  private turn(id: string): void {
    const [a, b] = hashes(id)
    this.a ^= a
    this.b ^= b
  }

  get digest(): IdDigest {
    return { count: this.count, sum: hex(this.a) + hex(this.b) }
  }
}

/** The digest of ids, each of them once. */
export function digestOf(ids: Iterable<string>): IdDigest {
  const sum = new IdSum()
  for (const id of ids) sum.add(id)
  return sum.digest
}
