import { Table } from '@/ui/table/Table'
import { chanceInWords, reachText, type Findings } from '@/core/findings'
import type { Link } from '@/core/kit'
import type { Units } from '@/core/units'

/** How far each link reaches in each direction, and both ways together as the usable reach. */
export function ReachTable({
  findings,
  links,
  units,
  usableOnly = false,
}: {
  findings: Findings
  links: Link[]
  units: Units
  /** One line a link: what can be counted on both ways. */
  usableOnly?: boolean
}) {
  const chances = [...new Set(findings.usable.map((u) => u.chance))]
  const both = (linkId: string) => findings.reaches.filter((r) => r.linkId === linkId).length > 1
  return (
    <>
      <Table
        label="Reach"
        wide
        stacks
        minPx={680}
        head={
          <>
            <th>Link</th>
            {!usableOnly && <th>Direction</th>}
            {chances.map((c) => (
              <th key={c}>{chanceInWords(c)}</th>
            ))}
            {!usableOnly && <th>Copied</th>}
          </>
        }
      >
        {links.flatMap((link) => [
          ...findings.reaches
            .filter((r) => r.linkId === link.id && !(usableOnly && both(link.id)))
            .map((r) => (
              <tr key={`${link.id} ${r.direction}`}>
                <td>
                  {link.letter}, {link.name}
                </td>
                {!usableOnly && <td>{r.direction}</td>}
                {r.reaches.map((x) => (
                  <td key={x.chance} data-label={chanceInWords(x.chance)}>
                    {reachText(x, units)}
                  </td>
                ))}
                {!usableOnly && (
                  <td data-label="Copied" style={{ whiteSpace: 'nowrap' }}>
                    {r.copied} of {r.checks}
                  </td>
                )}
              </tr>
            )),
          both(link.id) && (
            <tr key={`${link.id} usable`} style={{ fontWeight: 700 }}>
              <td>
                {link.letter}, {link.name}
              </td>
              {!usableOnly && <td>usable</td>}
              {findings.usable
                .filter((u) => u.linkId === link.id)
                .map((u) => (
                  <td key={u.chance} data-label={chanceInWords(u.chance)}>
                    {reachText(u.reach, units)}
                    {u.limitedBy && (
                      <div style={{ fontWeight: 400, color: 'var(--soft)', fontSize: '0.85rem' }}>
                        {u.limitedBy} is the weaker way
                      </div>
                    )}
                  </td>
                ))}
              {!usableOnly && <td />}
            </tr>
          ),
        ])}
      </Table>
      <p style={{ color: 'var(--soft)', margin: '6px 0 0' }}>
        The figures in brackets hold 9 times in 10. For any place so far out on ground like these legs,
        whatever stands in its way; not a circle round the base.
      </p>
    </>
  )
}
