import { ForPeople } from './forPeople'

/** An answer that says what is wrong and what to do next: problem details as RFC 9457 has them. */
export class Problem extends ForPeople {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(detail)
    this.name = 'Problem'
  }

  /** The body of the response, as application/problem+json. */
  body(): Record<string, unknown> {
    return { type: 'about:blank', title: this.title, status: this.status, detail: this.detail, ...this.more }
  }
}

/** Neither says that it exists for others nor that it does not. */
export const notFound = (what: string): Problem =>
  new Problem(404, 'Not found', `There is no such ${what}, or you may not see it. Go back and choose from the list.`)

export const badRequest = (detail: string, more?: Record<string, unknown>): Problem =>
  new Problem(400, 'That cannot be read', detail, more)

export const conflict = (detail: string, more?: Record<string, unknown>): Problem =>
  new Problem(409, 'That does not fit what is there now', detail, more)

export const forbidden = (detail: string): Problem => new Problem(403, 'Not allowed', detail)

export const notSignedIn = (): Problem => new Problem(401, 'Not signed in', 'Sign in to go on.')

/** What a viewer is told of everything that is not theirs to see. */
export const NOT_RELEASED =
  'This is the agency’s work, and is not released to you. What was issued for you stands under Editions.'
