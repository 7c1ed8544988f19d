/**
 * A symmetric system that is an arrow: what each link has of its own at a mark (each meets the ground there and the
 * shared unknowns), the ground along the legs (each place meets its neighbours), and the shared unknowns. It is
 * factorised in that order (Cholesky), which costs no more than marks times the square of what is shared.
 */
export class Arrow {
  readonly own: Float64Array
  /** Of each own with the ground at its mark. */
  readonly ownGround: Float64Array
  /** Of each own with the shared unknowns, a row of {@link size} each; nought where its link does not hang on one. */
  readonly ownShared: Float64Array
  readonly ground: Float64Array
  /** Of each place with the one before on its leg; nought at a leg's first. */
  readonly groundBefore: Float64Array
  /** Of each place with the shared unknowns, a row each. */
  readonly groundShared: Float64Array
  /** The shared unknowns among themselves, a row each; what is above the diagonal is not looked at. */
  readonly shared: Float64Array

  /**
   * @param markOf the place of the ground that each own stands at, -1 where there is none
   * @param places how many places of the ground @param size how many shared unknowns
   */
  constructor(
    readonly markOf: readonly number[],
    readonly places: number,
    readonly size: number,
  ) {
    const n = markOf.length
    this.own = new Float64Array(n)
    this.ownGround = new Float64Array(n)
    this.ownShared = new Float64Array(n * size)
    this.ground = new Float64Array(places)
    this.groundBefore = new Float64Array(places)
    this.groundShared = new Float64Array(places * size)
    this.shared = new Float64Array(size * size)
  }

  private parts(): Float64Array[] {
    const { own, ownGround, ownShared, ground, groundBefore, groundShared, shared } = this
    return [own, ownGround, ownShared, ground, groundBefore, groundShared, shared]
  }

  clear(): void {
    for (const part of this.parts()) part.fill(0)
  }

  /** Adds to every pivot. */
  addRidge(by: number): void {
    for (let i = 0; i < this.own.length; i++) this.own[i]! += by
    for (let i = 0; i < this.places; i++) this.ground[i]! += by
    for (let i = 0; i < this.size; i++) this.shared[i * this.size + i]! += by
  }

  copyFrom(other: Arrow): void {
    const from = other.parts()
    this.parts().forEach((part, i) => part.set(from[i]!))
  }

  /**
   * Replaces the matrix by its Cholesky factor.
   * @returns ln of its determinant; null where it is not positive definite, the matrix then being spoilt
   */
  factorise(): number | null {
    const own = this.factoriseOwn()
    const ground = own === null ? null : this.factoriseGround()
    if (own === null || ground === null) return null
    subtractSquares(this.ownShared, this.own.length, this.shared, this.size)
    subtractSquares(this.groundShared, this.places, this.shared, this.size)
    const shared = this.factoriseShared()
    return shared === null ? null : own + ground + shared
  }

  private factoriseOwn(): number | null {
    const { own, ownGround, ownShared, ground, groundShared, markOf, size } = this
    let lnDet = 0
    for (let u = 0; u < own.length; u++) {
      if (!(own[u]! > 0)) return null
      const pivot = Math.sqrt(own[u]!)
      own[u] = pivot
      lnDet += 2 * Math.log(pivot)
      const inverse = 1 / pivot
      const at = u * size
      for (let i = 0; i < size; i++) ownShared[at + i]! *= inverse
      const m = markOf[u]!
      if (m < 0) continue
      const g = (ownGround[u]! *= inverse)
      ground[m]! -= g * g
      const beside = m * size
      for (let i = 0; i < size; i++) groundShared[beside + i]! -= g * ownShared[at + i]!
    }
    return lnDet
  }

  private factoriseGround(): number | null {
    const { ground, groundBefore, groundShared, size } = this
    let lnDet = 0
    for (let m = 0; m < this.places; m++) {
      const at = m * size
      if (groundBefore[m] !== 0) {
        // The place before is factorised already: its pivot is ground[m - 1].
        const e = (groundBefore[m]! /= ground[m - 1]!)
        ground[m]! -= e * e
        for (let i = 0; i < size; i++) groundShared[at + i]! -= e * groundShared[at - size + i]!
      }
      if (!(ground[m]! > 0)) return null
      const pivot = Math.sqrt(ground[m]!)
      ground[m] = pivot
      lnDet += 2 * Math.log(pivot)
      const inverse = 1 / pivot
      for (let i = 0; i < size; i++) groundShared[at + i]! *= inverse
    }
    return lnDet
  }

  private factoriseShared(): number | null {
    const { shared, size } = this
    let lnDet = 0
    for (let i = 0; i < size; i++) {
      const row = i * size
      for (let j = 0; j < i; j++) {
        const other = j * size
        let s = shared[row + j]!
        for (let k = 0; k < j; k++) s -= shared[row + k]! * shared[other + k]!
        shared[row + j] = s / shared[other + j]!
      }
      let s = shared[row + i]!
      for (let k = 0; k < i; k++) s -= shared[row + k]! * shared[row + k]!
      if (!(s > 0)) return null
      shared[row + i] = Math.sqrt(s)
      lnDet += Math.log(s)
    }
    return lnDet
  }

  /** ln of the determinant of what is left of the shared unknowns once all else is integrated out, after {@link factorise}. */
  lnDetShared(): number {
    let lnDet = 0
    for (let i = 0; i < this.size; i++) lnDet += 2 * Math.log(this.shared[i * this.size + i]!)
    return lnDet
  }

  /** Solves L v = b in place, after {@link factorise}; `b` is own, ground, shared. */
  solveLower(b: Float64Array): void {
    const { ownShared, groundShared, shared, size } = this
    const [n, at] = [this.own.length, this.own.length + this.places]
    for (let u = 0; u < n; u++) {
      const v = (b[u]! /= this.own[u]!)
      if (this.markOf[u]! >= 0) b[n + this.markOf[u]!]! -= this.ownGround[u]! * v
      for (let i = 0; i < size; i++) b[at + i]! -= ownShared[u * size + i]! * v
    }
    for (let m = 0; m < this.places; m++) {
      if (this.groundBefore[m] !== 0) b[n + m]! -= this.groundBefore[m]! * b[n + m - 1]!
      const v = (b[n + m]! /= this.ground[m]!)
      for (let i = 0; i < size; i++) b[at + i]! -= groundShared[m * size + i]! * v
    }
    for (let i = 0; i < size; i++) {
      let s = b[at + i]!
      for (let k = 0; k < i; k++) s -= shared[i * size + k]! * b[at + k]!
      b[at + i] = s / shared[i * size + i]!
    }
  }

  /** Solves Lᵀ v = b in place, after {@link factorise}. */
  solveUpper(b: Float64Array): void {
    const { size } = this
    const at = this.own.length + this.places
    for (let i = size - 1; i >= 0; i--) {
      const [mean, sd] = this.sharedGiven(i, b)
      b[at + i] = mean + sd * b[at + i]!
    }
    this.solveUpperPlaces(b)
  }

  /** Mean and standard deviation of a shared unknown in the normal that the factor is of, given those after it. */
  sharedGiven(i: number, b: Float64Array): [mean: number, sd: number] {
    const { shared, size } = this
    const at = this.own.length + this.places
    let s = 0
    for (let k = i + 1; k < size; k++) s -= shared[k * size + i]! * b[at + k]!
    const pivot = shared[i * size + i]!
    return [s / pivot, 1 / pivot]
  }

  /** The same where the shared unknowns are solved already. */
  solveUpperPlaces(b: Float64Array): void {
    const { ownShared, groundShared, size } = this
    const [n, at] = [this.own.length, this.own.length + this.places]
    for (let m = this.places - 1; m >= 0; m--) {
      let s = b[n + m]!
      for (let i = 0; i < size; i++) s -= groundShared[m * size + i]! * b[at + i]!
      if (m + 1 < this.places) s -= this.groundBefore[m + 1]! * b[n + m + 1]!
      b[n + m] = s / this.ground[m]!
    }
    for (let u = n - 1; u >= 0; u--) {
      let s = b[u]!
      if (this.markOf[u]! >= 0) s -= this.ownGround[u]! * b[n + this.markOf[u]!]!
      for (let i = 0; i < size; i++) s -= ownShared[u * size + i]! * b[at + i]!
      b[u] = s / this.own[u]!
    }
  }
}

/** Subtracts Rᵀ R from the lower triangle of a square matrix, four rows of R at a time. */
function subtractSquares(rows: Float64Array, n: number, from: Float64Array, size: number): void {
  let u = 0
  for (; u + 3 < n; u += 4) {
    const p = u * size
    const q = p + size
    const r = q + size
    const s = r + size
    for (let i = 0; i < size; i++) {
      const a = rows[p + i]!
      const b = rows[q + i]!
      const c = rows[r + i]!
      const d = rows[s + i]!
      if (a === 0 && b === 0 && c === 0 && d === 0) continue
      const into = i * size
      for (let j = 0; j <= i; j++)
        from[into + j]! -= a * rows[p + j]! + b * rows[q + j]! + c * rows[r + j]! + d * rows[s + j]!
    }
  }
  for (; u < n; u++) {
    const p = u * size
    for (let i = 0; i < size; i++) {
      const a = rows[p + i]!
      for (let j = 0; a !== 0 && j <= i; j++) from[i * size + j]! -= a * rows[p + j]!
    }
  }
}
