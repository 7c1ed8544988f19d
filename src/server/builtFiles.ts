import type { RequestListener } from 'node:http'
import sirv from 'sirv'

const PREFIX = '/_next/static/'
const YEAR_S = 365 * 24 * 3600

/**
 * Sends what the build's pages are made of, as it lies compressed beside them; their names hold a hash, so that they
 * are kept for good.
 * @param folder what lies under {@link PREFIX}, read once
 * @param otherwise answers all else
 */
export function withBuiltFiles(folder: string, otherwise: RequestListener): RequestListener {
  const files = sirv(folder, { brotli: true, gzip: true, etag: true, immutable: true, maxAge: YEAR_S })
  return (request, response) => {
    const { url = '/' } = request
    if (request.method !== 'GET' || !url.startsWith(PREFIX)) return otherwise(request, response)
    request.url = url.slice(PREFIX.length - 1)
    files(request, response, () => {
      request.url = url
      otherwise(request, response)
    })
  }
}
