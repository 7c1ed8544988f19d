import Box from '@mui/material/Box'
import type { PatternPoint, SwrPoint } from '@/core/kit'

/**
 * A pattern as a rose: 0 dB at the rim, 20 dB below it at the middle; one half is mirrored where only one was given.
 */
export function PatternRose({ points }: { points: readonly PatternPoint[] }) {
  if (points.length < 3) return null
  const half = points.every((p) => p.angleDeg >= 0 && p.angleDeg <= 180)
  const all = half
    ? [
        ...points,
        ...points
          .filter((p) => p.angleDeg > 0 && p.angleDeg < 180)
          .map((p) => ({ ...p, angleDeg: 360 - p.angleDeg })),
      ]
    : points
  const top = Math.max(...all.map((p) => p.db))
  const at = ({ angleDeg, db }: PatternPoint) => {
    const r = Math.max(0, 1 + (db - top) / 20) * 80
    const t = ((angleDeg - 90) * Math.PI) / 180
    return `${(90 + r * Math.cos(t)).toFixed(1)} ${(90 + r * Math.sin(t)).toFixed(1)}`
  }
  const sorted = [...all].sort((a, b) => a.angleDeg - b.angleDeg)
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <svg
        width="180"
        height="180"
        viewBox="0 0 180 180"
        role="img"
        aria-label="Pattern, seen from above, 10 dB a ring"
      >
        {[40, 80].map((r) => (
          <circle key={r} cx="90" cy="90" r={r} fill="none" stroke="var(--rule)" />
        ))}
        <path
          d={`M${sorted.map(at).join('L')}Z`}
          fill="var(--accent-fill)"
          fillOpacity="0.35"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <path d="M90 4V176M4 90H176" stroke="var(--rule)" />
      </svg>
      <figcaption style={{ color: 'var(--soft)', fontSize: '0.85rem' }}>
        Pattern from above, 10 dB a ring
      </figcaption>
    </Box>
  )
}

/** Measured SWR over frequency. */
export function SwrCurve({ points }: { points: readonly SwrPoint[] }) {
  if (points.length < 2) return null
  const sorted = [...points].sort((a, b) => a.frequencyMHz - b.frequencyMHz)
  const [low, high] = [sorted[0]!.frequencyMHz, sorted[sorted.length - 1]!.frequencyMHz]
  const top = Math.max(3, ...sorted.map((p) => p.swr))
  const x = (f: number) => 34 + ((f - low) / (high - low || 1)) * 230
  const y = (s: number) => 130 - ((s - 1) / (top - 1)) * 110
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <svg
        width="280"
        height="158"
        viewBox="0 0 280 158"
        role="img"
        aria-label={`SWR from ${low} to ${high} MHz`}
      >
        {[1, 2, 3].map((s) => (
          <g key={s}>
            <path d={`M34 ${y(s)}H264`} stroke="var(--rule)" />
            <text x="26" y={y(s) + 4} textAnchor="end" fontSize="12" fill="var(--soft)">
              {s}
            </text>
          </g>
        ))}
        <path
          d={`M${sorted.map((p) => `${x(p.frequencyMHz)} ${y(p.swr)}`).join('L')}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
        {sorted.map((p) => (
          <circle
            key={p.frequencyMHz}
            cx={x(p.frequencyMHz)}
            cy={y(p.swr)}
            r="3.5"
            fill="var(--accent-fill)"
            stroke="var(--ink)"
          />
        ))}
        <text x="34" y="150" fontSize="12" fill="var(--soft)">
          {low} MHz
        </text>
        <text x="264" y="150" textAnchor="end" fontSize="12" fill="var(--soft)">
          {high} MHz
        </text>
      </svg>
      <figcaption style={{ color: 'var(--soft)', fontSize: '0.85rem' }}>SWR as measured</figcaption>
    </Box>
  )
}
