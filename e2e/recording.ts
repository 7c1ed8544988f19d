/** A mono recording with a short tone at each moment, s. */
export function recording(seconds: number, tones: readonly number[]): Buffer {
  const rate = 8000
  const data = Buffer.alloc(seconds * rate * 2)
  for (const at of tones)
    for (let i = 0; i < rate * 0.5; i++)
      data.writeInt16LE(
        Math.round(12_000 * Math.sin((2 * Math.PI * 700 * i) / rate)),
        2 * (Math.round(at * rate) + i),
      )
  const head = Buffer.alloc(44)
  head.write('RIFF', 0)
  head.writeUInt32LE(36 + data.length, 4)
  head.write('WAVEfmt ', 8)
  head.writeUInt32LE(16, 16)
  head.writeUInt16LE(1, 20)
  head.writeUInt16LE(1, 22)
  head.writeUInt32LE(rate, 24)
  head.writeUInt32LE(rate * 2, 28)
  head.writeUInt16LE(2, 32)
  head.writeUInt16LE(16, 34)
  head.write('data', 36)
  head.writeUInt32LE(data.length, 40)
  return Buffer.concat([head, data])
}
