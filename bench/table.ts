import { readFileSync, writeFileSync } from 'node:fs'

/** Writes a table between its comments in a page of the docs, and shows it. @param name as in `<!-- name -->` */
export function writeTable(file: string, name: string, head: string[], rows: string[][]): void {
  const line = (cells: string[]) => `| ${cells.join(' | ')} |`
  const table = [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n')
  console.log(table)
  const text = readFileSync(file, 'utf8')
  const [start, end] = [`<!-- ${name} -->\n`, `\n<!-- end of ${name} -->`]
  const [from, to] = [text.indexOf(start), text.indexOf(end)]
  if (from < 0 || to < from) throw new Error(`${file} has no place for the table "${name}"`)
  writeFileSync(file, `${text.slice(0, from + start.length)}\n${table}\n${text.slice(to)}`)
}

export const BENCHMARKS = 'docs/benchmarks.md'
export const CALIBRATION = 'docs/calibration.md'
