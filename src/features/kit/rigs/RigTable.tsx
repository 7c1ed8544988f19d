'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { PageLink } from '@/ui/shell/PageLink'
import { heightText, type Units } from '@/core/units'
import type { KitRig } from '@/data/rigs'
import { LinkButton, RigBadge } from '@/ui/shell'
import type { RigLine } from './rigLines'

export type { RigLine } from './rigLines'

interface Props {
  title: string
  rigs: RigLine[]
  look: (id: string) => number
  nameOf: (id: string) => string | null
  builder: (id: string) => string
  trialId: string
  units: Units
  onFigures: (rig: KitRig) => void
  onVariant: (rig: KitRig) => void
  onTakeOut: (rig: KitRig) => void
}

const COLUMNS: [string, string][] = [
  ['Rig', 'auto'],
  ['Channel and power', '150px'],
  ['Height', '70px'],
  ['Gain', '108px'],
  ['Losses', '88px'],
  ['Before leaving', '120px'],
  ['', '216px'],
]

function Problems({ line }: { line: RigLine }) {
  const { stops, costs, asks } = line.problems
  if (line.chain === null) return <span style={{ color: 'var(--soft)' }}>figures only</span>
  if (stops + costs + asks === 0) return <>all well</>
  return (
    <>
      {stops > 0 && (
        <Box component="b" sx={{ color: 'var(--bad)', display: 'block' }}>
          {stops} will not work
        </Box>
      )}
      {costs > 0 && (
        <span style={{ display: 'block' }}>
          {costs} {costs === 1 ? 'costs' : 'cost'} reach
        </span>
      )}
      {asks > 0 && <span style={{ display: 'block', color: 'var(--soft)' }}>{asks} not known</span>}
    </>
  )
}

/** The rigs of one end. */
export function RigTable({ title, rigs, look, nameOf, builder, trialId, units, ...on }: Props) {
  if (rigs.length === 0) return null
  return (
    <Box sx={{ mb: 3 }}>
      <Typography variant="h2" component="h2" id={`rigs-${title}`}>
        {title}
      </Typography>
      <Box
        sx={{ overflowX: 'auto', position: 'relative' }}
        tabIndex={0}
        role="region"
        aria-labelledby={`rigs-${title}`}
      >
        <Table
          size="small"
          sx={{ minWidth: 980, tableLayout: 'fixed', '& td': { verticalAlign: 'top', px: 1 } }}
        >
          <TableHead>
            <TableRow>
              {COLUMNS.map(([h, width]) => (
                <TableCell key={h} sx={{ color: 'var(--soft)', width, px: 1 }}>
                  {h || <span className="visually-hidden">Actions</span>}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rigs.map((line) => {
              const r = line.rig
              const origin = r.variantOf && nameOf(r.variantOf)
              return (
                <TableRow key={r.id}>
                  <TableCell>
                    <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'flex-start' }}>
                      <RigBadge letter={r.letter} index={look(r.id)} />
                      <span>
                        {line.chain === null ? (
                          <b>{r.name}</b>
                        ) : (
                          <PageLink href={builder(r.id)} style={{ color: 'inherit', fontWeight: 700 }}>
                            {r.name}
                          </PageLink>
                        )}
                        {r.usedBy.includes(trialId) && (
                          <span style={{ color: 'var(--accent)' }}> · compared</span>
                        )}
                        {origin && <span style={{ color: 'var(--soft)' }}> · variant of {origin}</span>}
                        <span style={{ display: 'block', color: 'var(--soft)', fontSize: '0.85rem' }}>
                          {line.chain ? line.chain.join(' → ') : r.note}
                        </span>
                      </span>
                    </Box>
                  </TableCell>
                  <TableCell>
                    {r.txMHz} MHz
                    {r.rxMHz !== null && r.rxMHz !== r.txMHz && (
                      <span style={{ display: 'block' }}>hears {r.rxMHz} MHz</span>
                    )}
                    <span style={{ display: 'block' }}>{r.powerW} W</span>
                    {line.eirp && (
                      <span style={{ display: 'block', color: 'var(--soft)', fontSize: '0.85rem' }}>
                        EIRP {line.eirp.split(', ')[1]}
                      </span>
                    )}
                  </TableCell>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>{heightText(r.antennaHeightM, units)}</TableCell>
                  <TableCell>
                    {r.antennaGainDbi === null ? <i>the question</i> : `${r.antennaGainDbi.toFixed(1)} dBi`}
                  </TableCell>
                  <TableCell sx={{ whiteSpace: 'nowrap' }}>
                    {r.leadLossDb === null ? <i>not known</i> : `${r.leadLossDb.toFixed(1)} dB`}
                  </TableCell>
                  <TableCell>
                    <Problems line={line} />
                  </TableCell>
                  <TableCell sx={{ whiteSpace: 'nowrap', textAlign: 'right' }}>
                    {line.chain === null ? (
                      <Button
                        size="small"
                        onClick={() => on.onFigures(r)}
                        aria-label={`Change rig ${r.letter}`}
                      >
                        Change
                      </Button>
                    ) : (
                      <LinkButton size="small" href={builder(r.id)} aria-label={`Open rig ${r.letter}`}>
                        Open
                      </LinkButton>
                    )}
                    <Button
                      size="small"
                      onClick={() => on.onVariant(r)}
                      aria-label={`Variant of rig ${r.letter}`}
                    >
                      Variant
                    </Button>
                    <Button
                      size="small"
                      onClick={() => on.onTakeOut(r)}
                      aria-label={`Take rig ${r.letter} out`}
                    >
                      Take out
                    </Button>
                  </TableCell>
                </TableRow>
              )
            })}
          </TableBody>
        </Table>
      </Box>
    </Box>
  )
}
