'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useState } from 'react'
import { readCsvTable, type CsvTable } from '@/core/formats/csvTable'
import {
  FREQUENCY_UNITS,
  guessSweepColumns,
  SWEEP_FIGURES,
  sweepOfTable,
  type SweepColumns,
} from '@/core/formats/sweepTable'
import { readTouchstone, type TouchstoneFile } from '@/core/formats/touchstone'
import type { Sweep } from '@/core/bench'
import type { Problem } from '@/core/outcome'
import type { DroppedFile } from '@/ui/fields/droppedFile'
import { FileDrop } from '@/ui/fields/FileDrop'
import { PickOne } from '@/ui/fields/PickOne'
import { Refused } from '@/ui/shell'

interface Props {
  /** Reference impedance where the file does not say. */
  ohm: number
  onSweep: (sweep: Sweep, fileName: string) => void
}

interface Asked {
  fileName: string
  table: CsvTable
  columns: SweepColumns
}

/** Reads sweeps from files: Touchstone as it is, a table by its columns, which can be set right. */
export function FilePart({ ohm, onSweep }: Props) {
  const [problems, setProblems] = useState<Problem[]>([])
  const [asked, setAsked] = useState<Asked | null>(null)
  const [ports, setPorts] = useState<{ fileName: string; file: TouchstoneFile } | null>(null)

  const read = ([file]: DroppedFile[]) => {
    setProblems([])
    setAsked(null)
    setPorts(null)
    if (!file) return
    const table =
      /\.(csv|tsv|txt)$/i.test(file.name) && !/^\s*#/m.test(file.text) ? readCsvTable(file.text) : null
    if (table) {
      if (table.ok)
        setAsked({ fileName: file.name, table: table.value, columns: guessSweepColumns(table.value) })
      else setProblems(table.problems)
      return
    }
    const touchstone = readTouchstone(file.text, file.name)
    if (!touchstone.ok) setProblems(touchstone.problems)
    else if (touchstone.value.parameters.length > 1) setPorts({ fileName: file.name, file: touchstone.value })
    else onSweep(touchstone.value.parameters[0]!.sweep, file.name)
  }
  const takeTable = () => {
    if (!asked) return
    const sweep = sweepOfTable(asked.table, asked.columns, ohm)
    if (!sweep.ok) return setProblems(sweep.problems)
    setProblems([])
    onSweep(sweep.value, asked.fileName)
    setAsked(null)
  }
  return (
    <>
      <FileDrop
        label="A sweep from a file"
        hint="Touchstone (.s1p, .s2p) or a table (.csv)."
        accept=".s1p,.s2p,.ts,.csv,.tsv,.txt"
        onFiles={read}
        onTooLarge={(name) =>
          setProblems([{ code: 'too-large', where: name, message: 'It is larger than 64 MB.' }])
        }
      />
      {problems.length > 0 && <Refused title="This file was not read" problems={problems} />}
      {ports && (
        <Box sx={{ mt: 1 }}>
          Which of its parameters? S11 and S22 are what comes back at each port.
          <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
            {ports.file.parameters
              .filter((p) => p.name === 'S11' || p.name === 'S22')
              .map((p) => (
                <Button
                  key={p.name}
                  variant="outlined"
                  onClick={() => {
                    onSweep(p.sweep, `${ports.fileName}, ${p.name}`)
                    setPorts(null)
                  }}
                >
                  {p.name}
                </Button>
              ))}
          </Box>
        </Box>
      )}
      {asked && (
        <ColumnsAsked
          asked={asked}
          onChange={(columns) => setAsked({ ...asked, columns })}
          onTake={takeTable}
        />
      )}
    </>
  )
}

function ColumnsAsked({
  asked,
  onChange,
  onTake,
}: {
  asked: Asked
  onChange: (c: SweepColumns) => void
  onTake: () => void
}) {
  const { table, columns } = asked
  const names = table.heading.map((h, i) => ({ value: String(i), name: h || `Column ${i + 1}` }))
  const two = SWEEP_FIGURES.find((f) => f.id === columns.figure)!.two
  const change = (c: Partial<SweepColumns>) => onChange({ ...columns, ...c })
  const pick = (label: string, key: 'frequency' | 'first' | 'second') => (
    <PickOne
      label={label}
      value={String(columns[key])}
      options={names}
      onPick={(v) => change({ [key]: Number(v) })}
      fullWidth
    />
  )
  return (
    <Box sx={{ display: 'grid', gap: 1.25, mt: 1.5 }}>
      <b>{asked.fileName}: which column is what?</b>
      {pick('Frequency', 'frequency')}
      <PickOne
        label="in"
        value={columns.unit}
        options={FREQUENCY_UNITS.map((u) => ({ value: u.id, name: u.id }))}
        onPick={(unit) => change({ unit })}
      />
      <PickOne
        label="Figures"
        value={columns.figure}
        options={SWEEP_FIGURES.map((f) => ({ value: f.id, name: f.name }))}
        onPick={(figure) =>
          change({ figure, second: columns.second < 0 ? Math.min(2, names.length - 1) : columns.second })
        }
      />
      {pick(two ? 'First figure' : 'Column', 'first')}
      {two && pick('Second figure', 'second')}
      <Button variant="contained" onClick={onTake}>
        Read the sweep
      </Button>
    </Box>
  )
}
