import type { writeCsv } from '@/core/formats/csvTable'

/** As {@link writeCsv}; what writes is loaded once somebody asks for it. */
export const csvLater = async (...of: Parameters<typeof writeCsv>): Promise<string> =>
  (await import('@/core/formats/csvTable')).writeCsv(...of)
