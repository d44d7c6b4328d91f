import { addDays } from '../../../core/days/day'
import { zonedInstant, zonedTime } from '../../../core/plan/zonedInstant'
import type { PlanExpected, PlannedHead, PlannedPost, PlanTarget, PlanView } from '../../../shared/plan/plannedPosts'
import { profilesOf } from '../../figures/questions/profileRows'
import type { ClientDb } from '../../platform/database/clientDb'
import { badRequest } from '../../platform/problems/problem'
import { fileIds, problemsOf } from './planChecks'
import { seriesLength } from './plannedPosts'
import {
  filesOf,
  plannedBetween,
  plannedById,
  plannedNeeding,
  plannedWithoutTime,
  postingsOf,
  type PlannedRow,
  type PostingRow,
} from './plannedRows'
import { isApproved, movesOf, remarksOf, type Mover } from './plannedStates'
import { planSettings } from './planSettings'
import { planTargets } from './planTargets'

/** How many planned posts are shown at once, and how many without a time. */
const MOST_SHOWN = 2000
const MOST_UNPLACED = 100
/** How many days are looked at together: a month in whole weeks, and some. */
const MOST_DAYS = 62

/** What is planned between two days, and what has no time yet. */
export async function planOf(db: ClientDb, from: string, to: string): Promise<PlanView> {
  const [rows, unplaced, needing, settings] = await Promise.all([
    plannedIn(db, from, to),
    plannedWithoutTime(db, MOST_UNPLACED),
    plannedNeeding(db, MOST_UNPLACED),
    planSettings(db),
  ])
  const placed = rows.slice(0, MOST_SHOWN)
  const heads = await headsOf(db, [...placed, ...unplaced, ...needing])
  const after = placed.length + unplaced.length
  return {
    posts: heads.slice(0, placed.length),
    unplaced: heads.slice(placed.length, after),
    needing: heads.slice(after),
    isCut: rows.length > MOST_SHOWN,
    settings,
  }
}

/** The planned posts of some days; one more than are shown. */
export async function plannedIn(db: ClientDb, from: string, to: string): Promise<PlannedRow[]> {
  if (to < from || addDays(from, MOST_DAYS) < to) throw badRequest(`Choose up to ${MOST_DAYS} days.`)
  const [first, after] = [from, addDays(to, 1)].map((day) => new Date(startOf(day, db.timeZone)))
  return await plannedBetween(db, first!, after!, MOST_SHOWN)
}

/** The first instant of a day, also where its midnight is leapt over. */
function startOf(day: string, zone: string): number {
  try {
    return zonedInstant(`${day}T00:00`, zone)
  } catch {
    return zonedInstant(`${day}T01:00`, zone)
  }
}

/** Planned posts as lists have them. */
export async function headsOf(db: ClientDb, rows: readonly PlannedRow[]): Promise<PlannedHead[]> {
  if (rows.length === 0) return []
  const [postings, profiles] = await Promise.all([
    postingsOf(
      db,
      rows.map(({ id }) => id),
    ),
    profilesOf(db),
  ])
  const of = new Map(profiles.map((profile) => [profile.profile_id, profile]))
  const byPost = new Map<number, PostingRow[]>()
  for (const posting of postings) byPost.set(posting.planned, [...(byPost.get(posting.planned) ?? []), posting])
  return rows.map((row) => ({
    id: row.id,
    state: row.state,
    version: row.version,
    ...whenOf(db, row),
    text: row.content.text.slice(0, 160),
    heading: row.content.heading,
    writtenName: row.writtenName,
    ...(row.seriesKey !== null && { series: row.seriesKey }),
    postings: (byPost.get(row.id) ?? []).map((posting) => shownPosting(posting, of)),
  }))
}

function whenOf(db: ClientDb, { plannedAt }: PlannedRow): Pick<PlannedHead, 'at' | 'day' | 'minutes'> {
  if (!plannedAt) return {}
  const local = zonedTime(plannedAt.getTime(), db.timeZone)
  const [hour, minute] = local.slice(11).split(':').map(Number)
  return { at: plannedAt.getTime(), day: local.slice(0, 10), minutes: hour! * 60 + minute! }
}

function shownPosting(
  { profile, state, isByHand, remoteId, address, refusal }: PostingRow,
  of: ReadonlyMap<number, { name: string; network: string; networkName: string }>,
): PlannedHead['postings'][number] {
  const { name, network, networkName } = of.get(profile)!
  return {
    profile,
    profileName: name,
    network,
    networkName,
    state,
    isByHand: isByHand === 1,
    ...(remoteId !== null && { remoteId }),
    ...(address !== null && { address }),
    refusal,
  }
}

/** A planned post with all that is known of it, as somebody sees it. */
export async function plannedPost(
  db: ClientDb,
  id: number,
  mover: Mover,
): Promise<Omit<PlannedPost, 'outcomes' | 'readers'>> {
  const row = await plannedById(db, id)
  const [postings, [head], files, remarks, { needsApproval }] = await Promise.all([
    postingsOf(db, [id]),
    headsOf(db, [row]),
    filesOf(db, fileIds(row.content)),
    remarksOf(db, id),
    planSettings(db),
  ])
  const isOpen = row.state !== 'published' && row.state !== 'publishing'
  return {
    id,
    state: row.state,
    version: row.version,
    content: row.content,
    at: row.plannedAt ? zonedTime(row.plannedAt.getTime(), db.timeZone) : '',
    postings: head!.postings.map((posting, index) => ({
      ...posting,
      text: postings[index]!.text,
      publishedAt: postings[index]!.publishedAt,
    })),
    files: files.map(({ isAnimated, ...file }) => ({ ...file, isAnimated: isAnimated === 1 })),
    writtenName: row.writtenName,
    approvedName: row.approvedName,
    isApproved: isApproved(row),
    moves: movesOf(row, mover, needsApproval),
    remarks: remarks.map(({ version, ...remark }) => ({ ...remark, isOfThis: version === row.version })),
    problems: isOpen ? await problemsOf(db, row, postings) : [],
    ...(row.seriesKey !== null && {
      series: { key: row.seriesKey, turn: row.turn + 1, of: await seriesLength(db, row.seriesKey) },
    }),
    ...(row.expected !== null && { expected: JSON.parse(row.expected) as PlanExpected }),
  }
}

/** What can be planned on, and how posts of the client are planned. */
export async function planChoices(db: ClientDb): Promise<{ targets: PlanTarget[]; settings: PlanView['settings'] }> {
  const [targets, settings] = await Promise.all([planTargets(db), planSettings(db)])
  return { targets, settings }
}
