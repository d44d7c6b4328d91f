import type { ReportContent } from './reportContent'

/** The next edition of a report as it would be issued now. */
export interface Preview {
  number: number
  content: ReportContent
  /** The checksum that the edition will have: issuing with it freezes this and nothing else. */
  sha256: string
  missing: string[]
}
