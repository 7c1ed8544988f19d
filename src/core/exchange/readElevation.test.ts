import { gzipSync, zipSync } from 'fflate'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { heightAt } from '@/core/terrain'
import { readElevation, type NamedBytes } from '.'

const text = (t: string) => new TextEncoder().encode(t)
const fixture = (name: string) =>
  new Uint8Array(readFileSync(new URL(`../terrain/read/fixtures/${name}`, import.meta.url)))
const file = (name: string, bytes: Uint8Array | string): NamedBytes => ({
  name,
  bytes: (typeof bytes === 'string' ? text(bytes) : bytes).slice(),
})
const all = async (files: NamedBytes[], unit: 'feet' | null = null) => {
  const r = await readElevation(files, unit)
  if (!r.ok) throw new Error(r.problems[0]!.message)
  return r.value
}
const one = async (...files: NamedBytes[]) => {
  const [first] = await all(files)
  if (!first?.read.ok) throw new Error(first?.read.ok === false ? first.read.problems[0]!.message : 'none')
  return first.read.value
}
const why = async (...files: NamedBytes[]) => {
  const r = await readElevation(files)
  if (!r.ok) return r.problems[0]!.message
  const bad = r.value.find((f) => !f.read.ok)
  return bad?.read.ok === false ? bad.read.problems[0]!.message : 'taken'
}
const ASC = 'ncols 3\nnrows 2\nxllcorner -29.5\nyllcorner 47\ncellsize 0.5\n1 2 3\n4 5 6\n'
const UTM = `PROJCS["WGS 84 / UTM zone 26N",GEOGCS["WGS 84",DATUM["WGS_1984",SPHEROID["WGS 84",6378137,298.257223563]],PRIMEM["Greenwich",0],UNIT["degree",0.0174532925199433]],PROJECTION["Transverse_Mercator"],PARAMETER["latitude_of_origin",0],PARAMETER["central_meridian",-27],PARAMETER["scale_factor",0.9996],PARAMETER["false_easting",500000],PARAMETER["false_northing",0],UNIT["metre",1]]`

describe('elevation out of archives', () => {
  it('zipped and gzipped, several at once, each by its own name', async () => {
    const found = await all([
      file(
        'tiles.zip',
        zipSync({ 'in/a.asc': text(ASC), 'notes.md': text('x'), 'b.tif': fixture('feet.tif') }),
      ),
      file('c.asc.gz', gzipSync(text(ASC))),
    ])
    expect(found.map((f) => [f.name, f.read.ok])).toEqual([
      ['a.asc', true],
      ['b.tif', true],
      ['c.asc', true],
    ])
  })
  it('an .hgt tile that was packed keeps its place', async () => {
    const tile = new Uint8Array(1201 * 1201 * 2)
    tile[1] = 7
    const { grid } = await one(file('N47W030.hgt.zip', zipSync({ 'N47W030.hgt': tile })))
    expect([grid.west, grid.north]).toEqual([-30, 48])
    const { grid: packed } = await one(file('N47W030.hgt.gz', gzipSync(tile)))
    expect(heightAt(packed, 48, -30)).toBe(7)
  })
  it('tiles of half width, as they are beyond 60 degrees', async () => {
    const { grid } = await one(file('N62W007.hgt', new Uint8Array(3601 * 1801 * 2)))
    expect([grid.width, grid.height, grid.stepLon * 1800]).toEqual([1801, 3601, 1])
  })
  it('what is none is refused in words', async () => {
    expect(await why(file('a.zip', zipSync({ 'a.md': text('x') })))).toMatch(
      /^There is no elevation file in it/,
    )
    expect(await why(file('a.zip', 'PK no'))).toMatch(/^It cannot be unpacked/)
    expect(await why(file('a.asc.gz', 'short'))).toMatch(/^It is cut short/)
    expect(await why(file('a.asc.gz', gzipSync(text(ASC)).slice(0, -9)))).toMatch(
      /cut short|cannot be unpacked/,
    )
    expect(await why(file('a.bin', 'x'))).toMatch(/^Elevation is read from \.hgt/)
    expect(await why(file('a.prj', UTM))).toMatch(/goes with a grid of its name/)
  })
})

describe('an ASCII grid or .xyz and its .prj', () => {
  // gdaltransform -s_srs EPSG:32626 -t_srs EPSG:4326 on 310150 5241150, its middle, answers -29.51116 47.29630.
  const grid = (heights: string) =>
    `ncols 4\nnrows 4\nxllcenter 310000\nyllcenter 5241000\ncellsize 100\n${heights}`
  const sixteen = Array.from({ length: 16 }, (_, i) => i * 10).join(' ')
  it('lie where the projection puts them', async () => {
    const { grid: g, notes } = await one(file('Hill.ASC', grid(sixteen)), file('hill.prj', UTM))
    expect(notes).toContain('Turned to degrees by its .prj file.')
    // The four cells about its middle hold 50, 60, 90 and 100.
    expect(Math.abs(heightAt(g, 47.2963, -29.51116) - 75)).toBeLessThan(4)
    const xyz = Array.from({ length: 16 }, (_, i) => {
      const [c, r] = [i % 4, Math.floor(i / 4)]
      return `${310000 + 100 * c} ${5241300 - 100 * r} ${i * 10}`
    })
    const { grid: x } = await one(
      file('hill.xyz', `x y z\n${xyz.reverse().join('\n')}`),
      file('hill.prj', UTM),
    )
    expect(x.data).toEqual(g.data)
  })
  it('without it, coordinates that are no degrees are refused', async () => {
    expect(await why(file('hill.asc', grid(sixteen)))).toMatch(/Bring its \.prj file along/)
    expect(await why(file('hill.asc', grid(sixteen)), file('hill.prj', 'LOCAL_CS["mine"]'))).toMatch(
      /names a projection that is not known|nowhere on the earth/,
    )
  })
  it('.xyz: degrees, any order, holes, and an uneven grid refused', async () => {
    const { grid: g } = await one(
      file('a.xyz', '-29.4;47.4;4\n-29.5;47.4;3\n-29.5;47.3;1\n-29.4;47.3;2.5\n-29.3;47.3;9'),
    )
    expect([g.width, g.height]).toEqual([3, 2])
    expect(heightAt(g, 47.3, -29.45)).toBeCloseTo(1.75, 6)
    expect(await why(file('a.xyz', '1 2 3\n4 5.7 6\n7 8.1 9\n2 2 2\n'))).toMatch(/no even grid/)
    expect(await why(file('a.xyz', 'one two three\n1 2 3\n4 five 6\n'))).toMatch(/is no height/)
    expect(await why(file('a.xyz', '1 2 3\n'))).toMatch(/a grid has four at least/)
  })
})

describe('figures that are no heights on the earth', () => {
  const asc = (v: string) =>
    `ncols 2\nnrows 2\nxllcorner -29.5\nyllcorner 47\ncellsize 0.5\nNODATA_value -1\n${v}`
  it('higher than any ground is refused, and taken once somebody says what it is', async () => {
    expect(await why(file('a.asc', asc('0 0 0 12000')))).toMatch(
      /^It holds heights up to 12000 m, and no ground is/,
    )
    const [feet] = await all([file('a.asc', asc('0 0 0 12000'))], 'feet')
    expect(feet!.read).toMatchObject({ ok: true })
  })
  it('the sea’s floor is the sea’s surface; a mark among such depths is one of them', async () => {
    const { grid, notes } = await one(file('a.asc', asc('-3000 -20 0 150')))
    expect(notes[0]).toMatch(/^It reaches down to -3000 m, which is the sea's floor/)
    expect(heightAt(grid, 47.25, -29.25)).toBe(0)
    expect(await why(file('a.asc', asc('-9800 -9999 -9990 -9000')))).toMatch(
      /all of it would lie under the sea/,
    )
  })
  it('marks for nothing that no header names are voids where they stand out', async () => {
    const { notes } = await one(file('a.asc', asc('-32767 -9999 0 150')))
    expect(notes).toEqual([
      '1 cell holds -9999, which is taken as not known.',
      '1 cell holds -32767, which is taken as not known.',
    ])
  })
})
