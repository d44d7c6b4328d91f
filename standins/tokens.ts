import { createHmac, timingSafeEqual } from 'node:crypto'

/** What a signed token says: its use, whom it is for, and until when. */
export interface Claims {
  use: 'code' | 'access' | 'refresh'
  network: string
  profile: string
  until: number
  challenge?: string
  redirect?: string
  id?: string
  /** Whether it allows to publish and to answer, beside reading. */
  writes?: boolean
}

const sign = (body: string, secret: string) => createHmac('sha256', secret).update(body).digest('base64url')

/** A token that needs no storage: its claims and a signature over them. */
export function issueToken(claims: Claims, secret: string): string {
  const body = Buffer.from(JSON.stringify(claims)).toString('base64url')
  return `${body}.${sign(body, secret)}`
}

/** The claims of a token, or undefined when it is forged, of another use, or over. */
export function readToken(token: string, use: Claims['use'], secret: string, now: number): Claims | undefined {
  const [body = '', signature = ''] = token.split('.')
  const expected = Buffer.from(sign(body, secret))
  const given = Buffer.from(signature)
  if (expected.length !== given.length || !timingSafeEqual(expected, given)) return undefined
  const claims = JSON.parse(Buffer.from(body, 'base64url').toString()) as Claims
  return claims.use === use && claims.until > now ? claims : undefined
}
