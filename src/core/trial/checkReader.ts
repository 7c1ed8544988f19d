import { listenerOf } from '@/core/kit/rig/rig'
import type { Listener } from '@/core/kit/rig/terms'
import { onceEach } from '@/core/onceEach'
import type { Reading } from '@/core/reports/reading'
import { readReport } from '@/core/reports/readReport'
import type { Scale } from '@/core/reports/scale'
import type { LoggedCheck } from './foldEntries'

/** Reads what checks report within the scale of their listener. The same words are read once, and share their reading. */
export function checkReader(
  scales: Readonly<Record<Listener, Scale>>,
): (check: Pick<LoggedCheck, 'text' | 'direction'>) => Reading {
  const at = (listener: Listener) => onceEach((text: string) => readReport(text, scales[listener]))
  const readers = { base: at('base'), out: at('out') }
  return ({ text, direction }) => readers[listenerOf(direction)](text)
}
