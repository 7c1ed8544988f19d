import type { Send } from './entryQueue'

/** Posts a batch to the server. */
export const sendEntries: Send = async (runId, entries) => {
  const response = await fetch(`/api/runs/${runId}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries }),
  })
  const answer = (await response.json().catch(() => ({}))) as { held?: string[]; message?: string }
  if (!response.ok) throw new Error(answer.message ?? `The server answered ${response.status}`)
  return answer.held ?? []
}
