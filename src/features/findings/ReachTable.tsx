import Box from '@mui/material/Box'
import { chanceInWords, reachText, type Findings } from '@/core/findings'
import type { Link } from '@/core/kit'
import type { Units } from '@/core/units'

/** How far each link reaches in each direction, and the worse of the two as the usable reach. */
export function ReachTable({ findings, links, units }: { findings: Findings; links: Link[]; units: Units }) {
  const chances = [...new Set(findings.usable.map((u) => u.chance))]
  const methods = [...new Set(findings.reaches.flatMap((r) => r.reaches.map((x) => x.method)))].filter(
    (m) => m !== 'none',
  )
  return (
    <>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Reach">
        <Box
          component="table"
          sx={{
            borderCollapse: 'collapse',
            width: '100%',
            minWidth: 680,
            '& th': { textAlign: 'left', fontWeight: 400, color: 'var(--soft)' },
            '& td, & th': { borderTop: '1px solid var(--rule)', py: 0.75, pr: 2, verticalAlign: 'top' },
          }}
        >
          <thead>
            <tr>
              <th>Link</th>
              <th>Direction</th>
              {chances.map((c) => (
                <th key={c}>{chanceInWords(c)}</th>
              ))}
              <th>Copied</th>
            </tr>
          </thead>
          <tbody>
            {links.flatMap((link) => [
              ...findings.reaches
                .filter((r) => r.linkId === link.id)
                .map((r) => (
                  <tr key={`${link.id} ${r.direction}`}>
                    <td>
                      {link.letter}, {link.name}
                    </td>
                    <td>{r.direction}</td>
                    {r.reaches.map((x) => (
                      <td key={x.chance}>{reachText(x, units)}</td>
                    ))}
                    <td style={{ whiteSpace: 'nowrap' }}>
                      {r.copied} of {r.checks}
                    </td>
                  </tr>
                )),
              findings.usable.some((u) => u.linkId === link.id && u.limitedBy) && (
                <tr key={`${link.id} usable`} style={{ fontWeight: 700 }}>
                  <td>
                    {link.letter}, {link.name}
                  </td>
                  <td>usable</td>
                  {findings.usable
                    .filter((u) => u.linkId === link.id)
                    .map((u) => (
                      <td key={u.chance}>
                        {reachText(u.reach, units)}
                        <div style={{ fontWeight: 400, color: 'var(--soft)', fontSize: '0.85rem' }}>
                          the worse: {u.limitedBy}
                        </div>
                      </td>
                    ))}
                  <td />
                </tr>
              ),
            ])}
          </tbody>
        </Box>
      </Box>
      <p style={{ color: 'var(--soft)', margin: '6px 0 0' }}>
        90 % profile intervals{methods.length > 0 && `; ${methods.join(' and ')}`}. For ground like these
        legs, not a circle round the base.
      </p>
    </>
  )
}
