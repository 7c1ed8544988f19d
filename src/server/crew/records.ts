import { DEVICE_ROLES, type Post } from '@/core/crew'
import { id, list, MAX_LETTERS, MAX_LINKS, oneOf, record, text } from '@/core/schema'

const POSTS = ['base', 'out there'] as const satisfies readonly Post[]

/** A run as it is given to a device. */
const givenRecord = record({
  runId: id(),
  post: oneOf(POSTS).notRequired().nullable().default(null),
  rigIds: list(id(), 2 * MAX_LINKS).default([]),
})

/** What one device is brought in as. */
export const invitationRecord = record({
  name: text(MAX_LETTERS.name).required('Give the device a name, so that you know it in the list.'),
  role: oneOf(DEVICE_ROLES),
  runs: list(givenRecord.required(), 50).default([]),
})

/** What is changed of a device: one thing at a time. */
export const deviceChange = record({
  name: text(MAX_LETTERS.name).min(1, 'Give the device a name.').optional(),
  give: givenRecord.optional().default(undefined),
  takeBack: text(MAX_LETTERS.id).optional(),
})
