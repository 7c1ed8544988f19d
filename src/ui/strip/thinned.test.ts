import { expect, it } from 'vitest'
import type { Post, StripModel } from './model'
import { thinned } from './thinned'

const post = (i: number, more: Partial<Post> = {}): Post => ({
  id: `c${i}`,
  markName: `m${i}`,
  legName: 'l',
  distanceM: 10 + i,
  direction: 'to base',
  repeat: 1,
  state: 'heard',
  height: 0.5,
  readability: 5,
  said: '5 by 7',
  remark: 'windy',
  ...more,
})
const model = (posts: Post[]): StripModel => ({
  lanes: [{ id: 'a', letter: 'A', name: 'Rig a', posts, wedge: [], brackets: [] }],
  nearestM: 10,
  farthestM: 10 + posts.length,
  ground: null,
})

it('leaves a strip of few checks as it is, but for digits that nobody sees', () => {
  const posts = Array.from({ length: 90 }, (_, i) => post(i, { distanceM: 10 + i + 0.0123, height: 0.54321 }))
  const [lane] = thinned(model(posts)).lanes
  expect(lane!.posts).toEqual(posts.map((p, i) => ({ ...p, id: String(i), distanceM: 10 + i, height: 0.54 })))
  expect(thinned(model(posts)).thin).toBe(false)
})

it('of many checks, each post stands for those near one another: the share that was heard, and how strong', () => {
  // Heard up to half-way, then lost; every other direction.
  const many = model(
    Array.from({ length: 6000 }, (_, i) =>
      i < 3000 ? post(i) : post(i, { state: 'not heard', height: null, readability: null }),
    ),
  )
  const { thin, lanes } = thinned(many)
  const posts = lanes[0]!.posts
  expect(thin).toBe(true)
  expect(posts.length).toBeLessThan(40)
  expect(posts[0]).toMatchObject({ state: 'heard', height: 0.5, readability: 5, remark: '' })
  expect(posts.at(-1)).toMatchObject({ state: 'not heard', height: null })
  expect(posts.map((p) => p.distanceM)).toEqual([...posts.map((p) => p.distanceM)].sort((a, b) => a - b))
  expect(posts[0]!.said).toMatch(/^(\d+) of \1 checks heard$/)
})

it('the ground keeps its ends and no more points than can be seen', () => {
  const ground = Array.from({ length: 1000 }, (_, i) => ({ distanceM: i * 5.004, heightM: i / 7 }))
  const leg = { legId: 'l', legName: 'l', ground, marks: [], chances: { a: [] }, knownToM: null }
  const few = model(Array.from({ length: 9 }, (_, i) => post(i)))
  const drawn = thinned({
    ...few,
    ground: { baseGroundM: 0, baseAntennaM: 8, correctedBy: null, legs: [leg] },
  }).ground!.legs[0]!
  expect(drawn.ground).toHaveLength(101)
  expect(drawn.ground[0]).toEqual({ distanceM: 0, heightM: 0 })
  expect(drawn.ground.at(-1)).toEqual({ distanceM: 4999, heightM: 142.7 })
  expect(drawn.chances).toEqual({})
})
