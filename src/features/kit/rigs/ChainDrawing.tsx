'use client'

import { useDroppable } from '@dnd-kit/core'
import { horizontalListSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import Box from '@mui/material/Box'
import type { ReactNode } from 'react'
import {
  endsBefore,
  endText,
  mating,
  type ConnectorEnd,
  type PartKind,
  type Placed,
  type PlacedPort,
  type PlacedRig,
} from '@/core/kit'
import { PartGlyph } from '../PartGlyph'

interface Props {
  rig: PlacedRig
  port: PlacedPort
  portIndex: number
  columnWidth: number
  left: number
  selected: string | null
  onSelect: (key: string | null) => void
}

interface TileProps {
  kind: PartKind
  standing?: boolean
  name: string
  note?: string
  width: number
  selected?: boolean
  missing?: boolean
}

function Tile({ kind, standing, name, note, width, selected, missing }: TileProps) {
  return (
    <Box
      sx={{
        width: width - 18,
        height: 126,
        mx: '9px',
        px: 0.5,
        pt: 0.75,
        textAlign: 'center',
        border: missing ? '2px dashed var(--soft)' : `2px solid ${selected ? 'var(--accent)' : 'var(--ink)'}`,
        outline: selected ? '2px solid var(--accent-fill)' : 'none',
        borderRadius: '4px',
        background: missing ? 'none' : 'var(--paper)',
        color: missing ? 'var(--soft)' : 'var(--ink)',
        lineHeight: 1.2,
        overflow: 'hidden',
      }}
    >
      <PartGlyph kind={kind} standing={standing} size={width > 180 ? 62 : 44} />
      <Box
        sx={{
          fontSize: '0.84rem',
          fontWeight: 700,
          display: '-webkit-box',
          WebkitLineClamp: 2,
          WebkitBoxOrient: 'vertical',
          overflow: 'hidden',
        }}
      >
        {name}
      </Box>
      {note && (
        <Box
          sx={{
            fontSize: '0.78rem',
            color: 'var(--soft)',
            display: '-webkit-box',
            WebkitLineClamp: 2,
            WebkitBoxOrient: 'vertical',
            overflow: 'hidden',
          }}
        >
          {note}
        </Box>
      )}
    </Box>
  )
}

/** A pin and a sleeve where two ends meet, or the gap where they do not. */
function Joint({ near, far }: { near: ConnectorEnd | null; far: ConnectorEnd | null }) {
  if (!near || !far) return null
  const state = mating(near, far)
  const words = state.mates ? `${endText(near)} into ${endText(far)}` : state.words
  return (
    <Box
      title={words}
      sx={{
        position: 'absolute',
        left: -17,
        top: 40,
        width: 34,
        height: 30,
        zIndex: 1,
        pointerEvents: 'none',
      }}
    >
      <svg width="34" height="30" viewBox="0 0 34 30" role="img" aria-label={words}>
        {state.mates ? (
          <path d="M3 15H31" stroke="var(--ink)" strokeWidth="4" />
        ) : (
          <>
            <circle cx="17" cy="15" r="12" fill="var(--paper)" stroke="var(--bad)" strokeWidth="3" />
            <path d="M12 10l10 10M22 10l-10 10" stroke="var(--bad)" strokeWidth="3.5" />
          </>
        )}
      </svg>
    </Box>
  )
}

function SortableTile({
  placed,
  before,
  width,
  selected,
  onSelect,
  note,
}: {
  placed: Placed
  before: ConnectorEnd | null
  width: number
  selected: boolean
  onSelect: () => void
  note: string | undefined
}) {
  const sortable = useSortable({ id: placed.item.key, disabled: placed.part.kind === 'antenna' })
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = sortable
  return (
    <Box
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      sx={{ position: 'relative', width, flexShrink: 0, opacity: isDragging ? 0.5 : 1 }}
    >
      <Joint near={before} far={placed.near} />
      <Box
        component="button"
        type="button"
        {...attributes}
        {...listeners}
        onClick={onSelect}
        aria-pressed={selected}
        aria-label={`${placed.part.name}${placed.item.flipped ? ', turned round' : ''}`}
        sx={{
          border: 0,
          background: 'none',
          p: 0,
          font: 'inherit',
          cursor: 'grab',
          touchAction: 'manipulation',
          display: 'block',
        }}
      >
        <Tile kind={placed.part.kind} name={placed.part.name} width={width} selected={selected} note={note} />
      </Box>
    </Box>
  )
}

/** The chain from the radio to the sky, drawn as a chain; parts are dropped into it or moved along it. */
export function ChainDrawing({ rig, port, portIndex, columnWidth, left, selected, onSelect }: Props) {
  const { setNodeRef, isOver } = useDroppable({ id: `chain-${portIndex}` })
  const before = endsBefore(port)
  const tiles: ReactNode[] = port.items.map((placed, i) => {
    const on = [port.mount?.name, port.mast?.name].filter(Boolean).join(', ')
    const set =
      placed.item.setting !== null && placed.part.kind === 'antenna'
        ? `at ${placed.item.setting} ${placed.part.spec.settingUnit}`
        : ''
    const note =
      placed.part.kind === 'antenna'
        ? [set, on].filter(Boolean).join(', ') || undefined
        : placed.item.flipped
          ? 'turned round'
          : undefined
    return (
      <SortableTile
        key={placed.item.key}
        placed={placed}
        before={before[i]!}
        width={columnWidth}
        selected={selected === placed.item.key}
        onSelect={() => onSelect(selected === placed.item.key ? null : placed.item.key)}
        note={note}
      />
    )
  })
  const fixed = rig.radio?.spec.antennaFixed && port.items.length === 0
  return (
    <Box
      ref={setNodeRef}
      sx={{
        display: 'flex',
        pl: `${left}px`,
        minWidth: 'max-content',
        background: isOver ? 'var(--paper)' : 'none',
        py: 1,
      }}
    >
      <Box sx={{ width: columnWidth, flexShrink: 0 }}>
        {rig.radio ? (
          <Tile
            kind="radio"
            standing={rig.radio.spec.use !== 'handheld'}
            name={rig.radio.name}
            width={columnWidth}
            note={port.connector ? endText(port.connector) : undefined}
          />
        ) : (
          <Tile kind="radio" name="Pick a radio" width={columnWidth} missing />
        )}
      </Box>
      <SortableContext items={port.items.map((p) => p.item.key)} strategy={horizontalListSortingStrategy}>
        {tiles}
      </SortableContext>
      {!port.antenna && (
        <Box sx={{ width: columnWidth, flexShrink: 0 }}>
          <Tile
            kind="antenna"
            name={fixed ? 'Its own fixed antenna' : 'Pick an antenna'}
            width={columnWidth}
            missing={!fixed}
            note={port.mount?.name}
          />
        </Box>
      )}
    </Box>
  )
}
