import type { Link } from '@/core/kit'
import { layerName } from '@/core/reach/map/mapWords'
import type { MapLayer, ReachMap } from '@/core/reach/map/reachMap'
import { tinted, TINTS } from '@/ui/map/coverageDrawing'

interface Asked {
  title: string
  sentence: string
  facts: string[]
  map: ReachMap
  links: Link[]
  /** Of the links, hexes. */
  hues: string[]
}

const [WIDTH, EDGE, LINE] = [1600, 56, 30]
const FACE = '"Atkinson Hyperlegible", sans-serif'
const [PAPER, INK] = ['#ffffff', '#14222e']

/** The map as it stands on the page, its layers laid over one another. */
function mapCanvas(): HTMLCanvasElement {
  const viewport = document.querySelector<HTMLElement>('[aria-label^="Map of reach"] .ol-viewport')
  if (!viewport) throw new Error('the map is not drawn yet')
  const { width, height } = viewport.getBoundingClientRect()
  const scale = window.devicePixelRatio
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(width * scale)
  canvas.height = Math.round(height * scale)
  const c = canvas.getContext('2d')!
  for (const layer of viewport.querySelectorAll<HTMLCanvasElement>('.ol-layers canvas')) {
    if (layer.width === 0) continue
    c.globalAlpha = Number(layer.parentElement?.style.opacity || layer.style.opacity || 1)
    const matrix = /^matrix\(([^)]*)\)$/.exec(layer.style.transform)?.[1]?.split(',').map(Number)
    if (matrix)
      c.setTransform(...(matrix.map((v) => v * scale) as [number, number, number, number, number, number]))
    else c.setTransform(1, 0, 0, 1, 0, 0)
    c.drawImage(layer, 0, 0)
  }
  return canvas
}

/** The scale line of the map: its length on the page, px, and what it stands for. */
function scaleLine(): { px: number; text: string } | null {
  const line = document.querySelector<HTMLElement>('[aria-label^="Map of reach"] .ol-scale-line-inner')
  return line ? { px: line.getBoundingClientRect().width, text: line.textContent ?? '' } : null
}

function swatch(
  c: CanvasRenderingContext2D,
  layer: MapLayer,
  hues: string[],
  top: boolean,
  x: number,
  y: number,
) {
  const [a, b] = [hues[0]!, hues[1] ?? hues[0]!]
  const lines = layer.kind === 'guess' || layer.kind === 'undecided'
  if (layer.kind === 'chance') c.fillStyle = tinted(a, top ? TINTS.low + TINTS.high : TINTS.low)
  else if (layer.kind === 'side')
    c.fillStyle =
      layer.side === 'both' ? tinted(INK, TINTS.both) : tinted(layer.side === 'first' ? a : b, TINTS.side)
  if (!lines) c.fillRect(x, y, 38, 22)
  c.strokeStyle = INK
  c.lineWidth = 1
  c.strokeRect(x, y, 38, 22)
  if (!lines) return
  c.save()
  c.beginPath()
  c.rect(x, y, 38, 22)
  c.clip()
  const down = layer.kind === 'guess'
  for (let k = -22; k < 40; k += 8) {
    c.beginPath()
    c.moveTo(x + k, down ? y : y + 22)
    c.lineTo(x + k + 22, down ? y + 22 : y)
    c.stroke()
  }
  c.restore()
}

/** Words set over as many lines as they need. */
function wrapped(c: CanvasRenderingContext2D, text: string, width: number): string[] {
  const lines: string[] = []
  for (const word of text.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && c.measureText(`${last} ${word}`).width <= width)
      lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines
}

function north(c: CanvasRenderingContext2D, x: number, y: number) {
  c.fillStyle = INK
  c.beginPath()
  c.moveTo(x, y)
  c.lineTo(x + 14, y + 40)
  c.lineTo(x, y + 31)
  c.lineTo(x - 14, y + 40)
  c.fill()
  c.font = `700 22px ${FACE}`
  c.textAlign = 'center'
  c.fillText('N', x, y + 64)
  c.textAlign = 'left'
}

/** The map for a sheet of paper: what it says, the map with its scale and north, its key, what it was made with. */
export async function printPicture({ title, sentence, facts, map, links, hues }: Asked): Promise<Blob> {
  const drawn = mapCanvas()
  const across = WIDTH - 2 * EDGE
  const tall = Math.round((across * drawn.height) / drawn.width)
  const canvas = document.createElement('canvas')
  const c = canvas.getContext('2d')!
  c.font = `700 34px ${FACE}`
  const said = wrapped(c, sentence, across)
  const shown = map.layers.filter((l) => l.rings.length > 0)
  canvas.width = WIDTH
  canvas.height =
    EDGE + 34 + said.length * 42 + 24 + tall + 34 + LINE * (Math.max(shown.length, facts.length) + 1) + EDGE
  c.fillStyle = PAPER
  c.fillRect(0, 0, canvas.width, canvas.height)
  c.fillStyle = INK
  let y = EDGE + 18
  c.font = `22px ${FACE}`
  c.fillText(title, EDGE, y)
  c.font = `700 34px ${FACE}`
  for (const line of said) c.fillText(line, EDGE, (y += 42))
  y += 24
  c.drawImage(drawn, EDGE, y, across, tall)
  c.strokeStyle = INK
  c.lineWidth = 2
  c.strokeRect(EDGE, y, across, tall)
  north(c, WIDTH - EDGE - 40, y + 20)
  y += tall + 34
  const top = Math.max(0, ...map.layers.map((l) => (l.kind === 'chance' ? l.level : 0)))
  c.font = `20px ${FACE}`
  shown.forEach((layer, i) => {
    swatch(c, layer, hues, layer.kind === 'chance' && layer.level === top, EDGE, y + i * LINE)
    c.fillStyle = INK
    c.fillText(layerName(layer, links), EDGE + 52, y + i * LINE + 18)
  })
  c.fillStyle = INK
  facts.forEach((fact, i) => c.fillText(fact, EDGE + across * 0.4, y + i * LINE + 18))
  const scale = scaleLine()
  if (scale) {
    const px = (scale.px * across * window.devicePixelRatio) / drawn.width
    const at = y + LINE * Math.max(shown.length, facts.length) + 14
    c.fillRect(EDGE, at, px, 6)
    c.fillText(scale.text, EDGE + px + 12, at + 10)
  }
  return new Promise((done, fail) =>
    canvas.toBlob((b) => (b ? done(b) : fail(new Error('the picture could not be made'))), 'image/png'),
  )
}
