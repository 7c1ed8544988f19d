import { board } from '@/server/crew/board'

/** Who is out, now. */
export function GET(request: Request) {
  return Response.json({ lines: board(new URL(request.url).searchParams.get('trial')) })
}
