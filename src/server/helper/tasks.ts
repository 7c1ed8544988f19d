import { DRAWS_TASK } from '@/core/model/drawField'
import type { Task } from '@/core/model/byTwo'
import { REFIT_TASK } from '@/core/model/refit'

/** All that a helper knows how to do, by name; what a task is asked is what whoever knows its name sends. */
export const TASKS = new Map(
  [DRAWS_TASK, REFIT_TASK].map((task) => [task.name, task as Task<unknown, unknown>]),
)
