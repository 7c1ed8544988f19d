import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { PART_KINDS } from '@/core/kit'
import type { Units } from '@/core/units'
import type { KitPart } from '@/data/parts'
import { KIND_NAMES, partFacts } from '../partWords'
import { PartGlyph } from '../PartGlyph'

function PartRow({
  part,
  units,
  chosen,
  onOpen,
  onDelete,
}: {
  part: KitPart
  units: Units
  chosen: boolean
  onOpen: () => void
  onDelete: () => void
}) {
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'center',
        py: 0.75,
        borderTop: '1px solid var(--rule)',
        background: chosen ? 'var(--raised)' : 'none',
      }}
    >
      <PartGlyph
        kind={part.kind}
        standing={part.kind === 'radio' && part.spec.use !== 'handheld'}
        size={38}
      />
      <Box sx={{ flex: 1, minWidth: 0, lineHeight: 1.3 }}>
        <b>{part.name}</b>
        {part.owned !== 1 && <span style={{ color: 'var(--soft)' }}> · {part.owned} of them</span>}
        <Box sx={{ color: 'var(--soft)', fontSize: '0.88rem' }}>{partFacts(part, units)}</Box>
        {part.usedBy.length > 0 && (
          <Box sx={{ color: 'var(--accent)', fontSize: '0.85rem' }}>in {part.usedBy.join('; ')}</Box>
        )}
      </Box>
      <Button size="small" onClick={onOpen} aria-label={`Open ${part.name}`}>
        Open
      </Button>
      <Button size="small" onClick={onDelete} aria-label={`Delete ${part.name}`}>
        Delete
      </Button>
    </Box>
  )
}

/** The parts, kind by kind, the one that is open marked. */
export function PartsByKind({
  parts,
  units,
  open,
  columns,
  onOpen,
  onDelete,
}: {
  parts: KitPart[]
  units: Units
  open: KitPart | undefined
  columns: 1 | 2
  onOpen: (id: string) => void
  onDelete: (part: KitPart) => Promise<unknown>
}) {
  return (
    <Box sx={{ columnCount: { xs: 1, lg: columns }, columnGap: 5 }}>
      {PART_KINDS.map((kind) => {
        const of = parts.filter((p) => p.kind === kind)
        if (of.length === 0) return null
        return (
          <Box key={kind} sx={{ mb: 2.5, breakInside: 'avoid' }}>
            <Typography variant="h3" component="h2">
              {KIND_NAMES[kind][1]}
            </Typography>
            <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
              {of.map((p) => (
                <PartRow
                  key={p.id}
                  part={p}
                  units={units}
                  chosen={open?.id === p.id}
                  onOpen={() => onOpen(p.id)}
                  onDelete={() => void onDelete(p)}
                />
              ))}
            </Box>
          </Box>
        )
      })}
    </Box>
  )
}
