/** How the letters of a file are written as bytes. */
export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252'

/**
 * The encoding of a text file, from its first bytes: a byte order mark where there is one; otherwise UTF-16 by its zero
 * bytes, UTF-8 where it is well formed, and Windows-1252 for the rest.
 *
 * @param sample  the beginning of the file; it may end within a character
 * @example       detectEncoding(new Uint8Array([0xef, 0xbb, 0xbf, 0x41])) // 'utf-8'
 */
export function detectEncoding(sample: Uint8Array): Encoding {
  const starts = (...bytes: number[]) => bytes.every((byte, index) => sample[index] === byte)
  if (starts(0xef, 0xbb, 0xbf)) return 'utf-8'
  if (starts(0xff, 0xfe)) return 'utf-16le'
  if (starts(0xfe, 0xff)) return 'utf-16be'
  const zeros = [0, 0]
  sample.forEach((byte, index) => {
    if (byte === 0) zeros[index % 2]!++
  })
  if (zeros[1]! > sample.length / 4) return 'utf-16le'
  if (zeros[0]! > sample.length / 4) return 'utf-16be'
  return isUtf8(sample) ? 'utf-8' : 'windows-1252'
}

/** Whether bytes are well-formed UTF-8; a character that the sample cuts off at its end is allowed. */
function isUtf8(sample: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(sample, { stream: true })
    return true
  } catch {
    return false
  }
}
