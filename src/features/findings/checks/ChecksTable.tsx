import { listenerOf } from '@/core/kit'
import { readingText, readReport } from '@/core/reports'
import type { LoggedCheck, Mark, TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { Table } from '@/ui/table/Table'

interface Props {
  plan: TrialPlan
  /** Those of one page. */
  checks: readonly LoggedCheck[]
  marks: readonly Mark[]
  units: Units
}

/** Checks as they were logged, and as their reports are read. */
export function ChecksTable({ plan, checks, marks, units }: Props) {
  const links = new Map(plan.links.map((l) => [l.id, l]))
  const places = new Map(marks.map((m) => [m.id, m]))
  return (
    <Table
      label="Checks"
      wide
      stacks
      minPx={720}
      head={
        <>
          <th>Mark</th>
          <th>Rig</th>
          <th>Direction</th>
          <th>Report</th>
          <th>Read as</th>
          <th>Calls</th>
          <th>Remark</th>
        </>
      }
    >
      {checks.map((c) => {
        const mark = places.get(c.markId)
        const link = links.get(c.linkId)
        const gone = c.voided !== null
        return (
          <tr key={c.id} style={gone ? { color: 'var(--soft)', textDecoration: 'line-through' } : undefined}>
            <td style={{ whiteSpace: 'nowrap' }}>
              {mark ? `${mark.name}, ${distanceText(mark.distanceM, units)}` : 'another mark'}
            </td>
            <td data-label="Rig">{link ? `${link.letter}, ${link.name}` : 'another rig'}</td>
            <td data-label="Direction">{c.direction}</td>
            <td data-label="Report">
              {c.state === 'sent'
                ? 'sent, not graded yet'
                : c.also === undefined
                  ? c.text
                  : `${c.text}; ${c.also}`}
            </td>
            <td data-label="Read as">
              {c.state === 'sent'
                ? ''
                : readingText(readReport(c.text, plan.scales[listenerOf(c.direction)]))}
            </td>
            <td data-label="Calls">{c.calls}</td>
            <td data-label="Remark">{gone ? `void: ${c.voided!.reason}` : c.remark}</td>
          </tr>
        )
      })}
    </Table>
  )
}
