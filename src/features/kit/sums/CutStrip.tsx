import Box from '@mui/material/Box'
import Button from '@mui/material/Button'

/** What fits along the long side of a sheet, with margins. */
export const MAX_STRIP_M = 0.25
const CHECK_MM = 50

/** A strip in true size to lay the element on, with a check scale to hold a rule against. */
export function CutStrip({ lengthM, label }: { lengthM: number; label: string }) {
  const mm = lengthM * 1000
  const width = Math.max(mm, CHECK_MM) + 12
  return (
    <Box component="figure" sx={{ m: 0, my: 2, overflowX: 'auto', '@media print': { overflow: 'visible' } }}>
      <svg
        width={`${width}mm`}
        height="34mm"
        viewBox={`-6 0 ${width} 34`}
        role="img"
        aria-label={`Strip in true size: ${mm.toFixed(1)} mm`}
        style={{ background: '#ffffff' }}
      >
        <rect x="0" y="5" width={mm} height="8" fill="none" stroke="#000" strokeWidth="0.3" />
        <path d={`M0 2V16M${mm} 2V16`} stroke="#000" strokeWidth="0.3" />
        {Array.from({ length: Math.floor(mm) + 1 }, (_, i) => (
          <path
            key={i}
            d={`M${i} 13v${i % 10 === 0 ? -4 : i % 5 === 0 ? -2.6 : -1.5}`}
            stroke="#000"
            strokeWidth="0.15"
          />
        ))}
        <text x={mm / 2} y="8" fontSize="2.8" textAnchor="middle" fill="#000">
          {label}: {mm.toFixed(1)} mm
        </text>
        <path d={`M0 24H${CHECK_MM}M0 21v6M${CHECK_MM} 21v6`} stroke="#000" strokeWidth="0.3" />
        <text x="1" y="31" fontSize="2.8" fill="#000">
          Check scale: this must measure {CHECK_MM} mm. Print at 100 %, not fitted to the page.
        </text>
      </svg>
      <Box className="no-print">
        <Button size="small" variant="outlined" onClick={() => window.print()}>
          Print the strip
        </Button>
      </Box>
    </Box>
  )
}
