import { figureOf } from '@/core/formats/checks/figureText'
import { bareListeners, doubtfulMarks, guessScales, type MarkDoubt } from '@/core/exchange'
import type { Problem } from '@/core/outcome'
import {
  guessColumns,
  readCheckRows,
  readChecksTable,
  readGpx,
  readKitJson,
  type CheckRow,
  type ColumnMatch,
  type ChecksTable,
  type CsvTable,
  type DistanceUnit,
  type Gpx,
  type KitFile,
} from '@/core/formats'
import type { Listener } from '@/core/kit'
import type { Reading, Scale } from '@/core/reports'
import { checkReader } from '@/core/trial'

export interface NamedText {
  name: string
  text: string
}

/** The files of a day as they were opened. */
export interface OpenFiles {
  checks: (NamedText & { table: ChecksTable }) | null
  gpx: (NamedText & { value: Gpx }) | null
  kit: (NamedText & { value: KitFile }) | null
}

export const NO_FILES: OpenFiles = { checks: null, gpx: null, kit: null }

/** Opens files by what they are; a file that cannot be taken leaves what was open as it is. */
export function openFiles(
  files: readonly NamedText[],
  before: OpenFiles,
): { files: OpenFiles; problems: Problem[] } {
  let now = before
  const problems: Problem[] = []
  for (const file of files) {
    const say = (list: Problem[]) =>
      problems.push(...list.map((p) => ({ ...p, where: `${file.name}, ${p.where}` })))
    const kind = /\.gpx$/i.test(file.name) ? 'gpx' : /\.json$/i.test(file.name) ? 'kit' : 'checks'
    if (kind === 'gpx') {
      const result = readGpx(file.text)
      if (result.ok) now = { ...now, gpx: { ...file, value: result.value } }
      else say(result.problems)
    } else if (kind === 'kit') {
      const result = readKitJson(file.text)
      if (result.ok) now = { ...now, kit: { ...file, value: result.value } }
      else say(result.problems)
    } else {
      const result = readChecksTable(file.text)
      if (result.ok) now = { ...now, checks: { ...file, table: result.value } }
      else say(result.problems)
    }
  }
  return { files: now, problems }
}

/** The kit as the form holds it: figures as typed. */
export interface KitDraft {
  frequencyMHz: string
  base: Record<BaseField, string>
  rigs: Record<RigField, string>[]
}
export type RigField = 'name' | 'powerW' | 'antennaHeightM' | 'antennaGainDbi' | 'leadLossDb'
export type BaseField = RigField | 'lat' | 'lon'

const text = (v: number | string | null | undefined) => (v == null ? '' : String(v))

/** A kit form filled from the kit file, else from the checks and the GPX's base waypoint. */
export function kitDraft(files: OpenFiles, match: ColumnMatch | null, base: string | null = null): KitDraft {
  const kit = files.kit?.value
  const rig = (r: Partial<KitFile['rigs'][number]>) => ({
    name: text(r.name),
    powerW: text(r.powerW),
    antennaHeightM: text(r.antennaHeightM),
    antennaGainDbi: text(r.antennaGainDbi),
    leadLossDb: text(r.leadLossDb),
  })
  const waypoint = files.gpx?.value.waypoints.find((w) =>
    base === null ? /^base\b/i.test(w.name) : w.name.toLowerCase() === base.toLowerCase(),
  )
  const isKits = base === null || kit?.base.name === base
  const column = match?.rig ?? null
  const named =
    column === null
      ? []
      : [...new Set(files.checks?.table.rows.map((r) => r.cells[column] ?? '').filter(Boolean))]
  return {
    frequencyMHz: text(kit?.frequencyMHz),
    base: {
      ...rig({ ...(kit?.base ?? { name: 'Base' }), ...(base === null ? {} : { name: base }) }),
      // The kit file's place is that of the base that it names.
      lat: text((isKits ? kit?.base.lat : undefined) ?? waypoint?.lat),
      lon: text((isKits ? kit?.base.lon : undefined) ?? waypoint?.lon),
    },
    rigs: kit ? kit.rigs.map(rig) : named.map((name) => rig({ name })),
  }
}

const figure = (t: string) =>
  t.trim() === '' ? undefined : Number.isNaN(Number(t.replace(',', '.'))) ? t : Number(t.replace(',', '.'))

/** The kit form as a kit file's text, so that one reader judges both. */
export function kitText(draft: KitDraft, listeners: KitFile['listeners'] | undefined): string {
  const rig = (r: Record<RigField, string>) => ({
    name: r.name.trim(),
    powerW: figure(r.powerW),
    antennaHeightM: figure(r.antennaHeightM),
    antennaGainDbi: figure(r.antennaGainDbi),
    leadLossDb: figure(r.leadLossDb),
  })
  return JSON.stringify({
    frequencyMHz: figure(draft.frequencyMHz),
    base: { ...rig(draft.base), lat: figure(draft.base.lat), lon: figure(draft.base.lon) },
    rigs: draft.rigs.map(rig),
    listeners,
  })
}

const FIELD_NAMES: Record<string, string> = {
  frequencyMHz: 'frequency',
  name: 'name',
  powerW: 'power',
  antennaHeightM: 'height',
  antennaGainDbi: 'gain',
  leadLossDb: 'lead loss',
  lat: 'latitude',
  lon: 'longitude',
}

/** What is wrong with a kit form, by the names that its fields have on the screen. */
export function kitProblems(problems: readonly Problem[], draft: KitDraft): Problem[] {
  return problems.map((p) => {
    const field = /\w+$/.exec(p.where)?.[0] ?? ''
    const rig = /^rigs\[(\d+)\]/.exec(p.where)?.[1]
    const name = FIELD_NAMES[field]
    if (!name) return p
    const where =
      rig !== undefined
        ? draft.rigs[Number(rig)]?.name || `rig ${Number(rig) + 1}`
        : p.where.startsWith('base')
          ? 'At the base'
          : 'All'
    return { ...p, where, message: p.message.replace(p.where, `the ${name}`) }
  })
}

export interface PreviewRow {
  row: CheckRow
  reading: Reading
}

interface Preview {
  rows: PreviewRow[]
  problems: Problem[]
  /** Rows whose report cannot be read. */
  unread: PreviewRow[]
  /** How many rows are not read, whatever is wrong with them. */
  left: number
  doubts: MarkDoubt[]
}

/** Every row's reading in the scales declared, and the rows that cannot be read. */
export function preview(
  files: OpenFiles,
  match: ColumnMatch,
  rigNames: string[],
  scales: Record<Listener, Scale>,
  distancesIn: DistanceUnit | null,
): Preview {
  if (!files.checks) return { rows: [], problems: [], unread: [], left: 0, doubts: [] }
  const { rows, problems } = readCheckRows(files.checks.table, match, rigNames, distancesIn)
  const readingOf = checkReader(scales)
  const read = rows.map((row) => ({
    row,
    reading: readingOf({ text: row.report, direction: row.direction }),
  }))
  const unread = read.filter((r) => r.reading.state === 'not read')
  return {
    rows: read,
    problems,
    unread,
    left: files.checks.table.rows.length - read.length + unread.length,
    doubts: doubtfulMarks(rows),
  }
}

export function guessedMatch(table: CsvTable): ColumnMatch {
  return guessColumns(table.heading)
}

/** The scales guessed from the reports, to be confirmed, and who reported in bare digits, which mean nothing by themselves. */
export function guessedScales(
  files: OpenFiles,
  match: ColumnMatch,
): { scales: Record<Listener, Scale>; bare: Listener[] } {
  // What distances are in has nothing to do with the reports.
  const { rows } = readCheckRows(files.checks!.table, match, null, 'm')
  return { scales: guessScales(rows, files.kit?.value ?? null), bare: bareListeners(rows) }
}

/** How many different distances are shown to choose a unit by. */
const SHOWN = 4

/** The first different distances of a column, as they stand in the file and as they are read. */
export function someDistances(table: CsvTable, column: number): { text: string; value: number }[] {
  const texts = [...new Set(table.rows.map((r) => r.cells[column] ?? '').filter(Boolean))].slice(0, SHOWN)
  return texts.map((text) => ({ text, value: figureOf(text, table.delimiter === ',') }))
}
