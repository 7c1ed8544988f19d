import { countText } from '@/core/units'
import { andList } from '../words/phrases'
import type { NextChecks, OpenQuestion } from './nextChecks'

type Name = (id: string) => string

/** What is open, as a purpose: "To settle Long whip against Stub whip". */
function openWords(about: OpenQuestion, name: Name): string {
  if (about.kind === 'difference') return `To settle ${name(about.a)} against ${name(about.b)}`
  return about.kind === 'need'
    ? `To settle whether ${name(about.linkId)} is enough`
    : `To narrow how far ${name(about.linkId)} reaches`
}

const NAMED = 3
/** A visit that takes off less is not worth naming. */
const LEAST = 0.01

/** Where to check next, in a sentence or two. */
export function nextWords({ about, marks }: NextChecks, name: Name, mark: Name): string {
  const best = marks.filter((m) => m.narrows >= LEAST).slice(0, NAMED)
  const purpose = openWords(about, name)
  if (best.length === 0)
    return `${purpose}, one more visit to any of these marks would do little: it takes a whole day more, or other marks.`
  const rigs = about.kind === 'difference' ? 'both there' : 'it there'
  const off = Math.round(100 * best[0]!.narrows)
  return `${purpose}, check ${rigs} first: ${andList(best.map((m) => mark(m.markId)))}. One more visit to ${mark(best[0]!.markId)} is expected to take ${off < 1 ? 'less than 1' : off} % off what is open, in ${countText(Math.round(best[0]!.minutes), 'minute')}.`
}
