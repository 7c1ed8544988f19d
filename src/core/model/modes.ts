import type { Field } from './field'
import { Guesses } from './guess'
import { modeOf, type Mode } from './mode'
import type { Spreads } from './priors'

/** Modes of a field at one point of the spreads after the other, each begun at what those before let expect. */
export class Modes {
  /** Of Newton's method, in all. */
  steps = 0
  private readonly guesses = new Guesses()

  /** @param first where the first of them is begun; where the field itself begins, if nothing is known */
  constructor(
    private readonly field: Field,
    private readonly first: Float64Array | null = null,
  ) {}

  /** @returns null where none is found */
  at(theta: Float64Array, spreads: Spreads): Mode | null {
    const { field, guesses } = this
    const guess = guesses.guess(theta) ?? this.first
    const mode = (guess && modeOf(field, spreads, guess)) ?? modeOf(field, spreads, field.start())
    if (!mode) return null
    this.steps += mode.steps
    guesses.add(theta, mode.x)
    return mode
  }
}
