'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useRouter } from 'next/navigation'
import { useMemo, useState, type KeyboardEvent } from 'react'
import { foldEntries, type Entry, type TrialPlan } from '@/core/trial'
import { distanceText, type Units } from '@/core/units'
import { deskEntries, sendDeskEntries } from '../log/deskEntries'
import { Table } from '@/ui/table/Table'
import { PageHead, Refused } from '@/ui/shell'
import { MAX_LETTERS } from '@/core/schema/limits'
import {
  NOTHING_WRITTEN,
  sheetRows,
  writtenBody,
  writtenProblem,
  type SheetRow,
  type Written,
} from './sheetRows'

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

const SHEET = { '@media print': { minWidth: 0, fontSize: '10pt', '& tr': { breakInside: 'avoid' } } }

interface LineProps {
  row: SheetRow
  /** The first of its mark. */
  first: boolean
  plan: TrialPlan
  units: Units
  written: Written
  onWritten: (change: Partial<Written>) => void
}

/** One check of the sheet: as it was logged, or what is typed of it. */
function SheetLine({ row, first, plan, units, written, onWritten }: LineProps) {
  const { mark, direction, repeat } = row.check
  const label = `${mark.name} ${row.letter} ${direction}${plan.repeats > 1 ? ` ${repeat}` : ''}`
  const bad = row.logged === null ? writtenProblem(plan, row, written) : null
  return (
    <tr>
      <td>
        {first && (
          <>
            <b>{mark.name}</b> {distanceText(mark.distanceM, units)}
            {mark.bearingDeg !== null && `, ${Math.round(mark.bearingDeg)}°`}
          </>
        )}
      </td>
      <td>
        <b>{row.letter}</b> {row.linkName}
      </td>
      <td>{direction}</td>
      {row.logged !== null ? (
        <td colSpan={3}>{row.logged}</td>
      ) : (
        <>
          <td>
            <input
              data-report
              style={cell}
              value={written.report}
              maxLength={MAX_LETTERS.report}
              aria-label={`Report ${label}`}
              aria-invalid={bad !== null}
              onChange={(e) => onWritten({ report: e.target.value })}
            />
            {bad && <div style={{ color: 'var(--bad)', fontSize: '0.88rem' }}>{bad}</div>}
          </td>
          <td>
            <input
              style={cell}
              inputMode="numeric"
              value={written.calls}
              aria-label={`Calls ${label}`}
              onChange={(e) => onWritten({ calls: e.target.value })}
            />
          </td>
          <td>
            <input
              style={cell}
              value={written.remark}
              maxLength={MAX_LETTERS.remark}
              aria-label={`Remark ${label}`}
              onChange={(e) => onWritten({ remark: e.target.value })}
            />
          </td>
        </>
      )}
    </tr>
  )
}

/** The plan as a sheet of paper, and the paper typed in again: a check a line, in the same order. */
export function LogSheet({ runId, runName, plan, entries, units }: Props) {
  const router = useRouter()
  const log = useMemo(() => foldEntries(entries), [entries])
  const rows = useMemo(() => sheetRows(plan, log), [plan, log])
  const [written, setWritten] = useState<Record<string, Written>>({})
  const [said, setSaid] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const of = (key: string) => written[key] ?? NOTHING_WRITTEN
  const set = (key: string, change: Partial<Written>) =>
    setWritten((old) => ({ ...old, [key]: { ...NOTHING_WRITTEN, ...old[key], ...change } }))
  const filled = rows.filter((r) => r.logged === null && of(r.key).report.trim() !== '')
  const wrong = rows.filter((r) => r.logged === null && writtenProblem(plan, r, of(r.key)) !== null)
  const logFilled = async () => {
    const bodies = filled.map((r) => ({ body: writtenBody(r, of(r.key)) }))
    const made = deskEntries(runId, 'paper', log.newestId, bodies)
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
          onClick={() => void logFilled()}
        >
          Log the {filled.length} filled in
        </Button>
        <span role="status">{wrong.length > 0 ? `${wrong.length} lines cannot be read yet.` : said}</span>
      </Box>
      {problem && <Refused title="It was not logged" problems={[{ where: runName, message: problem }]} />}
      <Table
        label="Log sheet"
        wide
        minPx={760}
        onKeyDown={down}
        sx={SHEET}
        head={
          <>
            <th>Mark</th>
            <th>Rig</th>
            <th>Direction</th>
            <th style={{ width: '22%' }}>Report</th>
            <th style={{ width: '9%' }}>Calls</th>
            <th style={{ width: '24%' }}>Remark</th>
          </>
        }
      >
        {rows.map((r, i) => (
          <SheetLine
            key={r.key}
            row={r}
            first={i === 0 || rows[i - 1]!.check.markId !== r.check.mark.id}
            plan={plan}
            units={units}
            written={of(r.key)}
            onWritten={(change) => set(r.key, change)}
          />
        ))}
      </Table>
    </>
  )
}
