'use client'

import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import Typography from '@mui/material/Typography'
import { heightText, type Units } from '@/core/units'
import type { KitRig } from '@/data/rigs'
import { RigBadge } from '@/ui/shell'

interface Props {
  title: string
  rigs: KitRig[]
  look: (id: string) => number
  trialId: string
  units: Units
  onEdit: (rig: KitRig) => void
  onCopy: (rig: KitRig) => void
  onDelete: (rig: KitRig) => void
}

const Quantity = ({ value, unit }: { value: string; unit: string }) => (
  <>
    {value} <span style={{ color: 'var(--soft)' }}>{unit}</span>
  </>
)

const COLUMNS: [string, string][] = [
  ['Rig', 'auto'],
  ['Kind', '90px'],
  ['Frequency', '110px'],
  ['Power', '70px'],
  ['Height', '70px'],
  ['Antenna gain', '112px'],
  ['Lead', '88px'],
  ['', '214px'],
]

/** The rigs of one end. */
export function RigTable({ title, rigs, look, trialId, units, onEdit, onCopy, onDelete }: Props) {
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
        <Table size="small" sx={{ minWidth: 860, tableLayout: 'fixed' }}>
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
            {rigs.map((r) => (
              <TableRow key={r.id}>
                <TableCell sx={{ px: 1 }}>
                  <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}>
                    <RigBadge letter={r.letter} index={look(r.id)} />
                    <span>
                      <b>{r.name}</b>
                      {r.usedBy.includes(trialId) && (
                        <span style={{ color: 'var(--accent)' }}> · in this trial</span>
                      )}
                      {r.note && (
                        <span style={{ display: 'block', color: 'var(--soft)', fontSize: '0.85rem' }}>
                          {r.note}
                        </span>
                      )}
                    </span>
                  </Box>
                </TableCell>
                <TableCell sx={{ px: 1 }}>{r.kind}</TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', px: 1 }}>
                  <Quantity value={String(r.txMHz)} unit="MHz" />
                  {r.rxMHz !== null && <span style={{ display: 'block' }}>hears {r.rxMHz}</span>}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', px: 1 }}>
                  <Quantity value={String(r.powerW)} unit="W" />
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', px: 1 }}>
                  {heightText(r.antennaHeightM, units)}
                </TableCell>
                <TableCell sx={{ px: 1 }}>
                  {r.antennaGainDbi === null ? (
                    <i>the question</i>
                  ) : (
                    <Quantity value={String(r.antennaGainDbi)} unit="dBi" />
                  )}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', px: 1 }}>
                  {r.leadLossDb === null ? (
                    <i>not known</i>
                  ) : (
                    <Quantity value={String(r.leadLossDb)} unit="dB" />
                  )}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', textAlign: 'right', px: 0 }}>
                  <Button size="small" onClick={() => onEdit(r)} aria-label={`Change rig ${r.letter}`}>
                    Change
                  </Button>
                  <Button size="small" onClick={() => onCopy(r)} aria-label={`Copy rig ${r.letter}`}>
                    Copy
                  </Button>
                  <Button size="small" onClick={() => onDelete(r)} aria-label={`Delete rig ${r.letter}`}>
                    Delete
                  </Button>
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  )
}
