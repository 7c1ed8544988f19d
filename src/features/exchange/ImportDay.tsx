'use client'

import type { Problem } from '@/core/outcome'
import { useRouter } from 'next/navigation'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { readKitJson, unitOfColumn, type ColumnMatch, type DistanceUnit } from '@/core/formats'
import type { Listener } from '@/core/kit'
import type { Scale } from '@/core/reports'
import type { Units } from '@/core/units'
import { FileDrop } from '@/ui/fields/FileDrop'
import { PageHead, Refused } from '@/ui/shell'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { bringIn } from './actions'
import { ColumnFields } from './ColumnFields'
import { DistanceUnitField } from './DistanceUnitField'
import {
  guessedMatch,
  guessedScales,
  kitDraft,
  kitText,
  NO_FILES,
  openFiles,
  preview,
  someDistances,
  type KitDraft,
  type NamedText,
} from './dayDraft'
import { BringIn, EveryRow, Meanings, Part } from './ImportParts'
import { KitFields } from './KitFields'

/** A day from files: open, match the columns, confirm kit and scales, look at every row, then all or nothing. */
export function ImportDay({ units }: { units: Units }) {
  const router = useRouter()
  const [files, setFiles] = useState(NO_FILES)
  const [problems, setProblems] = useState<Problem[]>([])
  const [match, setMatch] = useState<ColumnMatch | null>(null)
  const [kit, setKit] = useState<KitDraft | null>(null)
  const [scales, setScales] = useState<Record<Listener, Scale> | null>(null)
  /** Who reported in bare digits, and has not been asked yet what they mean. */
  const [bare, setBare] = useState<Listener[]>([])
  const [chosenUnit, setChosenUnit] = useState<DistanceUnit | null>(null)
  const [doubtsMeant, setDoubtsMeant] = useState(false)
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
    const guessed = guessedScales(opened.files, columns)
    setScales(guessed.scales)
    setBare(guessed.bare)
    setChosenUnit(null)
    setDoubtsMeant(false)
    setConfirmed(false)
    if (!name) setName(opened.files.checks.name.replace(/(-checks)?\.\w+$/, '').replace(/[-_]/g, ' '))
  }
  const kitRead = useMemo(
    () => (kit ? readKitJson(kitText(kit, files.kit?.value.listeners)) : null),
    [kit, files.kit],
  )
  const rigNames = useMemo(() => kit?.rigs.map((r) => r.name) ?? [], [kit])
  const namedUnit = files.checks && match ? unitOfColumn(files.checks.table, match) : null
  const distancesIn = namedUnit ?? chosenUnit
  const rows = useMemo(
    () => (match && scales ? preview(files, match, rigNames, scales, distancesIn) : null),
    [files, match, scales, rigNames, distancesIn],
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
      distancesIn: match.distance === null ? null : distancesIn,
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
            {files.checks.table.wide && (
              <Typography sx={{ mb: 2 }}>
                This table has a line for each stop and a column for each rig and direction. It is read as a
                line for each check; an empty cell is a check that was not made.
              </Typography>
            )}
            <ColumnFields
              table={files.checks.table}
              value={match}
              onChange={(m) => {
                setMatch(m)
                setKit(kitDraft(files, m))
              }}
            />
            {match.distance !== null && namedUnit === null && (
              <DistanceUnitField
                heading={files.checks.table.heading[match.distance] ?? ''}
                given={someDistances(files.checks.table, match.distance)}
                value={chosenUnit}
                units={units}
                onChange={setChosenUnit}
              />
            )}
          </Part>
          <Part n={3} title="Kit">
            <KitFields value={kit} onChange={setKit} />
            {kitRead && !kitRead.ok && (
              <Refused title="The kit is not complete" problems={kitRead.problems} />
            )}
          </Part>
          <Meanings
            {...{ scales, bare, confirmed }}
            onScales={(changed, by) => {
              setScales(changed)
              setBare(bare.filter((l) => l !== by))
            }}
            onConfirmed={setConfirmed}
          />
          <EveryRow
            {...{ rows, units, without, doubtsMeant }}
            onWithout={setWithout}
            onDoubtsMeant={setDoubtsMeant}
          />
          <Part n={6} title="Bring it in">
            <BringIn
              {...{ name, fixed, confirmed, known, action }}
              checks={rows.rows.length}
              ready={
                confirmed &&
                kitRead?.ok === true &&
                rows.rows.length > 0 &&
                (troubled === 0 || without) &&
                (rows.doubts.length === 0 || doubtsMeant)
              }
              onName={setName}
              onFixed={setFixed}
              onSubmit={() => void submit()}
            />
          </Part>
        </>
      )}
    </>
  )
}
