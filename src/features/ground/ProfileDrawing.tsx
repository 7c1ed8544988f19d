'use client'

import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { bulgeM, fresnelM } from '@/core/propagation'
import { CLEAR_SHARE, type GroundProfile, type PathClearance } from '@/core/terrain'
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

const HEIGHT = 230
const [LEFT, RIGHT, TOP, FOOT] = [52, 24, 22, 30]
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

/**
 * The ground between two antennas with the earth's bulge, sight line and first Fresnel zone; the antennas are
 * dragged up and down.
 */
export function ProfileDrawing(props: Props) {
  const { profile, nearM, farM, frequencyMHz, clearance, width, units } = props
  const svg = useRef<SVGSVGElement>(null)
  const { distancesKm: D, heightsM: H, lengthKm: d } = profile
  const n = D.length
  const bulged = (i: number) => H[i]! + bulgeM(D[i]!, d - D[i]!)
  const [a, b] = [H[0]! + nearM, H[n - 1]! + farM]
  const line = (km: number) => a + ((b - a) * km) / d
  let [low, high] = [Math.min(a, b), Math.max(a, b)]
  for (let i = 0; i < n; i++) {
    low = Math.min(low, bulged(i))
    high = Math.max(high, bulged(i))
  }
  const treeTop = (i: number) => bulged(i) + (profile.cover?.woodTopM[i] ?? 0)
  for (let i = 0; i < n; i++) high = Math.max(high, treeTop(i))
  low = Math.min(low, H[0]!, H[n - 1]!) - 2
  high += Math.max(6, (high - low) * 0.08)
  const x = (km: number) => LEFT + (km / d) * (width - LEFT - RIGHT)
  const y = (m: number) => TOP + ((high - m) / (high - low)) * (HEIGHT - TOP - FOOT)
  const index = Array.from({ length: n }, (_, i) => i)
  const ground = index.map((i) => `${x(D[i]!).toFixed(1)} ${y(bulged(i)).toFixed(1)}`).join('L')
  const zone = (side: 1 | -1, share: number) =>
    index.map((i) => {
      const r = i === 0 || i === n - 1 ? 0 : fresnelM(frequencyMHz, D[i]!, d - D[i]!) * share
      return `${x(D[i]!).toFixed(1)} ${y(line(D[i]!) + side * r).toFixed(1)}`
    })
  const ellipse = (share: number) => `M${zone(1, share).join('L')}L${zone(-1, share).reverse().join('L')}Z`
  const blocked = index.slice(1).flatMap((i) => {
    const [g0, g1, s0, s1] = [bulged(i - 1), bulged(i), line(D[i - 1]!), line(D[i]!)]
    if (g0 <= s0 && g1 <= s1) return []
    return [
      `M${x(D[i - 1]!)} ${y(Math.max(g0, s0))}L${x(D[i]!)} ${y(Math.max(g1, s1))}L${x(D[i]!)} ${y(s1)}L${x(D[i - 1]!)} ${y(s0)}Z`,
    ]
  })
  const woods = index.slice(1).flatMap((i) => {
    if (!(profile.cover?.woodTopM[i - 1] && profile.cover.woodTopM[i])) return []
    const corners = [
      [i - 1, bulged(i - 1)],
      [i - 1, treeTop(i - 1)],
      [i, treeTop(i)],
      [i, bulged(i)],
    ]
    return [`M${corners.map(([j, m]) => `${x(D[j!]!).toFixed(1)} ${y(m!).toFixed(1)}`).join('L')}Z`]
  })
  const dragTo = (ground: number, set: (h: number) => void) => (e: PointerEvent<SVGGElement>) => {
    if (e.buttons !== 1) return
    const box = svg.current!.getBoundingClientRect()
    const m = high - ((e.clientY - box.top - TOP) / (HEIGHT - TOP - FOOT)) * (high - low)
    set(held(m - ground))
  }
  const keys = (h: number, set: (h: number) => void) => (e: KeyboardEvent) => {
    const step = STEPS[e.key]
    if (step === undefined) return
    e.preventDefault()
    set(held(h + step))
  }
  const antenna = (km: number, groundM: number, heightM: number, name: string, set: (h: number) => void) => (
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
      onPointerMove={dragTo(groundM, set)}
      onKeyDown={keys(heightM, set)}
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
  // On a narrow screen the names of the ends need the room.
  const kmTicks = width < 560 ? [] : [0.25, 0.5, 0.75].map((t) => t * d)
  return (
    <svg
      ref={svg}
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
      {antenna(0, H[0]!, nearM, props.nearName, props.onNear)}
      {antenna(d, H[n - 1]!, farM, props.farName, props.onFar)}
    </svg>
  )
}
