'use client'

import { useRouter } from 'next/navigation'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Units } from '@/core/units'
import { FileDrop } from '@/ui/fields/FileDrop'
import { PageHead, Refused } from '@/ui/shell'
import { useAction } from '@/ui/answers/useAction'
import { useUnsaved } from '@/ui/answers/useUnsaved'
import { bringIn } from './actions'
import { BaseField } from './BaseField'
import { ColumnFields } from './ColumnFields'
import { DistanceUnitField } from './DistanceUnitField'
import { kitProblems, someDistances, type NamedText } from './dayDraft'
import { BringIn, EveryRow, Meanings, Part } from './ImportParts'
import { KitFields } from './KitFields'
import { useDayDraft } from './useDayDraft'

/** A day from files: open, match the columns, confirm kit and scales, look at every row, then all or nothing. */
export function ImportDay({ units }: { units: Units }) {
  const router = useRouter()
  const day = useDayDraft()
  const { files, match, kit, scales, rows } = day
  /** The trial that holds this day already. */
  const [known, setKnown] = useState<string | null>(null)
  const action = useAction()
  useUnsaved(files.checks !== null && known === null && !action.busy)
  const take = (texts: NamedText[]) => {
    setKnown(null)
    action.refuse()
    day.take(texts)
  }
  const submit = async () => {
    const { request } = day
    if (!request) return
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
            day.refuse([{ code: 'large', where: file, message: 'The file is larger than 64 MB. Split it.' }])
          }
        />
        {day.problems.length > 0 && (
          <Refused title="Not taken in; what was open before is still open" problems={day.problems} />
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
            <ColumnFields table={files.checks.table} value={match} onChange={day.matchColumns} />
            {day.bases.length > 1 && day.base !== null && (
              <BaseField bases={day.bases} value={day.base} onChange={day.chooseBase} />
            )}
            {match.distance !== null && !day.unitNamed && (
              <DistanceUnitField
                heading={files.checks.table.heading[match.distance] ?? ''}
                given={someDistances(files.checks.table, match.distance)}
                value={day.chosenUnit}
                units={units}
                onChange={day.setChosenUnit}
              />
            )}
          </Part>
          <Part n={3} title="Kit">
            <KitFields value={kit} onChange={day.setKit} />
            {day.kitRead && !day.kitRead.ok && (
              <Refused title="The kit is not complete" problems={kitProblems(day.kitRead.problems, kit)} />
            )}
          </Part>
          <Meanings
            scales={scales}
            bare={day.bare}
            confirmed={day.confirmed}
            onScales={day.meant}
            onConfirmed={day.setConfirmed}
          />
          <EveryRow
            {...{ rows, units }}
            without={day.without}
            doubtsMeant={day.doubtsMeant}
            onWithout={day.setWithout}
            onDoubtsMeant={day.setDoubtsMeant}
          />
          <Part n={6} title="Bring it in">
            <BringIn
              {...{ known, action }}
              name={day.name}
              fixed={day.fixed}
              confirmed={day.confirmed}
              checks={rows.rows.length}
              ready={day.ready}
              onName={day.setName}
              onFixed={day.setFixed}
              onSubmit={() => void submit()}
            />
          </Part>
        </>
      )}
    </>
  )
}
