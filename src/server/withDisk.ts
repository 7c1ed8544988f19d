import { databaseTrouble } from '@/data/database'
import { diskTrouble } from '@/data/diskTrouble'
import { refused } from './json'

/** A device goes on by itself and tries again: the desk is there, and its disk is not. */
const NO_DISK = 503

/** A route that says in words when the disk does not do what it should. */
export const withDisk =
  <A extends unknown[]>(route: (...args: A) => Promise<Response>) =>
  async (...args: A): Promise<Response> => {
    try {
      return await route(...args)
    } catch (e) {
      const trouble = diskTrouble(e) ?? databaseTrouble()
      if (trouble === null) throw e
      return refused(trouble, NO_DISK)
    }
  }
