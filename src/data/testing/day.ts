import { type DayChoices, dayOfFiles, guessScales } from '@/core/exchange'
import { readFileSync } from 'node:fs'
import { guessColumns, readCheckRows, readCsvTable, readKitJson } from '@/core/formats'

const file = (name: string) => readFileSync(new URL(`../../../e2e/fixtures/${name}`, import.meta.url), 'utf8')

/** The spring day of the fixtures, read as a user's files are. */
export function testDay(makeId: DayChoices['makeId'] = (_what, name) => name) {
  const table = readCsvTable(file('ostrey-spring-checks.csv'))
  const kit = readKitJson(file('ostrey-spring-kit.json'))
  if (!table.ok || !kit.ok) throw new Error('fixtures')
  const { rows } = readCheckRows(table.value, guessColumns(table.value.heading), null)
  const day = dayOfFiles(rows, kit.value, null, { scales: guessScales(rows, kit.value), makeId })
  if (!day.ok) throw new Error('day')
  return { day: day.value, rows, kit: kit.value }
}
