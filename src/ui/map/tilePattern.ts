/** Signs or lines that fill an area, drawn once on a tile of so many px. */
export function tilePattern(
  sizePx: number,
  ink: string,
  { alpha, linePx }: { alpha: number; linePx: number },
  draw: (c: CanvasRenderingContext2D, sizePx: number) => void,
): CanvasPattern | null {
  const canvas = document.createElement('canvas')
  canvas.width = sizePx
  canvas.height = sizePx
  const c = canvas.getContext('2d')!
  c.strokeStyle = ink
  c.fillStyle = ink
  c.globalAlpha = alpha
  c.lineWidth = linePx
  draw(c, sizePx)
  return c.createPattern(canvas, 'repeat')
}
