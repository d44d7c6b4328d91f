import { MOST_FILE_BYTES, type LinkPreview } from '../../../shared/plan/plannedPosts'
import type { PlanFileView } from '../../../shared/plan/planFiles'
import type { ClientDb } from '../../platform/database/clientDb'
import { FetchRefused, guardedFetch, guardedPicture } from '../../platform/outside/guardedFetch'
import { headOf } from '../../platform/outside/headOf'
import { badRequest, Problem } from '../../platform/problems/problem'
import { targetOfOwn } from '../../read/links/links'
import { takeFile } from './planFiles'

/** A preview as it was read, with its picture among those of the client. */
export interface ReadPreview {
  preview: LinkPreview
  file?: PlanFileView
  /** Why there is no picture, where the page names one that cannot be used. */
  remark: string
}

/**
 * Reads what stands for a page: its title, its description, its picture. A link of the client’s own stands for the page
 * that it leads to.
 *
 * @param host  under which this application is asked
 * @throws Problem 400 with a sentence when the page cannot be fetched, or says nothing of itself
 */
export async function linkPreview(db: ClientDb, address: string, host: string): Promise<ReadPreview> {
  const page = await guardedFetch((await targetOfOwn(db, address, host)) ?? address).catch((error: unknown) => {
    if (error instanceof FetchRefused) throw badRequest(error.message)
    throw error
  })
  const { title, description, picture } = headOf(page.html, page.address)
  if (title === '' && description === '')
    throw badRequest('The page has neither a title nor a description. Write them yourself.')
  const read = { address, title, description }
  if (picture === '') return { preview: { ...read, picture: null }, remark: 'The page names no picture.' }
  try {
    const content = await guardedPicture(picture, MOST_FILE_BYTES)
    const { isAnimated, ...file } = await takeFile(db, nameOf(picture), content)
    return { preview: { ...read, picture: file.id }, file: { ...file, isAnimated: isAnimated === 1 }, remark: '' }
  } catch (error) {
    // a page without its picture is a preview still; whoever writes is told why
    if (error instanceof FetchRefused || error instanceof Problem)
      return { preview: { ...read, picture: null }, remark: `Its picture is not used. ${error.message}` }
    throw error
  }
}

/** What a picture is called: the last part of its address. */
export const nameOf = (address: string): string =>
  decoded(new URL(address).pathname.split('/').at(-1) || 'picture').slice(0, 200)

/** A part of an address as it is read; one that cannot be decoded stands as it is. */
function decoded(part: string): string {
  try {
    return decodeURIComponent(part)
  } catch {
    return part
  }
}
