'use client'

import Box from '@mui/material/Box'
import { useState } from 'react'
import { coordinateText, type CoordinateFormat, type Place } from '@/core/geo'
import type { Rings } from '@/core/terrain'
import { distanceText, type Units } from '@/core/units'
import type { AreaRow } from '@/data/areas'
import type { BackdropRow } from '@/data/backdrops'
import type { MapArea, MapOutline } from '@/ui/map/areaDrawing'
import type { MapContent, MarkKinds } from '@/ui/map/mapDrawing'
import { MapFrame } from '@/ui/map/MapFrame'
import type { LoadedGround, Picture } from '@/ui/map/reliefLayers'
import { MapBar } from './MapBar'
import { usePointer, type Pointer } from './pointer'

interface Props {
  content: MapContent
  kinds: MarkKinds
  ground: Pick<LoadedGround, 'worker' | 'ids'> | null
  areas: AreaRow[]
  /** Where files lie that were looked at; the map goes there. */
  extents: MapArea[]
  outlines: MapOutline[]
  reach: boolean
  onReach: (on: boolean) => void
  backdrops: BackdropRow[]
  sight: Picture | null
  onHideSight: () => void
  chosen: { name: string; place: Place } | null
  pointer: Pointer
  format: CoordinateFormat
  onFormat: (f: CoordinateFormat) => void
  snap: boolean
  onSnap: (on: boolean) => void
  drawing: boolean
  onDrawn: (rings: Rings) => void
  onPick: (place: Place) => void
  onMoveMark: (id: string, to: Place) => void
  units: Units
}

/** The pointer's coordinates, or what was picked or measured. */
function Readout({
  measured,
  measuring,
  drawing,
  chosen,
  pointer,
  format,
  units,
}: Pick<Props, 'chosen' | 'pointer' | 'format' | 'units' | 'drawing'> & {
  measured: number | null
  measuring: boolean
}) {
  const pointed = usePointer(pointer)
  const words = () => {
    if (measured !== null) return `Measured: ${distanceText(measured, units)}`
    if (measuring) return 'Drag from one place to another, or click both'
    if (drawing) return 'Click the corners; Escape takes one back'
    if (pointed) return coordinateText(pointed, format)
    return chosen ? `${chosen.name}: ${coordinateText(chosen.place, format)}` : ''
  }
  return (
    <Box sx={{ ml: 'auto' }} data-testid="readout">
      {words()}
    </Box>
  )
}

/** The map with what stands over it. */
export function MapSection(props: Props) {
  const { content, backdrops, chosen, pointer, format, units, drawing } = props
  const [measuring, setMeasuring] = useState(false)
  const [measured, setMeasured] = useState<number | null>(null)
  const [backdropId, setBackdrop] = useState('')
  return (
    <>
      <MapBar
        format={format}
        onFormat={props.onFormat}
        measuring={measuring}
        onMeasuring={(on) => {
          setMeasuring(on)
          setMeasured(null)
        }}
        snap={props.snap}
        onSnap={props.onSnap}
        reach={props.reach}
        onReach={props.onReach}
        backdrops={backdrops}
        backdropId={backdropId}
        onBackdrop={setBackdrop}
        onHideSight={props.sight ? props.onHideSight : null}
      >
        <Readout {...{ measured, measuring, drawing, chosen, pointer, format, units }} />
      </MapBar>
      <MapFrame
        content={content}
        kinds={props.kinds}
        ground={props.ground}
        areas={props.areas}
        extents={props.extents}
        outlines={props.outlines}
        backdrop={backdrops.find((b) => b.id === backdropId) ?? null}
        sight={props.sight}
        target={chosen?.place ?? null}
        label={`Map: ${content.base?.name ?? 'no base yet'}, ${content.legs.length} legs, ${content.marks.length} marks`}
        height={520}
        measuring={measuring}
        onMeasured={setMeasured}
        drawing={drawing}
        onDrawn={props.onDrawn}
        onPointer={pointer.set}
        onPick={props.onPick}
        onMoveMark={props.onMoveMark}
      />
    </>
  )
}
