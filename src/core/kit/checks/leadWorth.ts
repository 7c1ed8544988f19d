import { connectorPairLossDb, matchedLossDb, TYPICAL_LINES } from '@/core/rf'
import { heightText } from '@/core/units'
import { dbText } from '../budget/trace'
import type { KitCheck } from './problem'

/** A rig whose lead costs more than its antenna brings. */
export const checkLeadWorth: KitCheck = ({ port, tx, units }) => {
  const leads = port.items.flatMap((p) => (p.part.kind === 'lead' ? [p.part] : []))
  if (leads.length === 0 || tx.gainDbi === null || tx.lossDb <= Math.max(tx.gainDbi, 0.5)) return []
  const lengthM = leads.reduce((s, l) => s + l.spec.lengthM, 0)
  const better = TYPICAL_LINES.map((line) => ({
    name: line.name,
    db:
      matchedLossDb(line, { frequencyMHz: tx.frequencyMHz, lengthM }) +
      2 * connectorPairLossDb(tx.frequencyMHz),
  })).find((l) => l.db < Math.max(tx.gainDbi!, 0.5))
  return [
    {
      code: 'lead-eats-gain',
      weight: 'costs',
      where: leads.map((l) => l.name).join(', '),
      message: `Lead and match cost ${dbText(tx.lossDb)}; the antenna brings ${dbText(tx.gainDbi)}. What is left is less than a plain antenna without a lead.`,
      wayOut: better
        ? `${heightText(lengthM, units)} of ${better.name} would cost ${dbText(better.db)}; or make the lead shorter.`
        : 'Make the lead shorter, or bring the radio to the antenna.',
      fix: null,
    },
  ]
}
