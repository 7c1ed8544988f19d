/**
 * A figure as people write it: "1234.5", "1 234,5", "1.234,5", "1,234.5". The mark that comes last parts the decimals;
 * a single comma does where the file's columns are not parted by commas.
 * @param commasPart whether commas part the file's columns, so that "1,234" in quotes is a thousand and more
 * @returns NaN where it is none
 */
export function figureOf(text: string, commasPart: boolean): number {
  const plain = text.trim().replace(/(?<=\d)[\s\u00a0'](?=\d{3}\b)/g, '')
  if (!/^[+-]?(\d[\d.,]*|[.,]\d+)$/.test(plain)) return NaN
  const [dot, comma] = [plain.lastIndexOf('.'), plain.lastIndexOf(',')]
  if (dot >= 0 && comma >= 0) {
    const [thousands, decimal] = dot > comma ? [',', '.'] : ['.', ',']
    return Number(plain.replaceAll(thousands, '').replace(decimal, '.'))
  }
  if (comma >= 0 && commasPart && /^[+-]?\d{1,3}(,\d{3})+$/.test(plain))
    return Number(plain.replaceAll(',', ''))
  return Number(plain.replace(',', '.'))
}
