/**
 * A symmetric system that is an arrow: what each link has of its own at a mark (each meets the ground there and the
 * shared unknowns), the ground along the legs (each place meets its neighbours), and the shared unknowns. It is
 * factorised in that order (Cholesky), which costs no more than marks times the square of what is shared.
 */
export class Arrow {
  readonly own: Float64Array
  /** Of each own with the ground at its mark. */
  readonly ownGround: Float64Array
  /** Of each own with the shared unknowns; nought where its link does not hang on one. */
  readonly ownShared: Float64Array[]
  readonly ground: Float64Array
  /** Of each place with the one before on its leg; nought at a leg's first. */
  readonly groundBefore: Float64Array
  readonly groundShared: Float64Array[]
  /** Lower triangle by rows. */
  readonly shared: Float64Array[]

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
    this.ownShared = markOf.map(() => new Float64Array(size))
    this.ground = new Float64Array(places)
    this.groundBefore = new Float64Array(places)
    this.groundShared = Array.from({ length: places }, () => new Float64Array(size))
    this.shared = Array.from({ length: size }, (_, i) => new Float64Array(i + 1))
  }

  clear(): void {
    for (const part of [this.own, this.ownGround, this.ground, this.groundBefore]) part.fill(0)
    for (const rows of [this.ownShared, this.groundShared, this.shared]) for (const row of rows) row.fill(0)
  }

  /** Adds to every pivot. */
  addRidge(by: number): void {
    for (let i = 0; i < this.own.length; i++) this.own[i]! += by
    for (let i = 0; i < this.places; i++) this.ground[i]! += by
    for (let i = 0; i < this.size; i++) this.shared[i]![i]! += by
  }

  copyFrom(other: Arrow): void {
    this.own.set(other.own)
    this.ownGround.set(other.ownGround)
    this.ground.set(other.ground)
    this.groundBefore.set(other.groundBefore)
    other.ownShared.forEach((row, i) => this.ownShared[i]!.set(row))
    other.groundShared.forEach((row, i) => this.groundShared[i]!.set(row))
    other.shared.forEach((row, i) => this.shared[i]!.set(row))
  }

  /**
   * Replaces the matrix by its Cholesky factor.
   * @returns ln of its determinant; null where it is not positive definite, the matrix then being spoilt
   */
  factorise(): number | null {
    const own = this.own
    const ownGround = this.ownGround
    const ownShared = this.ownShared
    const ground = this.ground
    const groundBefore = this.groundBefore
    const groundShared = this.groundShared
    const shared = this.shared
    let lnDet = 0
    for (let u = 0; u < own.length; u++) {
      if (!(own[u]! > 0)) return null
      const pivot = Math.sqrt(own[u]!)
      own[u] = pivot
      lnDet += 2 * Math.log(pivot)
      const row = ownShared[u]!
      const m = this.markOf[u]!
      for (let i = 0; i < row.length; i++) row[i]! /= pivot
      const g = (ownGround[u]! /= pivot)
      if (m >= 0) {
        ground[m]! -= g * g
        const beside = groundShared[m]!
        for (let i = 0; i < row.length; i++) beside[i]! -= g * row[i]!
      }
      for (let i = 0; i < row.length; i++) {
        const v = row[i]!
        if (v === 0) continue
        const into = shared[i]!
        for (let j = 0; j <= i; j++) into[j]! -= v * row[j]!
      }
    }
    for (let m = 0; m < this.places; m++) {
      const row = groundShared[m]!
      if (groundBefore[m] !== 0) {
        // The place before is factorised already: its pivot is ground[m - 1].
        const e = (groundBefore[m]! /= ground[m - 1]!)
        ground[m]! -= e * e
        const before = groundShared[m - 1]!
        for (let i = 0; i < row.length; i++) row[i]! -= e * before[i]!
      }
      if (!(ground[m]! > 0)) return null
      const pivot = Math.sqrt(ground[m]!)
      ground[m] = pivot
      lnDet += 2 * Math.log(pivot)
      for (let i = 0; i < row.length; i++) row[i]! /= pivot
      for (let i = 0; i < row.length; i++) {
        const v = row[i]!
        if (v === 0) continue
        const into = shared[i]!
        for (let j = 0; j <= i; j++) into[j]! -= v * row[j]!
      }
    }
    for (let i = 0; i < this.size; i++) {
      const row = shared[i]!
      for (let j = 0; j < i; j++) {
        const other = shared[j]!
        let s = row[j]!
        for (let k = 0; k < j; k++) s -= row[k]! * other[k]!
        row[j] = s / other[j]!
      }
      let s = row[i]!
      for (let k = 0; k < i; k++) s -= row[k]! * row[k]!
      if (!(s > 0)) return null
      row[i] = Math.sqrt(s)
      lnDet += Math.log(s)
    }
    return lnDet
  }

  /** Solves L v = b in place, after {@link factorise}; `b` is own, ground, shared. */
  solveLower(b: Float64Array): void {
    const [n, at] = [this.own.length, this.own.length + this.places]
    for (let u = 0; u < n; u++) {
      const v = (b[u]! /= this.own[u]!)
      if (this.markOf[u]! >= 0) b[n + this.markOf[u]!]! -= this.ownGround[u]! * v
      const row = this.ownShared[u]!
      for (let i = 0; i < row.length; i++) b[at + i]! -= row[i]! * v
    }
    for (let m = 0; m < this.places; m++) {
      if (this.groundBefore[m] !== 0) b[n + m]! -= this.groundBefore[m]! * b[n + m - 1]!
      const v = (b[n + m]! /= this.ground[m]!)
      const row = this.groundShared[m]!
      for (let i = 0; i < this.size; i++) b[at + i]! -= row[i]! * v
    }
    for (let i = 0; i < this.size; i++) {
      const row = this.shared[i]!
      let s = b[at + i]!
      for (let k = 0; k < i; k++) s -= row[k]! * b[at + k]!
      b[at + i] = s / row[i]!
    }
  }

  /** Solves Lᵀ v = b in place, after {@link factorise}. */
  solveUpper(b: Float64Array): void {
    const [n, at] = [this.own.length, this.own.length + this.places]
    for (let i = this.size - 1; i >= 0; i--) {
      let s = b[at + i]!
      for (let k = i + 1; k < this.size; k++) s -= this.shared[k]![i]! * b[at + k]!
      b[at + i] = s / this.shared[i]![i]!
    }
    for (let m = this.places - 1; m >= 0; m--) {
      let s = b[n + m]!
      const row = this.groundShared[m]!
      for (let i = 0; i < this.size; i++) s -= row[i]! * b[at + i]!
      if (m + 1 < this.places) s -= this.groundBefore[m + 1]! * b[n + m + 1]!
      b[n + m] = s / this.ground[m]!
    }
    for (let u = n - 1; u >= 0; u--) {
      let s = b[u]!
      if (this.markOf[u]! >= 0) s -= this.ownGround[u]! * b[n + this.markOf[u]!]!
      const row = this.ownShared[u]!
      for (let i = 0; i < row.length; i++) s -= row[i]! * b[at + i]!
      b[u] = s / this.own[u]!
    }
  }
}
