import Box from '@mui/material/Box'
import { inOrder, signed, tenths, type JudgedPair, type Standings } from '@/core/findings'
import type { Link } from '@/core/kit'
import { RigBadge } from '@/ui/shell/RigBadge'
import { Table } from '@/ui/table/Table'

interface Props {
  links: readonly Link[]
  /** Pairs of one scope. */
  pairs: readonly JudgedPair[]
  /** What they are put in the order of; as planned where there is none. */
  standings: Standings | null
  looks: Record<string, number>
}

/** How strongly a cell is shaded: a half is nothing, certainty is full. */
const shade = (chance: number) => Math.round(100 * Math.min(1, Math.max(0, 2 * Math.abs(chance - 0.5))) ** 2)

function Cell({ pair, turned }: { pair: JudgedPair | undefined; turned: boolean }) {
  if (!pair) return <td aria-label="not compared" />
  const sign = turned ? -1 : 1
  const size = pair.evened?.estimate ?? pair.joint?.steps?.estimate ?? null
  const times = pair.joint?.times?.estimate
  const shown =
    times !== undefined
      ? `× ${tenths(turned ? 1 / times : times)}`
      : size !== null
        ? signed(sign * size)
        : null
  const chance = pair.joint?.aBetter ?? 0.5
  const mine = turned ? 1 - chance : chance
  const sure = pair.verdict.kind === 'better'
  const said = sure ? (mine > 0.5 ? 'better' : 'worse') : pair.verdict.kind
  return (
    <Box
      component="td"
      sx={{
        textAlign: 'center !important',
        fontWeight: sure ? 700 : 400,
        color: sure ? 'var(--ink)' : 'var(--soft)',
        background:
          mine > 0.5
            ? `color-mix(in srgb, var(--accent-fill) ${Math.round(0.6 * shade(mine))}%, transparent)`
            : 'none',
        minWidth: 64,
      }}
    >
      {shown ?? said}
      <span style={{ position: 'absolute', clipPath: 'inset(50%)', width: 1, height: 1, overflow: 'hidden' }}>
        , {said}
      </span>
    </Box>
  )
}

/** Who is surely better than whom: each rig against each, the best at the top; bold is sure, shading is the chance. */
export function PairMatrix({ links, pairs, standings, looks }: Props) {
  const order = inOrder(links, standings)
  const unit = pairs.some((p) => p.evened)
    ? 'dB'
    : pairs.some((p) => p.joint?.times)
      ? 'times as far'
      : 'steps of the scale'
  return (
    <figure style={{ margin: '0 0 20px' }} aria-label="Each against each">
      <Table
        label="Each against each"
        minPx={90 + 70 * order.length}
        head={
          <>
            <th>
              Row {unit === 'times as far' ? 'against' : 'less'} column, {unit}
            </th>
            {order.map((l) => (
              <th key={l.id} style={{ textAlign: 'center' }}>
                <RigBadge letter={l.letter} index={looks[l.id]!} size={22} />
              </th>
            ))}
          </>
        }
      >
        {order.map((row) => (
          <tr key={row.id}>
            <th scope="row" style={{ whiteSpace: 'nowrap' }}>
              <RigBadge letter={row.letter} index={looks[row.id]!} size={22} /> {row.name}
            </th>
            {order.map((column) => {
              if (row === column)
                return <Box key={column.id} component="td" sx={{ background: 'var(--rule)', opacity: 0.5 }} />
              const pair = pairs.find(
                (p) => (p.a === row.id && p.b === column.id) || (p.a === column.id && p.b === row.id),
              )
              return <Cell key={column.id} pair={pair} turned={pair?.a === column.id} />
            })}
          </tr>
        ))}
      </Table>
      <figcaption style={{ color: 'var(--soft)' }}>
        Bold: sure, all pairs taken together. The darker, the likelier the row is the better; what is known is
        taken out.
      </figcaption>
    </figure>
  )
}
