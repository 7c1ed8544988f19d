'use client'

import { useEffect, useRef, useState } from 'react'
import { type Position, type PositionSource } from './positionSource'

export interface PositionState {
  position: Position | null
  kmh: number | null
  trouble: string | null
}

const NOWHERE: PositionState = { position: null, kmh: null, trouble: null }
/** The way walked is logged in pieces of so many points, or after so long, ms. */
const PIECE = 60
const PIECE_MS = 60_000
/** Points closer in time than this are left out, ms. */
const APART_MS = 4_000

type Point = [number, number, number, number | null]

/** Follows a source of positions; hands the way walked over in pieces. */
export function usePosition(
  source: PositionSource | null,
  onTrack: (points: Point[]) => void,
): PositionState {
  const [state, setState] = useState<PositionState>(NOWHERE)
  const track = useRef(onTrack)
  useEffect(() => {
    track.current = onTrack
  })
  useEffect(() => {
    if (!source) return
    let piece: Point[] = []
    const handOver = () => {
      if (piece.length > 1) track.current(piece)
      piece = []
    }
    const stop = source.start(
      (p) => {
        const last = piece[piece.length - 1]
        if (!last || p.at - last[0] >= APART_MS) piece.push([p.at, p.lat, p.lon, p.accuracyM])
        if (piece.length >= PIECE || (piece[0] && p.at - piece[0][0] > PIECE_MS)) handOver()
        setState({ position: p, kmh: p.speedMs === null ? null : p.speedMs * 3.6, trouble: null })
      },
      (trouble) => setState({ ...NOWHERE, trouble }),
    )
    return () => {
      stop()
      handOver()
      setState(NOWHERE)
    }
  }, [source])
  return state
}
