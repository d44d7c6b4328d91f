import { createHash } from 'node:crypto'
import { buffer } from 'node:stream/consumers'
import type { Readable } from 'node:stream'
import { fileTypeFromBuffer } from 'file-type'
import { fileColumn, type RecordKind } from '../../../core/datasets/records'
import type { PackageRow } from '../../../core/datasets/renumber'
import { MOST_PICTURE_BYTES, PICTURE_TYPES } from '../../../shared/platform/pictures'
import { FILE_TYPES, MOST_FILE_BYTES } from '../../../shared/plan/plannedPosts'
import { JobFailed } from '../../platform/jobs/context'

/** The files of a package by their path. */
export type Files = ReadonlyMap<string, () => Promise<Readable>>

const LIMITS: Readonly<Record<string, { types: readonly string[]; most: number }>> = {
  plan_file: { types: FILE_TYPES, most: MOST_FILE_BYTES },
  post_picture: { types: PICTURE_TYPES, most: MOST_PICTURE_BYTES },
  listing_picture_file: { types: PICTURE_TYPES, most: MOST_PICTURE_BYTES },
}

/** A drawing is text, and shown where nothing in it can run; every other picture shows by its content what it is. */
const isOf = async (content: Buffer, type: string): Promise<boolean> =>
  type === 'image/svg+xml'
    ? /^\s*(<\?xml[^>]*>\s*)?<svg[\s>]/.test(content.subarray(0, 1000).toString('utf8'))
    : (await fileTypeFromBuffer(content))?.mime === type

/**
 * The content of a record that is a picture or a video, from the file that it names.
 *
 * @returns   undefined for records that are none
 * @throws    JobFailed when the file is missing, too large, or something else than the record says
 */
export async function fileTaken(files: Files, kind: RecordKind, row: PackageRow): Promise<Buffer | undefined> {
  const column = fileColumn(kind)
  if (!column) return undefined
  const [path, type, limit] = [String(row[column]), String(row.type), LIMITS[kind.id]!]
  const file = files.get(path)
  if (!file) throw new JobFailed(`it names “${path}”, but that is not in the package`)
  const stream = await file()
  let bytes = 0
  stream.on('data', (part: Buffer) => {
    if ((bytes += part.length) > limit.most) stream.destroy(new JobFailed(`“${path}” is too large`))
  })
  const content = await buffer(stream)
  if (!limit.types.includes(type) || !(await isOf(content, type)))
    throw new JobFailed(`“${path}” is no ${type}, or none that can be shown`)
  if ('size' in row && row.size !== content.length)
    throw new JobFailed(`“${path}” has ${content.length} bytes, where ${row.size} are said`)
  if ('sha256' in row && row.sha256 !== createHash('sha256').update(content).digest('hex'))
    throw new JobFailed(`“${path}” is not as it was: its checksum does not fit`)
  return content
}
