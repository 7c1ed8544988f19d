import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { FORECASTS, type HonestCheck, type LeftOut } from '@/core/reach/correction/leaveOut'
import { countText, percentText } from '@/core/units'
import { Table } from '@/ui/table/Table'

const NAMES = {
  'prediction alone': 'The prediction alone',
  'distance alone': 'Distance alone, fitted to the log',
  corrected: 'The prediction, corrected by the log',
} as const

function Rows({ title, out }: { title: string; out: LeftOut }) {
  return FORECASTS.map((f, i) => (
    <tr key={f}>
      <th scope="row">{i === 0 ? title : ''}</th>
      <td data-label="Told by">{f === 'corrected' ? <b>{NAMES[f]}</b> : NAMES[f]}</td>
      <td data-label="Copies told rightly">{percentText(out.right[f])}</td>
      <td data-label="Levels off by">{out.rmsDb ? `${out.rmsDb[f].toFixed(1)} dB` : 'none read'}</td>
    </tr>
  ))
}

/** What the check comes to, in a sentence. */
function verdict({ legs, marks, holds }: HonestCheck): string {
  const out = legs ?? marks
  if (!out) return 'There are too few marks to hold the map against.'
  const what = legs ? 'Each way out, told from the others' : 'Each mark, told from the others'
  const { right } = out
  const came = `the corrected map tells ${percentText(right.corrected)} of ${countText(out.copies, 'copy', 'copies')} rightly`
  const beside = `the prediction alone ${percentText(right['prediction alone'])}, distance alone ${percentText(right['distance alone'])}`
  return holds
    ? `${what}: ${came}; ${beside}.`
    : `${what}: ${came}, no better than what is simpler (${beside}). Go by the distances under Findings instead.`
}

/** The honest check: what the map would have said of checks that it had not seen. */
export function HonestPart({ check }: { check: HonestCheck | null }) {
  return (
    <Box component="section" sx={{ my: 3 }}>
      <Typography variant="h2" component="h2" gutterBottom>
        How well it tells what it has not seen
      </Typography>
      {!check ? (
        <Box sx={{ color: 'var(--soft)' }}>
          Nothing is logged that could be held against it. Eight checks at two marks or more are enough to
          begin with.
        </Box>
      ) : (
        <>
          <Box sx={{ mb: 1, maxWidth: 820 }}>{verdict(check)}</Box>
          {!check.legs && check.marks && (
            <Box sx={{ mb: 1, maxWidth: 820, color: 'var(--soft)' }}>
              All checks lie on one way out: nothing says how far the map is off to the side of it.
            </Box>
          )}
          <Table
            label="Told from the others"
            stacks
            head={
              <>
                <th>Left out in turn</th>
                <th>Told by</th>
                <th>Copies told rightly</th>
                <th>Levels off by</th>
              </>
            }
          >
            {check.legs && <Rows title="each way out" out={check.legs} />}
            {check.marks && <Rows title="each mark" out={check.marks} />}
          </Table>
          {(check.legs ?? check.marks)?.held != null && (
            <Box sx={{ color: 'var(--soft)', mt: 1 }}>
              Of the levels it had not seen, {percentText((check.legs ?? check.marks)!.held!)} lay within its
              90 % intervals.
            </Box>
          )}
        </>
      )}
    </Box>
  )
}
