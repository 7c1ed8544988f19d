import { execFileSync, spawnSync } from 'node:child_process'
import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'

const fixtures = join(process.cwd(), 'e2e', 'fixtures')
const cli = (...args: string[]) =>
  spawnSync(process.execPath, ['scripts/findings.mjs', ...args], { encoding: 'utf8' })

describe('findings without a browser', () => {
  let folder: string
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'even-reach-cli-'))
    copyFileSync(join(fixtures, 'ostrey-spring-checks.csv'), join(folder, 'one-checks.csv'))
    copyFileSync(join(fixtures, 'ostrey-spring-kit.json'), join(folder, 'one-kit.json'))
    writeFileSync(join(folder, 'two-checks.csv'), 'a|b\n1|2\n')
    copyFileSync(join(fixtures, 'ostrey-spring-kit.json'), join(folder, 'two-kit.json'))
  })
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  it('prints the findings of one day as JSON', () => {
    const out = execFileSync(
      'npm',
      [
        'run',
        '-s',
        'findings',
        '--',
        '--checks',
        join(fixtures, 'ostrey-spring-checks.csv'),
        '--kit',
        join(fixtures, 'ostrey-spring-kit.json'),
        '--gpx',
        join(fixtures, 'ostrey-spring.gpx'),
      ],
      { encoding: 'utf8' },
    )
    const findings = JSON.parse(out)
    expect(findings.links.map((l: { name: string }) => l.name)).toEqual([
      'Stub whip',
      'Long whip',
      'Roof quarter-wave',
    ])
    expect(findings.pairs).toHaveLength(9)
    // Three links at 90, 50 and 10 in a hundred.
    expect(findings.usable).toHaveLength(9)
    expect(findings.levels.groups).toHaveLength(6)
    expect(findings.rowsNotRead).toEqual([])
  })

  it('does a folder in one process, a line each, and says which could not be read', () => {
    const { stdout, status } = cli('--folder', folder)
    const lines = stdout
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l))
    expect(lines.map((l) => l.name)).toEqual(['one', 'two'])
    expect(lines[0].pairs).toHaveLength(9)
    expect(lines[1].problems[0].code).toBe('delimiter')
    expect(status).toBe(1)
  })

  it('refuses what it cannot do in a sentence', () => {
    expect(cli('--folder', join(folder, 'none')).stderr).toContain('There is no folder')
    expect(cli('--checks', 'none.csv', '--kit', 'none.json').stderr).toContain('none.csv')
    expect(cli('--checks', 'a', '--kit', 'b', '--calls', '0').stderr).toContain(
      '--calls: 0 is not between 1 and 99',
    )
    expect(cli().status).toBe(2)
  })
})
