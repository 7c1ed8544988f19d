/** What an update says whose row has moved on since it was read. */
export const CHANGED_MEANWHILE =
  'Somebody changed this in another window meanwhile. Nothing was saved; reload, and make your change again.'
