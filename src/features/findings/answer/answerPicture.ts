import type { Answer, AnswerLine } from '@/core/findings'
import type { Units } from '@/core/units'
import { rigLook } from '@/ui/theme/palette'
import { axisOf, type AnswerAxis } from './axis'

const [WIDTH, LEFT, PAD, ROW, LETTERS] = [980, 250, 24, 56, 92]

const safe = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!)

/** A sentence broken into lines of so many letters at most. */
function lines(text: string, most: number): string[] {
  return text.split(' ').reduce<string[]>(
    (all, word) => {
      const last = all.at(-1)!
      return last.length + word.length + 1 > most && last
        ? [...all, word]
        : [...all.slice(0, -1), last ? `${last} ${word}` : word]
    },
    [''],
  )
}

function bar(
  { value, low, high, ways }: AnswerLine,
  axis: AnswerAxis,
  hue: string,
  ink: string,
  y: number,
): string {
  const x = (share: number) => (LEFT + (WIDTH - LEFT - PAD) * Math.min(1, Math.max(0, share))).toFixed(1)
  const parts: string[] = []
  if (low !== null || high !== null)
    parts.push(
      `<path d="M${x(low === null ? 0 : axis.at(low))} ${y}H${x(high === null ? 1 : axis.at(high))}" stroke="${hue}" stroke-width="7" stroke-opacity="0.45"/>`,
    )
  if (value !== null)
    parts.push(
      `<path d="M${Number(x(axis.at(value))) - 7} ${y - 10}h7v20h-7" fill="none" stroke="${ink}" stroke-width="3.5"/>`,
    )
  ways.forEach((w, i) =>
    w.spans.forEach((s) => {
      const [from, to] = [x(axis.at(s.fromM)), x(s.toM === null ? 1 : axis.at(s.toM))]
      const fill =
        s.means === 'clear'
          ? `fill="${hue}"`
          : s.means === 'broken'
            ? `fill="${hue}" fill-opacity="0.3"`
            : `fill="none" stroke="${hue}" stroke-dasharray="3 3"`
      parts.push(
        `<rect x="${from}" y="${y - 8 + 9 * i}" width="${Number(to) - Number(from)}" height="7" ${fill}/>`,
      )
    }),
  )
  return parts.join('')
}

/** The answer as a drawing that stands alone: its sentence, every rig with its name, the scale with its unit. @param colour by the name of a variable of the page */
export function answerPicture(
  answer: Answer,
  looks: Record<string, number>,
  units: Units,
  colour: (name: string) => string,
): string {
  const axis = axisOf(answer, units)
  const ink = colour('--ink')
  const soft = colour('--soft')
  const hueOf = (id: string) => colour(rigLook(looks[id] ?? 0).hue.replace(/^var\((.*)\)$/, '$1'))
  const head = lines(answer.lead, LETTERS)
  const top = 20 + head.length * 28
  const foot = lines(`${answer.sure}${answer.copied ? ` Copied means ${answer.copied}.` : ''}`, LETTERS + 30)
  const floor = top + answer.lines.length * ROW
  const height = floor + 54 + foot.length * 18 + 10
  const text = (x: number, y: number, size: number, words: string, more = '') =>
    `<text x="${x}" y="${y}" font-size="${size}" fill="${ink}" ${more}>${safe(words)}</text>`
  const rows = answer.lines.map((line, i) => {
    const y = top + i * ROW
    const hue = hueOf(line.linkId)
    return [
      `<path d="M${PAD} ${y}H${WIDTH - PAD}" stroke="${colour('--rule')}"/>`,
      `<rect x="${PAD}" y="${y + 10}" width="${line.letter.length > 1 ? 36 : 24}" height="24" rx="3" fill="${hue}"/>`,
      `<text x="${PAD + (line.letter.length > 1 ? 18 : 12)}" y="${y + 28}" font-size="16" font-weight="700" text-anchor="middle" fill="${colour('--paper')}">${safe(line.letter)}</text>`,
      text(
        PAD + 44,
        y + 28,
        15,
        line.name.length > 24 ? `${line.name.slice(0, 23)}…` : line.name,
        'font-weight="700"',
      ),
      axis ? bar(line, axis, hue, ink, y + 17) : '',
      text(
        LEFT,
        y + 46,
        14,
        [line.text, line.note].filter(Boolean).join('; ') ||
          line.ways
            .map((w) => `${w.name}: ${w.text}`)
            .join('; ')
            .slice(0, 110),
      ),
    ].join('')
  })
  const ticks = axis
    ? axis.ticks
        .map(({ value, text: t }) => {
          const x = LEFT + (WIDTH - LEFT - PAD) * axis.at(value)
          return `<path d="M${x} ${floor}v6" stroke="${ink}"/><text x="${x}" y="${floor + 20}" font-size="13" text-anchor="middle" fill="${soft}">${safe(t)}</text>`
        })
        .join('') +
      `<path d="M${LEFT} ${floor}H${WIDTH - PAD}" stroke="${ink}"/><text x="${WIDTH - PAD}" y="${floor + 38}" font-size="13" text-anchor="end" fill="${soft}">${safe(axis.label)}</text>`
    : ''
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${height}" viewBox="0 0 ${WIDTH} ${height}" font-family="Atkinson Hyperlegible, sans-serif">`,
    `<rect width="100%" height="100%" fill="${colour('--paper')}"/>`,
    ...head.map((l, i) => text(PAD, 34 + i * 28, 22, l, 'font-weight="700"')),
    ...rows,
    ticks,
    ...foot.map(
      (l, i) => `<text x="${PAD}" y="${floor + 62 + i * 18}" font-size="13" fill="${soft}">${safe(l)}</text>`,
    ),
    '</svg>',
  ].join('')
}
