import { Table } from '@/ui/table/Table'
import { byWords, signed, type Breakdown } from '@/core/findings'
import { Fragment } from 'react'

type Pair = Breakdown['by'][number]['pairs'][number]

/** The difference in one part with its interval; by heard or not, which is ahead and nothing of by how much. */
function sizeOf({ effect }: Pair['within'][number], unit: Pair['unit']): string {
  const { low, high } = effect.interval90
  if (unit === 'none') return low > 0 ? 'ahead' : high < 0 ? 'behind' : 'not sure'
  return `${signed(effect.estimate)} (${signed(low)} to ${signed(high)} ${unit})`
}

/** With many pairs only those that change are gone through; the others are summed up. */
const told = (pairs: Breakdown['by'][number]['pairs']) =>
  pairs.length > 3 ? pairs.filter((p) => p.change) : pairs

/** Differences by leg, distance, kind of ground and time of day, with what is sure of them in a sentence. */
export function ByTable({ by, name }: { by: Breakdown['by']; name: (id: string) => string }) {
  return (
    <Table
      label="Differences by part of the log"
      wide
      stacks
      minPx={680}
      sx={{ '& tbody th': { color: 'var(--ink)', fontWeight: 700, pt: 1.5, borderTop: 0 } }}
      head={
        <>
          <th style={{ width: '40%' }}>Is it the same everywhere?</th>
          <th>First less second (90 % interval), by part</th>
        </>
      }
    >
      {by.map(({ what, pairs }) => (
        <Fragment key={what}>
          <tr>
            <th colSpan={2} scope="rowgroup">
              By {what}
            </th>
          </tr>
          {told(pairs).map((pair) => (
            <tr key={`${pair.a} ${pair.b}`}>
              <td>{pair.change ? <b>{byWords(what, pair, name)}</b> : byWords(what, pair, name)}</td>
              <td>
                {pair.within.map((w) => (
                  <span key={w.group} style={{ display: 'block' }}>
                    <span style={{ color: 'var(--soft)' }}>{w.group}</span> {sizeOf(w, pair.unit)},{' '}
                    <span style={{ color: 'var(--soft)' }}>{w.marks} marks</span>
                  </span>
                ))}
              </td>
            </tr>
          ))}
          {told(pairs).length < pairs.length && (
            <tr>
              <td colSpan={2}>
                {told(pairs).length > 0
                  ? 'For the other pairs no change is sure.'
                  : `No change with the ${what} is sure for any of the ${pairs.length} pairs.`}
              </td>
            </tr>
          )}
        </Fragment>
      ))}
    </Table>
  )
}
