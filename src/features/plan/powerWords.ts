/** How often a design told the difference that would matter. */
export interface PowerRow {
  marks: number
  repeats: number
  told: number
  tries: number
}

/** Designs worth trying beside the plan: fewer and more marks, and each check twice. */
export function designsOf(marks: number, repeats: number): { marks: number; repeats: number }[] {
  const counts = [...new Set([marks, Math.max(6, Math.round(marks / 2)), Math.round(marks * 1.5), marks * 2])]
  return [
    ...counts.map((m) => ({ marks: m, repeats })),
    { marks, repeats: repeats + 1 },
    { marks: marks * 2, repeats: repeats + 1 },
  ].filter((d) => d.marks <= 80)
}

const ENOUGH = 0.8

/** What of a plan its tries are held against. */
interface Planned {
  marks: number
  repeats: number
  marginDb: number
}

const share = (r: PowerRow) => r.told / r.tries
const ownOf = (rows: readonly PowerRow[], { marks, repeats }: Planned) =>
  rows.find((r) => r.marks === marks && r.repeats === repeats)

/** What the tries say of the plan by itself; nothing before it was tried. */
export function asPlanned(rows: readonly PowerRow[], planned: Planned): string {
  const own = ownOf(rows, planned)
  if (!own) return ''
  return `As planned it would tell a difference of ${planned.marginDb} dB in ${Math.round(100 * share(own))} of 100.`
}

/** What the tries say of the plan, and what would be enough. */
export function powerSays(rows: readonly PowerRow[], planned: Planned): string {
  const { marks, repeats } = planned
  const own = ownOf(rows, planned)
  if (!own) return ''
  const head = asPlanned(rows, planned)
  if (share(own) >= ENOUGH) {
    const less = rows.filter((r) => r.marks * r.repeats < marks * repeats && share(r) >= ENOUGH)
    const least = less.sort((a, b) => a.marks * a.repeats - b.marks * b.repeats)[0]
    return least ? `${head} ${least.marks} marks would do.` : `${head} That is enough.`
  }
  const enough = rows
    .filter((r) => share(r) >= ENOUGH)
    .sort((a, b) => a.marks * a.repeats - b.marks * b.repeats)[0]
  if (!enough)
    return `${head} Not even twice the marks would do: ask for a larger difference, or make the spread smaller.`
  const times = enough.repeats > repeats ? `, each check ${enough.repeats} times` : ''
  return `${head} ${enough.marks} marks${times} would tell it in ${Math.round(100 * share(enough))}.`
}
