'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import type { Problem } from '@/core/outcome'
import { useRouter } from 'next/navigation'
import { useMemo, useState, type ReactNode } from 'react'
import { readKitJson, type ColumnMatch } from '@/core/formats'
import type { Listener } from '@/core/kit'
import type { Scale } from '@/core/reports'
import { FileDrop } from '@/ui/fields/FileDrop'
import { ScaleField } from '@/ui/fields/ScaleField'
import { PageHead, Refused } from '@/ui/shell'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { bringIn } from './actions'
import { ColumnFields } from './ColumnFields'
import {
  guessedMatch,
  guessedScales,
  kitDraft,
  kitText,
  NO_FILES,
  openFiles,
  preview,
  type KitDraft,
  type NamedText,
} from './dayDraft'
import { KitFields } from './KitFields'
import { PreviewTable } from './PreviewTable'

function Part({ n, title, children }: { n: number; title: string; children: ReactNode }) {
  return (
    <Box component="section" sx={{ borderTop: '1px solid var(--rule)', py: 2.5 }}>
      <Typography variant="h2" component="h2" sx={{ mb: 1.5 }}>
        {n}. {title}
      </Typography>
      {children}
    </Box>
  )
}

/** A day from files: open, match the columns, confirm kit and scales, look at every row, then all or nothing. */
export function ImportDay() {
  const router = useRouter()
  const [files, setFiles] = useState(NO_FILES)
  const [problems, setProblems] = useState<Problem[]>([])
  const [match, setMatch] = useState<ColumnMatch | null>(null)
  const [kit, setKit] = useState<KitDraft | null>(null)
  const [scales, setScales] = useState<Record<Listener, Scale> | null>(null)
  const [confirmed, setConfirmed] = useState(false)
  const [name, setName] = useState('')
  const [fixed, setFixed] = useState(true)
  const [without, setWithout] = useState(false)
  /** The trial that holds this day already. */
  const [known, setKnown] = useState<string | null>(null)
  const action = useAction()
  useUnsaved(files.checks !== null && known === null && !action.busy)

  const take = (texts: NamedText[]) => {
    const opened = openFiles(texts, files)
    setFiles(opened.files)
    setProblems(opened.problems)
    setKnown(null)
    action.refuse()
    if (!opened.files.checks) return
    const columns =
      opened.files.checks === files.checks && match ? match : guessedMatch(opened.files.checks.table)
    setMatch(columns)
    setKit(kitDraft(opened.files, columns))
    setScales(guessedScales(opened.files, columns))
    setConfirmed(false)
    if (!name) setName(opened.files.checks.name.replace(/(-checks)?\.\w+$/, '').replace(/[-_]/g, ' '))
  }
  const kitRead = useMemo(
    () => (kit ? readKitJson(kitText(kit, files.kit?.value.listeners)) : null),
    [kit, files.kit],
  )
  const rows = useMemo(
    () =>
      match && scales && kit
        ? preview(
            files,
            match,
            kit.rigs.map((r) => r.name),
            scales,
          )
        : null,
    [files, match, scales, kit],
  )
  const troubled = rows ? rows.problems.length + rows.unread.length : 0
  const submit = async () => {
    if (!files.checks || !match || !scales || !kit) return
    const request = {
      name,
      checksName: files.checks.name,
      checks: files.checks.text,
      gpx: files.gpx?.text ?? null,
      kit: kitText(kit, files.kit?.value.listeners),
      match,
      scales,
      fixedBeforehand: fixed,
      withoutBadRows: without,
    }
    await action.run(
      () => bringIn(request),
      (made) => {
        if (made.knownBefore) setKnown(made.trialId)
        else router.push(`/trials/${made.trialId}/findings`)
      },
    )
  }
  const opened = [files.checks, files.gpx, files.kit].flatMap((f) => (f ? [f.name] : []))
  return (
    <>
      <PageHead
        title="Import a day from files"
        lead="A table of checks as CSV, and if you have them a GPX file of the marks and tracks and a kit file. Nothing is stored before the last button."
      />
      <Part n={1} title="Files">
        <FileDrop
          label={opened.length > 0 ? `Open: ${opened.join(', ')}` : 'Drop the files here'}
          hint="Checks as .csv, ground as .gpx, kit as .json."
          accept=".csv,.txt,.tsv,.gpx,.json"
          multiple
          onFiles={take}
          onTooLarge={(file) =>
            setProblems([{ code: 'large', where: file, message: 'The file is larger than 64 MB. Split it.' }])
          }
        />
        {problems.length > 0 && (
          <Refused title="Not taken in; what was open before is still open" problems={problems} />
        )}
      </Part>
      {files.checks && match && scales && kit && rows && (
        <>
          <Part n={2} title="Columns">
            <ColumnFields
              table={files.checks.table}
              value={match}
              onChange={(m) => {
                setMatch(m)
                setKit(kitDraft(files, m))
              }}
            />
          </Part>
          <Part n={3} title="Kit">
            <KitFields value={kit} onChange={setKit} />
            {kitRead && !kitRead.ok && (
              <Refused title="The kit is not complete" problems={kitRead.problems} />
            )}
          </Part>
          <Part n={4} title="What the reports mean">
            <Typography sx={{ mb: 2, color: 'var(--soft)', maxWidth: 760 }}>
              Guessed from the reports. The same figures mean different things to different teams, so please
              confirm.
            </Typography>
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: 'minmax(0,1fr)', sm: 'repeat(2, minmax(0,1fr))' },
                gap: 3,
              }}
            >
              <ScaleField
                label="The base reported"
                value={scales.base}
                onChange={(base) => setScales({ ...scales, base })}
              />
              <ScaleField
                label="Whoever was out there reported"
                value={scales.out}
                onChange={(out) => setScales({ ...scales, out })}
              />
            </Box>
            <FormControlLabel
              control={<Checkbox checked={confirmed} onChange={(e) => setConfirmed(e.target.checked)} />}
              label="Yes, this is what the reports mean"
            />
          </Part>
          <Part n={5} title={`Every row: ${rows.rows.length - rows.unread.length} read, ${troubled} not`}>
            {troubled > 0 && (
              <Refused
                title="These cannot be read"
                problems={[
                  ...rows.problems,
                  ...rows.unread.map(({ row, reading }) => ({
                    code: 'report',
                    where: `line ${row.line}`,
                    message: `"${row.report}": ${reading.state === 'not read' ? reading.why : ''}`,
                  })),
                ]}
              />
            )}
            <PreviewTable rows={rows.rows} />
            {troubled > 0 && (
              <FormControlLabel
                control={<Checkbox checked={without} onChange={(e) => setWithout(e.target.checked)} />}
                label={`Import without the ${rows.problems.length} rows listed; ${rows.unread.length} unread reports come in as text`}
              />
            )}
          </Part>
          <Part n={6} title="Bring it in">
            <Box sx={{ display: 'grid', gap: 1.5, justifyItems: 'start' }}>
              <TextField
                label="Name of the trial"
                value={name}
                onChange={(e) => setName(e.target.value)}
                sx={{ minWidth: { sm: 360 } }}
              />
              <FormControlLabel
                control={<Checkbox checked={fixed} onChange={(e) => setFixed(e.target.checked)} />}
                label="The number of marks was fixed beforehand; nobody stopped because it seemed clear"
              />
              <Button
                variant="contained"
                size="large"
                onClick={() => void submit()}
                disabled={
                  action.busy ||
                  !confirmed ||
                  !kitRead?.ok ||
                  rows.rows.length === 0 ||
                  (troubled > 0 && !without)
                }
              >
                Import {rows.rows.length} checks
              </Button>
              {!confirmed && (
                <span style={{ color: 'var(--soft)' }}>Confirm under 4 what the reports mean.</span>
              )}
            </Box>
            <div role="status">
              {known && (
                <p>
                  This file is already in: nothing was changed.{' '}
                  <Link href={`/trials/${known}/findings`}>Open its findings</Link>
                </p>
              )}
            </div>
            {action.refusal('Nothing was imported')}
          </Part>
        </>
      )}
    </>
  )
}
