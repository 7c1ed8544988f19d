/** Properties that a drawing takes from the page, and must carry with it when it leaves. */
const CARRIED = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'fill-opacity',
  'stroke-opacity',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
]

/**
 * A drawing of the page as a text that stands alone: its colours and letters as they are seen, on the page's ground.
 */
export function drawingOf(svg: SVGElement | Element | null): string | null {
  if (!(svg instanceof SVGElement)) return null
  const copy = svg.cloneNode(true) as SVGElement
  const from = [svg, ...svg.querySelectorAll<SVGElement>('*')]
  const to = [copy, ...copy.querySelectorAll<SVGElement>('*')]
  from.forEach((element, i) => {
    const seen = getComputedStyle(element)
    for (const name of CARRIED) to[i]!.style.setProperty(name, seen.getPropertyValue(name))
  })
  const { width, height } = svg.getBoundingClientRect()
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(Math.round(width)))
  copy.setAttribute('height', String(Math.round(height)))
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  ground.setAttribute('width', '100%')
  ground.setAttribute('height', '100%')
  ground.setAttribute('fill', getComputedStyle(document.body).backgroundColor)
  copy.insertBefore(ground, copy.firstChild)
  return new XMLSerializer().serializeToString(copy)
}

/** Saves a drawing as a picture. @param name of the file, without its ending */
export async function savePng(svg: string, name: string): Promise<void> {
  const link = document.createElement('a')
  link.href = await pngOf(svg)
  link.download = `${name}.png`
  link.click()
}

/** The same as a picture of twice its size. @returns a data URL */
function pngOf(svg: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const picture = new Image()
    picture.onload = () => {
      const canvas = document.createElement('canvas')
      canvas.width = 2 * picture.width
      canvas.height = 2 * picture.height
      const g = canvas.getContext('2d')!
      g.scale(2, 2)
      g.drawImage(picture, 0, 0)
      resolve(canvas.toDataURL('image/png'))
    }
    picture.onerror = () => reject(new Error('The drawing could not be turned into a picture.'))
    picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`
  })
}
