'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { useMemo, useState, type KeyboardEvent } from 'react'
import { foldEntries, type Entry, type TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { deskEntries, sendDeskEntries } from '../log/deskEntries'
import { PageHead, Refused } from '@/ui/shell'
import { NOTHING_WRITTEN, sheetRows, writtenBody, writtenProblem, type Written } from './sheetRows'

interface Props {
  runId: string
  runName: string
  plan: TrialPlan
  entries: Entry[]
  units: Units
}

const cell = {
  border: '1px solid var(--rule)',
  font: 'inherit',
  padding: '4px 6px',
  width: '100%',
  minHeight: 34,
  background: 'transparent',
  color: 'inherit',
} as const

/** Enter goes to the line below, as a pencil would. */
function down(e: KeyboardEvent<HTMLTableElement>) {
  if (e.key !== 'Enter' || !(e.target instanceof HTMLInputElement)) return
  e.preventDefault()
  const inputs = [...e.currentTarget.querySelectorAll<HTMLInputElement>('input[data-report]')]
  const row = e.target.closest('tr')
  const at = inputs.findIndex((i) => i.closest('tr') === row)
  inputs[at + 1]?.focus()
}

/** The plan as a sheet of paper, and the paper typed in again: a check a line, in the same order. */
export function LogSheet({ runId, runName, plan, entries, units }: Props) {
  const router = useRouter()
  const rows = useMemo(() => sheetRows(plan, foldEntries(entries)), [plan, entries])
  const [written, setWritten] = useState<Record<string, Written>>({})
  const [said, setSaid] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const of = (key: string) => written[key] ?? NOTHING_WRITTEN
  const set = (key: string, change: Partial<Written>) =>
    setWritten((old) => ({ ...old, [key]: { ...NOTHING_WRITTEN, ...old[key], ...change } }))
  const filled = rows.filter((r) => r.logged === null && of(r.key).report.trim() !== '')
  const wrong = rows.filter((r) => r.logged === null && writtenProblem(plan, r, of(r.key)) !== null)
  const log = async () => {
    const bodies = filled.map((r) => ({ body: writtenBody(r, of(r.key)) }))
    const made = deskEntries(runId, 'paper', bodies)
    try {
      await sendDeskEntries(made)
      setSaid(`Logged: ${made.length} checks from paper.`)
      setProblem(null)
      setWritten({})
      router.refresh()
    } catch (e) {
      setProblem(`${e instanceof Error ? e.message : String(e)}. What you typed is still here; try again.`)
    }
  }
  return (
    <>
      <PageHead
        title={`Log sheet: ${runName}`}
        lead="Print it and take it along, or type a filled one in: Enter goes to the next line, Tab to calls and remark."
      />
      <Box
        className="no-print"
        sx={{ display: 'flex', gap: 1.5, mb: 2, flexWrap: 'wrap', alignItems: 'center' }}
      >
        <Button variant="outlined" onClick={() => window.print()}>
          Print the sheet
        </Button>
        <Button
          variant="contained"
          disabled={filled.length === 0 || wrong.length > 0}
          onClick={() => void log()}
        >
          Log the {filled.length} filled in
        </Button>
        <span role="status">{wrong.length > 0 ? `${wrong.length} lines cannot be read yet.` : said}</span>
      </Box>
      {problem && <Refused title="It was not logged" problems={[{ where: runName, message: problem }]} />}
      <Box
        sx={{ overflowX: 'auto', '@media print': { overflow: 'visible' } }}
        tabIndex={0}
        role="region"
        aria-label="Log sheet"
      >
        <Box
          component="table"
          onKeyDown={down}
          sx={{
            borderCollapse: 'collapse',
            minWidth: 760,
            width: '100%',
            '& th': { textAlign: 'left', fontWeight: 400, color: 'var(--soft)' },
            '& td, & th': { borderTop: '1px solid var(--rule)', px: 0.75, py: 0.3, verticalAlign: 'top' },
            '@media print': { minWidth: 0, fontSize: '10pt', '& tr': { breakInside: 'avoid' } },
          }}
        >
          <thead>
            <tr>
              <th>Mark</th>
              <th>Rig</th>
              <th>Direction</th>
              <th style={{ width: '22%' }}>Report</th>
              <th style={{ width: '9%' }}>Calls</th>
              <th style={{ width: '24%' }}>Remark</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r, i) => {
              const { mark, direction, repeat } = r.check
              const first = i === 0 || rows[i - 1]!.check.markId !== mark.id
              const label = `${mark.name} ${r.letter} ${direction}${plan.repeats > 1 ? ` ${repeat}` : ''}`
              const bad = r.logged === null ? writtenProblem(plan, r, of(r.key)) : null
              return (
                <tr key={r.key}>
                  <td>
                    {first && (
                      <>
                        <b>{mark.name}</b> {distanceText(mark.distanceM, units)}
                        {mark.bearingDeg !== null && `, ${Math.round(mark.bearingDeg)}°`}
                      </>
                    )}
                  </td>
                  <td>
                    <b>{r.letter}</b> {r.linkName}
                  </td>
                  <td>{direction}</td>
                  {r.logged !== null ? (
                    <td colSpan={3}>{r.logged}</td>
                  ) : (
                    <>
                      <td>
                        <input
                          data-report
                          style={cell}
                          value={of(r.key).report}
                          aria-label={`Report ${label}`}
                          aria-invalid={bad !== null}
                          onChange={(e) => set(r.key, { report: e.target.value })}
                        />
                        {bad && <div style={{ color: 'var(--bad)', fontSize: '0.88rem' }}>{bad}</div>}
                      </td>
                      <td>
                        <input
                          style={cell}
                          inputMode="numeric"
                          value={of(r.key).calls}
                          aria-label={`Calls ${label}`}
                          onChange={(e) => set(r.key, { calls: e.target.value })}
                        />
                      </td>
                      <td>
                        <input
                          style={cell}
                          value={of(r.key).remark}
                          aria-label={`Remark ${label}`}
                          onChange={(e) => set(r.key, { remark: e.target.value })}
                        />
                      </td>
                    </>
                  )}
                </tr>
              )
            })}
          </tbody>
        </Box>
      </Box>
    </>
  )
}
