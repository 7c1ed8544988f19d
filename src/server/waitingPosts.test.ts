import { describe, expect, it } from 'vitest'
import type { Post } from '@/data/runs'
import { testEntry } from '@/core/testing/entries'
import { WaitingPosts } from './waitingPosts'

const post = (id: string): Post => ({
  entries: [testEntry({ kind: 'note', text: id }, { id })],
  sender: null,
})

describe('posts that wait', () => {
  it('are written together, and each is told what of it was new', async () => {
    const written: string[][] = []
    const posts = new WaitingPosts((all) => {
      written.push(all.map((p) => p.entries[0]!.id))
      return all.map((p) => (p.entries[0]!.id === 'b' ? [] : p.entries.map((e) => e.id)))
    })
    expect(await Promise.all(['a', 'b', 'c'].map((id) => posts.append(post(id))))).toEqual([['a'], [], ['c']])
    expect(written).toEqual([['a', 'b', 'c']])
    expect(await posts.append(post('d'))).toEqual(['d'])
    expect(written).toHaveLength(2)
  })

  it('are written one by one where one of them cannot be, and that one alone is refused', async () => {
    const posts = new WaitingPosts((all) => {
      if (all.some((p) => p.entries[0]!.id === 'bad')) throw new Error('no such run')
      return all.map((p) => p.entries.map((e) => e.id))
    })
    const found = await Promise.allSettled(['a', 'bad', 'c'].map((id) => posts.append(post(id))))
    expect(found.map((f) => f.status)).toEqual(['fulfilled', 'rejected', 'fulfilled'])
    await expect(posts.append(post('bad'))).rejects.toThrow('no such run')
  })
})
