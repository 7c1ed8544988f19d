/** What somebody says that the figures of a file are, where the file does not say it, or says it wrong; m each. */
export const HEIGHT_UNITS = { metres: 1, feet: 0.3048, decimetres: 0.1, centimetres: 0.01 } as const
export type HeightUnit = keyof typeof HEIGHT_UNITS
