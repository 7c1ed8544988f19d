'use client'

import type { KeyboardEvent, PointerEvent } from 'react'
import { CLEAR_SHARE, type GroundProfile, type PathClearance } from '@/core/terrain'
import { FOOT, HEIGHT, LEFT, profileGeometry, RIGHT, type ProfileGeometry } from './profileGeometry'
import { distanceText, heightText, lengthUnit, toLength, type Units } from '@/core/units'

interface Props {
  profile: GroundProfile
  nearM: number
  farM: number
  nearName: string
  farName: string
  frequencyMHz: number
  clearance: PathClearance
  width: number
  units: Units
  onNear: (heightM: number) => void
  onFar: (heightM: number) => void
}

const [MIN_M, MAX_M] = [0.5, 200]

/** Keys that raise and lower an antenna, m. */
const STEPS: Record<string, number> = { ArrowUp: 0.5, ArrowDown: -0.5, PageUp: 5, PageDown: -5 }

const held = (h: number) => Math.min(MAX_M, Math.max(MIN_M, Math.round(h * 10) / 10))

/** Round heights for the axis. */
function ticks(low: number, high: number): number[] {
  const step = [5, 10, 20, 25, 50, 100, 200, 500, 1000].find((s) => (high - low) / s <= 5) ?? 2000
  const first = Math.ceil(low / step) * step
  return Array.from({ length: Math.floor((high - first) / step) + 1 }, (_, i) => first + i * step)
}

interface AntennaProps {
  geometry: ProfileGeometry
  km: number
  groundM: number
  heightM: number
  name: string
  units: Units
  onHeight: (heightM: number) => void
}

/** An antenna that is dragged up and down, or moved by the arrow keys. */
function Antenna({ geometry, km, groundM, heightM, name, units, onHeight }: AntennaProps) {
  const { x, y, metresAt } = geometry
  const drag = (e: PointerEvent<SVGGElement>) => {
    if (e.buttons !== 1) return
    const box = e.currentTarget.ownerSVGElement!.getBoundingClientRect()
    onHeight(held(metresAt(e.clientY - box.top) - groundM))
  }
  const press = (e: KeyboardEvent) => {
    const step = STEPS[e.key]
    if (step === undefined) return
    e.preventDefault()
    onHeight(held(heightM + step))
  }
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`Antenna height at ${name}`}
      aria-orientation="vertical"
      aria-valuemin={MIN_M}
      aria-valuemax={MAX_M}
      aria-valuenow={heightM}
      aria-valuetext={heightText(heightM, units)}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={drag}
      onKeyDown={press}
      style={{ cursor: 'ns-resize', touchAction: 'none' }}
    >
      <rect
        x={x(km) - 14}
        y={y(groundM + heightM) - 14}
        width="28"
        height={y(groundM) - y(groundM + heightM) + 28}
        fill="transparent"
      />
      <path d={`M${x(km)} ${y(groundM)}V${y(groundM + heightM)}`} stroke="var(--ink)" strokeWidth="4" />
      <circle
        cx={x(km)}
        cy={y(groundM + heightM)}
        r="8"
        fill="var(--accent-fill)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
    </g>
  )
}

/**
 * The ground between two antennas with the earth's bulge, sight line and first Fresnel zone; the antennas are
 * dragged up and down.
 */
export function ProfileDrawing(props: Props) {
  const { profile, nearM, farM, frequencyMHz, clearance, width, units } = props
  const geometry = profileGeometry(profile, { nearM, farM, frequencyMHz, width })
  const { x, y, low, high, lengthKm: d, ground, woods, blocked, ellipse, line } = geometry
  const [a, b] = [line(0), line(d)]
  // On a narrow screen the names of the ends need the room.
  const kmTicks = width < 560 ? [] : [0.25, 0.5, 0.75].map((t) => t * d)
  return (
    <svg
      width={width}
      height={HEIGHT}
      // Until its width follows a narrower window, it must not widen the page.
      style={{
        display: 'block',
        maxWidth: '100%',
        background: 'var(--raised)',
        border: '1px solid var(--rule)',
      }}
      role="group"
      aria-label={`Profile from ${props.nearName} to ${props.farName}`}
    >
      {ticks(low, high).map((t) => (
        <g key={t}>
          <path d={`M${LEFT} ${y(t)}H${width - RIGHT}`} stroke="var(--rule)" />
          <text x={LEFT - 6} y={y(t) + 4} fontSize="12" textAnchor="end" fill="var(--soft)">
            {Math.round(toLength(t, units))}
          </text>
        </g>
      ))}
      <text x={LEFT - 6} y={12} fontSize="12" textAnchor="end" fill="var(--soft)">
        {lengthUnit(units)}
      </text>
      <path d={ellipse(1)} fill="var(--accent-fill)" opacity="0.13" />
      <path d={ellipse(CLEAR_SHARE)} fill="var(--accent-fill)" opacity="0.2" />
      <path
        d={`M${ground}L${x(d)} ${HEIGHT - FOOT}L${LEFT} ${HEIGHT - FOOT}Z`}
        fill="var(--ink)"
        opacity="0.28"
      />
      <path d={`M${ground}`} fill="none" stroke="var(--ink)" strokeWidth="2" />
      {woods.length > 0 && (
        <>
          <defs>
            <pattern id="trees" width="9" height="9" patternUnits="userSpaceOnUse">
              <circle cx="4.5" cy="3.4" r="2.4" fill="none" stroke="var(--ink)" />
              <path d="M4.5 5.8V9" stroke="var(--ink)" />
            </pattern>
          </defs>
          <path d={woods.join('')} fill="url(#trees)" />
        </>
      )}
      {blocked.map((path, i) => (
        <path key={i} d={path} fill="var(--bad)" />
      ))}
      <path
        d={`M${x(0)} ${y(a)}L${x(d)} ${y(b)}`}
        stroke="var(--accent)"
        strokeWidth="2"
        strokeDasharray="7 4"
      />
      {clearance.kind === 'shadowed' && (
        <text
          x={Math.min(Math.max(x(clearance.atKm), LEFT + 90), width - RIGHT - 90)}
          y={y(line(clearance.atKm)) + 22}
          fontSize="13"
          fontWeight="700"
          textAnchor="middle"
          fill="var(--ink)"
          stroke="var(--raised)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {heightText(Math.max(1, Math.round(clearance.overM)), units)} in the way at{' '}
          {distanceText(clearance.atKm * 1000, units)}
        </text>
      )}
      {kmTicks.map((km) => (
        <text key={km} x={x(km)} y={HEIGHT - 10} fontSize="12" textAnchor="middle" fill="var(--soft)">
          {distanceText(km * 1000, units)}
        </text>
      ))}
      <text x={LEFT} y={HEIGHT - 10} fontSize="13" fontWeight="700" fill="var(--ink)">
        {props.nearName}, {heightText(nearM, units)}
      </text>
      <text
        x={width - RIGHT}
        y={HEIGHT - 10}
        fontSize="13"
        fontWeight="700"
        textAnchor="end"
        fill="var(--ink)"
      >
        {props.farName}, {heightText(farM, units)}
      </text>
      <Antenna
        {...{ geometry, units }}
        km={0}
        groundM={a - nearM}
        heightM={nearM}
        name={props.nearName}
        onHeight={props.onNear}
      />
      <Antenna
        {...{ geometry, units }}
        km={d}
        groundM={b - farM}
        heightM={farM}
        name={props.farName}
        onHeight={props.onFar}
      />
    </svg>
  )
}
