import { number, object, string } from 'yup'
import { text } from '../platform/text'
import type { ReportContent } from './reportContent'

/** The wish to issue an edition; the key makes sure that one wish makes one edition. */
export const issueSchema = object({
  requestKey: string().uuid().required(),
  /** The checksum of what was looked at before: only that is issued. */
  sha256: string().matches(/^[0-9a-f]{64}$/, 'Look at the edition again before you issue it.'),
})

/** Which later edition stands in the place of an earlier one; none, when that is taken back. */
export const supersedeSchema = object({
  by: number()
    .typeError('Choose an edition from the list.')
    .integer()
    .min(1)
    .nullable()
    .defined('Choose an edition from the list.'),
})

/** How long a shared link lives. */
export const shareSchema = object({
  reader: text().max(120, 'Keep the reader’s name under 120 letters.').default(''),
  days: number()
    .typeError('Say for how many days it works.')
    .integer('Say it in whole days.')
    .min(1, 'A link lives for a day at least.')
    .max(366, 'A link lives for a year at the most.')
    .default(30),
})

/** An issued report: its frozen content and whether the hash over it still fits. */
export interface Edition extends EditionHead {
  content: ReportContent
  isIntact: boolean
  hasPdf: boolean
  /** The SHA-256 of the PDF's bytes, once it is printed. */
  pdfSha256: string | null
  /** The later edition that stands in its place, and those in whose place it stands. */
  supersededBy: OtherEdition | null
  supersedes: OtherEdition[]
}

/** An issued report, without its content. */
export interface EditionHead {
  id: number
  reportId: number
  number: number
  title: string
  periodWords: string
  /** The last day of the edition's period. */
  periodTo: string
  issuedAt: Date
  issuedBy: string | null
  sha256: string
  /** Whether a later edition stands in its place. */
  isSuperseded: number
}

/** An edition, as far as another one names it. */
export type OtherEdition = Pick<EditionHead, 'id' | 'number' | 'title' | 'issuedAt'>

/** A link that was given to somebody. The secret itself is known only at the moment it is made. */
export interface ShareView {
  id: number
  /** For whom it is, where that was said. */
  reader: string
  createdAt: Date
  endsAt: Date
  isRevoked: boolean
}

/** An edition as somebody outside sees it. */
export type SharedEdition = Pick<
  Edition,
  'number' | 'title' | 'issuedAt' | 'sha256' | 'isIntact' | 'hasPdf' | 'pdfSha256' | 'content'
> & {
  /** Editions that stand in its place, or in whose place it stands, without our own numbers for them. */
  supersededBy: Omit<OtherEdition, 'id'> | null
  supersedes: Omit<OtherEdition, 'id'>[]
  /** For whom the link is, where that was said. */
  reader?: string
}
