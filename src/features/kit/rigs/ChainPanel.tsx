'use client'

import Box from '@mui/material/Box'
import { Option } from '@/ui/fields/Option'
import { TextField } from '@/ui/fields/TextField'
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import { useRef, useState } from 'react'
import { receivingOf, type Assembly, type Part, type PlacedRig, type PortBudgets } from '@/core/kit'
import { SURROUNDINGS, type Surroundings } from '@/core/rf'
import type { UnitRow } from '@/data/parts'
import { useWidth } from '@/ui/shell/useWidth'
import { budgetColumns } from './budgetColumns'
import { BUDGET_RIGHT, BudgetLine } from './BudgetLine'
import { ChainDrawing } from './ChainDrawing'
import { ItemTools } from './ItemTools'

interface Props {
  placed: PlacedRig
  portIndex: number
  /** Null while the channel, the power or the height are not typed. */
  budgets: PortBudgets | null
  parts: Part[]
  unitRows: UnitRow[]
  surroundings: Surroundings
  onSurroundings: (s: Surroundings) => void
  onPort: (index: number) => void
  onAssembly: (change: (a: Assembly) => Assembly) => void
}

const LEFT = 44
const [NARROWEST, WIDEST] = [132, 236]

/** The chain with its budget under it, and what can be done with the part that is chosen. */
export function ChainPanel({
  placed,
  portIndex,
  budgets,
  parts,
  unitRows,
  surroundings,
  onSurroundings,
  onPort,
  onAssembly,
}: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const width = useWidth(frame, 1040)
  const [selected, setSelected] = useState<string | null>(null)
  const [side, setSide] = useState<'transmit' | 'receive'>('transmit')
  const port = placed.ports[portIndex]!
  const receiving = budgets && placed.radio && receivingOf(placed.radio.spec, budgets.rx, surroundings)
  const shown = side === 'receive' && receiving ? 'receive' : 'transmit'
  const budget =
    budgets &&
    (shown === 'receive'
      ? budgetColumns(port, budgets.rx, receiving!.atRadioDbm + receiving!.raisedByNoiseDb)
      : budgetColumns(port, budgets.tx))
  const count = 1 + port.items.length + (port.antenna ? 0 : 1)
  const column = Math.max(NARROWEST, Math.min(WIDEST, Math.floor((width - LEFT - BUDGET_RIGHT) / count)))
  const chosen = port.items.findIndex((p) => p.item.key === selected)
  return (
    <Box sx={{ border: '1px solid var(--rule)', background: 'var(--raised)', mb: 2.5 }}>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', px: 2, pt: 1.25, alignItems: 'center' }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={shown}
          onChange={(_, v: typeof side | null) => v && setSide(v)}
          aria-label="Direction of the budget"
        >
          <ToggleButton value="transmit">Transmitting</ToggleButton>
          <ToggleButton value="receive" disabled={!receiving}>
            Receiving
          </ToggleButton>
        </ToggleButtonGroup>
        {shown === 'receive' && (
          <TextField
            select
            label="Noise around it"
            value={surroundings}
            onChange={(e) => onSurroundings(e.target.value as Surroundings)}
            sx={{ minWidth: 140 }}
          >
            {Object.keys(SURROUNDINGS).map((s) => (
              <Option key={s} value={s}>
                {s}
              </Option>
            ))}
          </TextField>
        )}
        {placed.ports.length > 1 && (
          <ToggleButtonGroup
            exclusive
            size="small"
            value={portIndex}
            onChange={(_, v: number | null) => v !== null && onPort(v)}
            aria-label="Antenna port"
          >
            <ToggleButton value={0}>First port</ToggleButton>
            <ToggleButton value={1}>Second port</ToggleButton>
          </ToggleButtonGroup>
        )}
        <Box sx={{ ml: 'auto', color: 'var(--soft)', fontSize: '0.88rem' }}>
          Solid: lost when matched. Hatched: lost to the mismatch. Yellow: gained.
        </Box>
      </Box>
      <Box ref={frame} sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Chain and budget">
        <ChainDrawing
          rig={placed}
          port={port}
          portIndex={portIndex}
          columnWidth={column}
          left={LEFT}
          selected={selected}
          onSelect={setSelected}
        />
        {budget ? (
          <BudgetLine
            budget={budget}
            columnWidth={column}
            left={LEFT}
            endName={shown === 'receive' ? 'has to arrive in the air' : 'EIRP'}
            label={`Budget ${shown === 'transmit' ? 'transmitting' : 'receiving'}: ${budget.columns
              .flat()
              .map((s) => `${s.name} ${s.db.toFixed(1)} dB`)
              .join(', ')}; ends at ${budget.endDbm.toFixed(1)} dBm`}
          />
        ) : (
          <Box sx={{ px: 2, py: 3, color: 'var(--soft)' }}>
            Type the channel, the power and the height, and the budget appears here.
          </Box>
        )}
      </Box>
      {chosen !== -1 && (
        <ItemTools
          placed={port.items[chosen]!}
          index={chosen}
          portIndex={portIndex}
          parts={parts}
          units={unitRows}
          onChange={onAssembly}
          onGone={() => setSelected(null)}
        />
      )}
    </Box>
  )
}
