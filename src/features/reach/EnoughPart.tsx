'use client'

import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Link } from '@/core/kit'
import { leastThatIsEnough, type Enough, type RigBurden } from '@/core/reach/map/enough'
import { shareText } from '@/core/reach/map/mapWords'
import { FINEST } from '@/core/reach/map/mapRaster'
import type { ReachMapAsk } from '@/core/reach/map/reachMap'
import { heightText, percentText, type Units } from '@/core/units'
import { useAnswer } from '@/ui/answers/useAnswer'
import { PickOne } from '@/ui/fields/PickOne'
import { RigBadge } from '@/ui/shell'
import { Table } from '@/ui/table/Table'
import type { TerrainWorker } from '@/ui/terrain/useTerrain'
import { looksOf } from '@/ui/theme/palette'
import { asSet, UNSET } from './asSet'
import { asMapBase, type MapPlace } from './mapPlace'
import { EnoughPicture } from './EnoughPicture'

interface Props {
  /** Null until the map is as fine as it gets. */
  worker: TerrainWorker | null
  groundKey: string
  base: Omit<MapPlace, 'name'>
  radiusM: number
  ask: Omit<ReachMapAsk, 'every' | 'links'>
  /** All that are compared, as they are in the kit. */
  links: Link[]
  /** The one whose base is raised. */
  first: Link
  burdens: ReadonlyMap<string, RigBurden>
  /** Share that is needed, 0 to 1. */
  needed: number
  /** What is to be covered, as it is spoken of. */
  toCover: string
  onNeeded: (share: number) => void
  units: Units
}

const NEEDS = [0.5, 0.7, 0.8, 0.9, 0.95]
/** So sure it must be that a rig is enough. */
const CERTAIN = 0.9
/** Masts that are tried, m, where they are higher than the base's own. */
const MASTS_M = [6, 10, 15, 20, 30]
const MASTS = 3

const unknown = { weightG: null, wornMm: null }

/** A burden in figures, as far as it is known. */
function burdenText({ weightG, wornMm, powerW }: RigBurden): string {
  const parts = [
    weightG === null ? '' : `${weightG} g`,
    wornMm === null ? '' : `${Math.round(wornMm / 10)} cm`,
    `${Number(powerW.toPrecision(3))} W`,
  ]
  return parts.filter((p) => p !== '').join(', ')
}

interface Row {
  key: string
  link: Link
  /** Of its base where it was raised. */
  mastM: number | null
  burden: RigBurden
  enough: Enough
}

/** Which rig is enough, and what a mast would bring: the share that each covers, and the chance that it is as needed. */
export function EnoughPart(props: Props) {
  const { worker, groundKey, base, radiusM, ask, links, first, burdens, needed, toCover, onNeeded, units } =
    props
  const masts = MASTS_M.filter((m) => m > first.base.antennaHeightM).slice(0, MASTS)
  const tried = [
    ...links.map((link) => ({ link, mastM: null as number | null })),
    ...masts.map((mastM) => ({ link: asSet(first, { ...UNSET, baseM: mastM }), mastM })),
  ]
  const asked: ReachMapAsk = { ...ask, every: FINEST, links: tried.map((t) => t.link) }
  const { settings, areas, routes, ...small } = asked
  const key = JSON.stringify([groundKey, base, radiusM, small, needed])
  const answer = useAnswer(
    worker ? [worker, settings, areas, routes, key] : null,
    ([w]) => w.enough(asMapBase(base), radiusM, asked, needed),
    [groundKey],
  )
  const found = answer.value?.length === tried.length ? answer.value : null
  const looks = looksOf(links.map((l) => l.letter))
  const rows = (found ?? []).map((enough, i): Row => {
    const { link, mastM } = tried[i]!
    const burden = burdens.get(link.out.id) ?? { ...unknown, powerW: link.out.powerW }
    return { key: `${link.id} ${mastM}`, link, mastM, burden, enough }
  })
  const rigs = rows.filter((r) => r.mastM === null)
  const least = leastThatIsEnough(rigs, CERTAIN)
  const best = [...rigs].sort(
    (a, b) => b.enough.chance - a.enough.chance || b.enough.share.median - a.enough.share.median,
  )[0]
  const mastThatDoes = rows.find((r) => r.mastM !== null && r.enough.chance >= CERTAIN)
  return (
    <Box component="section" sx={{ my: 3 }}>
      <Typography variant="h2" component="h2" gutterBottom>
        Which is enough
      </Typography>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center', mb: 1.5 }}>
        <PickOne
          label={`Of ${toCover} is needed`}
          value={String(needed)}
          options={NEEDS.map((n) => ({ value: String(n), name: percentText(n) }))}
          onPick={(n) => onNeeded(Number(n))}
          sx={{ minWidth: 290 }}
        />
        <Box role="status" sx={{ fontWeight: 700 }}>
          {answer.at === 'failed' && `It could not be worked out: ${answer.why}.`}
          {answer.at !== 'failed' && !found && 'Working it out…'}
          {least &&
            `${least.link.letter}, ${least.link.name}, is the least that is enough, as surely as ${Math.round(100 * least.enough.chance)} of 100.`}
          {found &&
            !least &&
            best &&
            (Math.round(100 * best.enough.chance) === 0
              ? 'None of them is enough.'
              : `None is surely enough; ${best.link.letter}, ${best.link.name}, comes nearest, with a chance of ${Math.round(100 * best.enough.chance)} of 100.`)}
          {!least &&
            mastThatDoes &&
            ` ${mastThatDoes.link.letter} would be with the base at ${heightText(mastThatDoes.mastM!, units)}.`}
        </Box>
      </Box>
      {rows.length > 0 && (
        <Box sx={{ display: 'flex', gap: 4, flexWrap: 'wrap', alignItems: 'flex-start' }}>
          <Table
            label="Which is enough"
            stacks
            head={
              <>
                <th>Rig</th>
                <th>Share covered</th>
                <th>Enough</th>
                <th>To carry</th>
              </>
            }
          >
            {rows.map(({ key: id, link, mastM, enough, burden }) => (
              <tr key={id}>
                <th scope="row">
                  <RigBadge
                    letter={link.letter}
                    index={looks[links.findIndex((l) => l.id === link.id)] ?? 0}
                    size={18}
                  />{' '}
                  {mastM === null ? link.name : `with the base at ${heightText(mastM, units)}`}
                </th>
                <td data-label="Share covered">{shareText(enough.share)}</td>
                <td data-label="Enough">
                  <b>{Math.round(100 * enough.chance)} of 100</b>
                </td>
                <td data-label="To carry">{burdenText(burden)}</td>
              </tr>
            ))}
          </Table>
          <EnoughPicture
            rows={rigs.map((r) => ({ letter: r.link.letter, burden: r.burden, share: r.enough.share }))}
            needed={needed}
            what={toCover}
          />
        </Box>
      )}
    </Box>
  )
}
