import { dayOfFiles, guessScales, loggedChecks } from '@/core/exchange'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { basename, join } from 'node:path'
import { parseArgs } from 'node:util'
import { foldEntries } from '@/core/trial'
import { answerOf, breakdownOf, inputOf, makeFindings, nextUnder, prepareFindings } from '@/core/findings'
import {
  decodeText,
  DISTANCE_UNITS,
  guessColumns,
  readCheckRows,
  readChecksTable,
  readGpx,
  readKitJson,
  unitOfColumn,
  type DistanceUnit,
} from '@/core/formats'
import type { Helper } from '@/core/model/byTwo'
import type { Problem } from '@/core/outcome'
import { ANY_HEARD, type CopyRule } from '@/core/reports'
import { helperIn } from '@/server/helper/threadHelper'

const USAGE = `npm run -s findings -- --checks a.csv --kit a.json [--gpx a.gpx]
npm run -s findings -- --folder d        every *-checks.csv with its *-kit.json (and *.gpx) in d, one JSON line each
  --readability 3   least readability that counts as copied (0: any)
  --calls 2         most calls it may take
  --margin 3        the difference that would matter, dB
  --distances km    what distances are in where their heading does not say (m, km, mi, yd, ft)
  --stopped-early   the number of marks was not fixed beforehand`

interface Settings {
  copyRule: CopyRule
  marginDb: number
  fixedBeforehand: boolean
  /** What distances are in where their column does not say. */
  distancesIn: DistanceUnit | null
}

class Refused extends Error {
  constructor(readonly problems: Problem[]) {
    super(problems.map((p) => `${p.where}: ${p.message}`).join('\n'))
  }
}

function need<T>(outcome: { ok: true; value: T } | { ok: false; problems: Problem[] }): T {
  if (!outcome.ok) throw new Refused(outcome.problems)
  return outcome.value
}

async function findingsOf(
  checksFile: string,
  kitFile: string,
  gpxFile: string | null,
  settings: Settings,
  helper: Helper,
) {
  const table = need(readChecksTable(decodeText(readFileSync(checksFile)).text))
  const kit = need(readKitJson(readFileSync(kitFile, 'utf8')))
  const gpx = gpxFile ? need(readGpx(readFileSync(gpxFile, 'utf8'))) : null
  const match = guessColumns(table.heading)
  const { rows, problems } = readCheckRows(
    table,
    match,
    kit.rigs.map((r) => r.name),
    unitOfColumn(table, match) ?? settings.distancesIn,
  )
  if (rows.length === 0) throw new Refused(problems)
  const scales = guessScales(rows, kit)
  const day = need(
    dayOfFiles(rows, kit, gpx, {
      scales,
      copyRule: settings.copyRule,
      marginDb: settings.marginDb,
      makeId: (what, name) => (what === 'leg' ? `leg ${name}` : name),
    }),
  )
  const checks = loggedChecks(day)
  const input = inputOf(day.plan, day.plan.marks, checks, settings.fixedBeforehand)
  const prepared = prepareFindings(input, helper)
  const breakdown = breakdownOf(input, prepared, null)
  const findings = makeFindings(input, prepared)
  const answer = answerOf({
    plan: day.plan,
    log: { ...foldEntries([]), checks },
    findings,
    walks: { walked: null, 'by ear': null },
    reliability: day.plan.reliability,
    units: 'metric',
    link: (id) => day.plan.links.find((l) => l.id === id)?.name ?? id,
    mark: (id) => day.plan.marks.find((m) => m.id === id)?.name ?? id,
  })
  return {
    format: 'even-reach-findings',
    version: 3,
    answer,
    links: day.plan.links.map((l) => ({ id: l.id, letter: l.letter, name: l.name })),
    marks: day.plan.marks.length,
    rowsNotRead: problems,
    ...findings,
    next: nextUnder(input, prepared),
    breakdown: await breakdown,
  }
}

async function main(): Promise<number> {
  const { values } = parseArgs({
    options: {
      checks: { type: 'string' },
      kit: { type: 'string' },
      gpx: { type: 'string' },
      folder: { type: 'string' },
      readability: { type: 'string', default: '3' },
      calls: { type: 'string', default: '2' },
      margin: { type: 'string', default: '3' },
      distances: { type: 'string' },
      'stopped-early': { type: 'boolean', default: false },
      help: { type: 'boolean', default: false },
    },
  })
  const whole = (text: string, name: string, least: number, most: number) => {
    const n = Number(text)
    if (!(n >= least && n <= most))
      throw new Refused([
        { code: 'option', where: `--${name}`, message: `${text} is not between ${least} and ${most}.` },
      ])
    return n
  }
  const { distances } = values
  if (distances !== undefined && !(distances in DISTANCE_UNITS))
    throw new Refused([
      { code: 'option', where: '--distances', message: `${distances} is none of m, km, mi, yd, ft.` },
    ])
  const readability = whole(values.readability, 'readability', 0, 5)
  const settings: Settings = {
    copyRule: {
      ...ANY_HEARD,
      minReadability: readability > 0 ? readability : null,
      maxCalls: whole(values.calls, 'calls', 1, 99),
    },
    marginDb: whole(values.margin, 'margin', 0.1, 60),
    fixedBeforehand: !values['stopped-early'],
    distancesIn: (distances as DistanceUnit | undefined) ?? null,
  }
  if (values.help || (!values.folder && !(values.checks && values.kit))) {
    console.log(USAGE)
    return values.help ? 0 : 2
  }
  const helper = helperIn(__dirname)
  if (!values.folder) {
    console.log(
      JSON.stringify(
        await findingsOf(values.checks!, values.kit!, values.gpx ?? null, settings, helper),
        null,
        2,
      ),
    )
    return 0
  }
  if (!existsSync(values.folder) || !statSync(values.folder).isDirectory())
    throw new Refused([
      { code: 'folder', where: '--folder', message: `There is no folder ${values.folder}.` },
    ])
  let failed = 0
  const files = readdirSync(values.folder)
    .filter((f) => f.endsWith('-checks.csv'))
    .sort()
  if (files.length === 0)
    throw new Refused([
      { code: 'folder', where: '--folder', message: 'It holds no file named *-checks.csv.' },
    ])
  for (const file of files) {
    const stem = join(values.folder, file.replace(/-checks\.csv$/, ''))
    const name = basename(stem)
    try {
      if (!existsSync(`${stem}-kit.json`))
        throw new Refused([
          { code: 'kit', where: file, message: `Its kit file ${name}-kit.json is missing.` },
        ])
      const gpx = existsSync(`${stem}.gpx`) ? `${stem}.gpx` : null
      console.log(
        JSON.stringify({
          name,
          ...(await findingsOf(`${stem}-checks.csv`, `${stem}-kit.json`, gpx, settings, helper)),
        }),
      )
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      failed++
      console.log(JSON.stringify({ name, problems: e.problems }))
    }
  }
  return failed > 0 ? 1 : 0
}

main()
  .then((code) => {
    process.exitCode = code
  })
  .catch((e: unknown) => {
    const known = e instanceof Refused || (e as NodeJS.ErrnoException).code !== undefined
    if (!known) throw e
    console.error((e as Error).message)
    process.exitCode = 1
  })
