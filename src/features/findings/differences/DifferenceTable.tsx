import Box from '@mui/material/Box'
import { Table } from '@/ui/table/Table'
import Typography from '@mui/material/Typography'
import {
  signed,
  takenOutText,
  tenths as dB,
  verdictWords,
  type Difference,
  type JudgedPair,
} from '@/core/findings'
import { intervalText } from '@/core/units'

function Size({ d }: { d: Difference | null }) {
  if (!d) return <span style={{ color: 'var(--soft)' }}>not in dB</span>
  if (d.marksUsed.length < 4) return <span style={{ color: 'var(--soft)' }}>too few marks</span>
  return (
    <>
      <b>{`${dB(d.estimate)} dB`}</b>{' '}
      <span style={{ whiteSpace: 'nowrap' }}>({intervalText(d.interval90.low, d.interval90.high, dB)})</span>
    </>
  )
}

function PairDetails({ pair }: { pair: JudgedPair }) {
  const { wins } = pair
  return (
    <details>
      <summary style={{ cursor: 'pointer' }}>How it was found</summary>
      <Box component="ul" sx={{ m: 0, pl: 2.5, maxWidth: 620 }}>
        {pair.evened && (
          <li>
            Method: joint model; 90 % interval, {wins.of}s as the units, every report an interval in dB.
            Spread
            {wins.of === 'mark' ? ' at a mark' : ' from round to round'} about {dB(pair.evened.spread)} dB.
          </li>
        )}
        {pair.takenOut.map((t) => (
          <li key={t.direction}>
            {t.direction}:{' '}
            {t.known.length === 0
              ? 'no known difference'
              : t.known
                  .map(
                    (k) =>
                      `${k.what} (${k.end}) ${signed(k.db)} dB${k.ofMatchDb ? ` (match ${signed(k.ofMatchDb)} dB)` : ''}`,
                  )
                  .join(', ')}
          </li>
        ))}
        <li>
          By {wins.of}, {wins.by}: {wins.wins} won, {wins.draws} drawn, {wins.losses} lost
          {wins.undecided > 0 && `, ${wins.undecided} open`}
          {wins.p !== null
            ? `; exact sign test p = ${wins.p < 0.001 ? 'below 0.001' : wins.p.toFixed(3)}`
            : '; too few for a sign test'}
          .
        </li>
        {pair.hodgesLehmann && (
          <li>
            Hodges-Lehmann {dB(pair.hodgesLehmann.estimate)} dB (
            {intervalText(pair.hodgesLehmann.low, pair.hodgesLehmann.high, dB)}), exact signed-rank.
          </li>
        )}
        {pair.alwaysValid && (
          <li>
            If the marks were not fixed beforehand:{' '}
            {intervalText(pair.alwaysValid.low, pair.alwaysValid.high, dB)} {pair.evened ? 'dB' : 'steps'},
            valid however often one looks.
          </li>
        )}
        {pair.leftOut.map((l) => (
          <li key={l.why}>
            Left out, {l.checkIds.length} checks: {l.why}.
          </li>
        ))}
      </Box>
    </details>
  )
}

/** Every pair of links in one direction, or both together: evened and raw, with wins and losses beside them. */
export function DifferenceTable({
  title,
  pairs,
  name,
}: {
  title: string
  pairs: JudgedPair[]
  name: (id: string) => string
}) {
  return (
    <Box component="section" sx={{ mb: 3 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      <Table
        label={`Differences, ${title}`}
        wide
        stacks
        minPx={680}
        head={
          <>
            <th style={{ width: '46%' }}>Verdict</th>
            <th>Evened, first less second</th>
            <th>Raw</th>
            <th>Won, drawn, lost</th>
          </>
        }
      >
        {pairs.map((p) => (
          <tr key={`${p.a} ${p.b}`}>
            <td>
              <b>{verdictWords(p, name).lead}.</b> {verdictWords(p, name).detail}
              {p.disagreement && <div style={{ color: 'var(--bad)' }}>{p.disagreement}</div>}
              <PairDetails pair={p} />
            </td>
            <td data-label="Evened">
              <div style={{ color: 'var(--soft)' }}>
                {name(p.a)} − {name(p.b)}
              </div>
              <Size d={p.evened} />
              <div style={{ color: 'var(--soft)', fontSize: '0.85rem' }}>{takenOutText(p)}</div>
            </td>
            <td data-label="Raw">
              {p.evened && !p.raw ? (
                <span style={{ color: 'var(--soft)' }}>differs by direction</span>
              ) : (
                <Size d={p.raw} />
              )}
            </td>
            <td data-label="Won, drawn, lost" style={{ whiteSpace: 'nowrap' }}>
              {p.wins.wins}, {p.wins.draws}, {p.wins.losses}
            </td>
          </tr>
        ))}
      </Table>
    </Box>
  )
}
