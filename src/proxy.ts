import { NextResponse, type NextRequest } from 'next/server'
import { refusal } from '@/server/guard'

/** Every request comes by here: foreign names and foreign pages are turned away before anything is read. */
export function proxy(request: NextRequest) {
  const { method, headers } = request
  const why = refusal(
    {
      method,
      host: headers.get('host'),
      origin: headers.get('origin'),
      fetchSite: headers.get('sec-fetch-site'),
    },
    process.env.EVEN_REACH_ORIGIN ?? null,
  )
  return why === null ? NextResponse.next() : NextResponse.json({ message: why }, { status: 403 })
}
