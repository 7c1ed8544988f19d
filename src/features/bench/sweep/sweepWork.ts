import { ASK_DATA, ASK_SWEEP, readComplexData, sweepGrid, sweepLines, type Sweep } from '@/core/bench'
import { messageOf } from '@/core/outcome'
import type { LineLink } from '../instrument/lineLink'

export interface Span {
  fromMHz: number
  toMHz: number
  points: number
}

/** A sweep may take so long, ms. */
const SWEEP_MS = 60_000

/** Sweeps once over a span; raw, as the instrument has it. @throws Error with words for the user */
export async function sweepOnce(link: LineLink, span: Span): Promise<Sweep> {
  for (const line of sweepLines(span)) await link.send(line)
  await link.ask(ASK_SWEEP, SWEEP_MS)
  const read = readComplexData(await link.ask(ASK_DATA, SWEEP_MS), span.points)
  if (!read.ok) throw new Error(messageOf(read))
  return { frequencyMHz: sweepGrid(span), ...read.value, ohm: 50, phase: true }
}
