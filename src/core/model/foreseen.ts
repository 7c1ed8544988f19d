import type { SeededRandom } from '@/core/stats/numeric/seededRandom'
import { cutDraws, eachDraw, levelDraws } from './answers'
import type { Fall } from './fall'
import type { ModelFit } from './fit'

/** A check that was not made yet, by the places of its link and listener. */
export interface UnmadeCheck {
  link: number
  listener: number
}

/** What checks not made yet would say of a mark, by draw: levels, and whether each would be heard. */
export class Foreseen {
  private readonly levels = new Map<string, Float64Array>()
  private readonly cuts = new Map<number, Float64Array>()
  private readonly ownAt: Map<string, number>

  constructor(
    private readonly fit: ModelFit,
    private readonly fall: Fall,
    private readonly random: SeededRandom,
  ) {
    const { cells } = fit.data
    this.ownAt = new Map(cells.map((c) => [`${c.mark} ${c.link}`, c.own]))
  }

  /**
   * One call of each check at a mark, by draw, dB above what it takes to be heard; below nought it is not. The mark's
   * ground is the draw's where something was reported from it, and any ground like it elsewhere; so is what a link has
   * of its own there.
   * @param mark by its place in the model's input @param lg of its distance in m
   */
  margins(mark: number, lg: number, checks: readonly UnmadeCheck[]): Float64Array[] {
    const { data, points } = this.fit
    const at = data.marks.indexOf(mark)
    const owns = data.ownMark.length
    const ground = eachDraw(this.fit, ({ x, point }) =>
      at >= 0 ? x[owns + at]! : this.random.normal() * points[point]!.spreads.groundDb,
    )
    const ownOf = new Map<number, Float64Array>()
    for (const { link } of checks) {
      if (ownOf.has(link)) continue
      const own = at >= 0 ? this.ownAt.get(`${at} ${link}`) : undefined
      ownOf.set(
        link,
        eachDraw(this.fit, ({ x, point }) =>
          own !== undefined ? x[own]! : this.random.normal() * points[point]!.spreads.ownDb,
        ),
      )
    }
    return checks.map(({ link, listener }) => {
      const level = this.levelOf(link, listener)
      const cut = this.cutOf(listener)
      const own = ownOf.get(link)!
      return eachDraw(this.fit, ({ point }, i) => {
        const { callDb, cutDb } = points[point]!.spreads
        const call = Math.hypot(callDb, cutDb) * this.random.normal()
        return level[i]! - this.fall.to(i, lg) + ground[i]! + own[i]! + call - cut[i]!
      })
    })
  }

  private levelOf(link: number, listener: number): Float64Array {
    const key = `${link} ${listener}`
    const made = this.levels.get(key) ?? levelDraws(this.fit, link, listener)
    this.levels.set(key, made)
    return made
  }

  private cutOf(listener: number): Float64Array {
    const made = this.cuts.get(listener) ?? cutDraws(this.fit, listener, 1)
    this.cuts.set(listener, made)
    return made
  }
}
