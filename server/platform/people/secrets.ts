import { createCipheriv, createDecipheriv, createHash, randomBytes, scryptSync } from 'node:crypto'

/** A secret for a link: 32 random bytes, safe in an address. */
export const newToken = (): string => randomBytes(32).toString('base64url')

/** Whether a text can be the secret of a link at all: forty-three letters of those that stand for 32 bytes. */
export const isToken = (text: string): boolean => /^[\w-]{43}$/.test(text)

/** What is kept of a secret link: its SHA-256, from which the link cannot be made again. */
export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest()

let key: Buffer | undefined

function sealingKey(): Buffer {
  const secret = process.env.ZAFFER_SECRET
  if (!secret || secret.length < 32) throw new Error('ZAFFER_SECRET is not set, or shorter than 32 characters')
  key ??= scryptSync(secret, 'zaffer:seal', 32)
  return key
}

/** Encrypts text for the database (AES-256-GCM): a network's tokens never stand there in the clear. */
export function seal(text: string): Buffer {
  const nonce = randomBytes(12)
  const cipher = createCipheriv('aes-256-gcm', sealingKey(), nonce)
  const content = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
  return Buffer.concat([nonce, cipher.getAuthTag(), content])
}

/**
 * Opens what `seal` closed.
 *
 * @throws Error when it was changed or sealed with another key
 */
export function unseal(sealed: Buffer): string {
  const decipher = createDecipheriv('aes-256-gcm', sealingKey(), sealed.subarray(0, 12))
  decipher.setAuthTag(sealed.subarray(12, 28))
  return Buffer.concat([decipher.update(sealed.subarray(28)), decipher.final()]).toString('utf8')
}
