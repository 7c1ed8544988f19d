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
  /** Place of each rig in the whole kit, for its look. */
  place: (id: string) => number
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

/** The rigs of one end. */
export function RigTable({ title, rigs, place, trialId, units, onEdit, onCopy, onDelete }: Props) {
  if (rigs.length === 0) return null
  return (
    <Box sx={{ mb: 3 }}>
      <Typography variant="h2" component="h2" id={`rigs-${title}`}>
        {title}
      </Typography>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-labelledby={`rigs-${title}`}>
        <Table size="small" sx={{ minWidth: 760 }}>
          <TableHead>
            <TableRow>
              {['Rig', 'Kind', 'Frequency', 'Power', 'Height', 'Antenna gain', 'Lead', ''].map((h) => (
                <TableCell key={h} sx={{ color: 'var(--soft)' }}>
                  {h || <span className="visually-hidden">Actions</span>}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rigs.map((r) => (
              <TableRow key={r.id}>
                <TableCell>
                  <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}>
                    <RigBadge letter={r.letter} index={place(r.id)} />
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
                <TableCell>{r.kind}</TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  <Quantity value={String(r.txMHz)} unit="MHz" />
                  {r.rxMHz !== null && <span style={{ display: 'block' }}>hears {r.rxMHz}</span>}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  <Quantity value={String(r.powerW)} unit="W" />
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>{heightText(r.antennaHeightM, units)}</TableCell>
                <TableCell>
                  {r.antennaGainDbi === null ? (
                    <i>the question</i>
                  ) : (
                    <Quantity value={String(r.antennaGainDbi)} unit="dBi" />
                  )}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap' }}>
                  {r.leadLossDb === null ? (
                    <i>not known</i>
                  ) : (
                    <Quantity value={String(r.leadLossDb)} unit="dB" />
                  )}
                </TableCell>
                <TableCell sx={{ whiteSpace: 'nowrap', textAlign: 'right' }}>
                  <Button size="small" onClick={() => onEdit(r)} aria-label={`Change rig ${r.letter}`}>
                    Change
                  </Button>
                  <Button size="small" onClick={() => onCopy(r)} aria-label={`Copy rig ${r.letter}`}>
                    Copy
                  </Button>
                  <Button
                    size="small"
                    onClick={() => onDelete(r)}
                    disabled={r.usedBy.length > 0}
                    aria-label={`Delete rig ${r.letter}`}
                  >
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
