import { daysBetween, type Day } from '../../core/days/day'
import { metricById } from '../../core/metrics/catalogue'
import { describeDay } from '../../core/periods/describePeriod'
import { parsePeriod } from '../../core/periods/parsePeriod'
import { Unreadable } from '../../core/unreadable'
import type { ClientDb } from '../platform/database/clientDb'
import { profilesOf } from '../figures/questions/profileRows'
import type { ProfileRow } from '../figures/questions/profileRows'
import { editionsReach } from '../report/editions/editions'
import { reportsOf } from '../report/reports/reports'
import type { ReportHead } from '../../shared/report/reports'
import { requestWords } from '../../shared/gather/profileState'
import { consentRequests } from '../gather/profiles/consent'
import type { ConsentRequest } from '../../shared/gather/profiles'
import type { ResolvedScope } from '../figures/resolveScope'
import { targetsOf } from '../read/targets/targets'
import type { TargetView } from '../../shared/read/targets'
import { openSightingsWords } from '../compare/field/sightings'
import { changedEntries, changedWords } from '../read/directories/changedEntries'
import { waitingQuestions, waitingQuestionsWords } from '../read/questions/waitingQuestions'
import { waitingReviews, waitingWords } from '../read/reviews/waiting'
import { planDue, planWords } from '../plan/posts/planDue'
import { unusual } from '../read/unusual/unusual'
import type { WhatIsOpen, ProfileTrouble, Due } from '../../shared/clients'

/** Unusual days are looked for in this metric. */
const WATCHED_METRIC = 'interactions'

/** How many days before its end a target is due, and for how many after it a missed one is shown. */
const NEAR_DAYS = 14

/** What waits for somebody: the unusual days are those of the scope, everything else is as it is now. */
export async function whatIsOpen(db: ClientDb, scope: ResolvedScope): Promise<WhatIsOpen> {
  const [requests, profiles, days, reach, reports, { targets, broken }, reviews, plan, entries, questions, sightings] =
    await Promise.all([
      consentRequests(db),
      profilesOf(db),
      unusual(db, scope, WATCHED_METRIC),
      editionsReach(db),
      reportsOf(db),
      targetsOf(db),
      waitingReviews(db, scope.lastComplete),
      planDue(db),
      changedEntries(db),
      waitingQuestions(db, scope.lastComplete),
      openSightingsWords(db, scope.lastComplete),
    ])
  return {
    unusual: days.filter(({ explainedBy, isSmall }) => explainedBy === null && !isSmall),
    troubles: troublesOf(profiles, requests, scope.lastComplete),
    targets: targets.filter(
      ({ progress, by }) =>
        progress.standing === 'in danger' ||
        (progress.standing === 'missed' && daysBetween(by, scope.lastComplete) <= NEAR_DAYS),
    ),
    due: [
      ...oneThing('directories', changedWords(entries)),
      ...oneThing('field', sightings),
      ...oneThing('plan', planWords(plan)),
      ...oneThing('questions', waitingQuestionsWords(questions)),
      ...oneThing('reviews', waitingWords(reviews)),
      ...reports.flatMap((report) => reportDue(report, reach.get(report.id), scope.lastComplete) ?? []),
      ...targets.flatMap((target) => targetDue(target) ?? []),
      ...broken.map(
        ({ id, problem }): Due => ({ kind: 'target', id, sentence: `A target cannot be worked out. ${problem}` }),
      ),
    ],
  }
}

/** Reviews that wait, what of the plan does, changes of entries, and what rivals did are one thing to do each. */
const oneThing = (
  kind: 'plan' | 'reviews' | 'directories' | 'questions' | 'field',
  sentence: string | undefined,
): Due[] => (sentence === undefined ? [] : [{ kind, id: 0, sentence }])

/** A report is due when its period is over and no edition of it reaches into that period. */
function reportDue(report: ReportHead, newest: Day | undefined, last: Day): Due | undefined {
  const known = readable(report.period, last)
  if (!known) return undefined
  const { period, running } = known
  if (running || period.to > last || (newest !== undefined && newest >= period.from)) return undefined
  return {
    kind: 'report',
    id: report.id,
    sentence:
      newest === undefined
        ? `“${report.title}” has no edition yet.`
        : `“${report.title}” has no edition for its newest period.`,
  }
}

/** What the words of a report mean today; on the first of a month “this month” has no day yet, and nothing is due. */
function readable(words: string, last: Day): ReturnType<typeof parsePeriod> | undefined {
  try {
    return parsePeriod(words, last)
  } catch (error) {
    if (error instanceof Unreadable) return undefined
    throw error
  }
}

function targetDue({ id, metric, whoWords, progress: { daysLeft, standing } }: TargetView): Due | undefined {
  if (daysLeft === 0 || daysLeft > NEAR_DAYS || standing === 'reached') return undefined
  return {
    kind: 'target',
    id,
    sentence:
      `The target for ${metricById(metric).name.toLowerCase()} of ${whoWords} ends in ${daysLeft} ` +
      `${daysLeft === 1 ? 'day' : 'days'}.`,
  }
}

/** Own profiles and rivals' that are switched on: what is wrong with them, and what somebody has to do. */
function troublesOf(
  profiles: readonly ProfileRow[],
  requests: readonly ConsentRequest[],
  lastComplete: Day,
): ProfileTrouble[] {
  return profiles
    .filter(({ is_active: active }) => active)
    .flatMap((row) => {
      const sentence =
        row.consent === 'none' && !row.is_rival && !row.sync_error
          ? `Only public figures are there: ${requestWords(requests.find(({ profile }) => profile === row.profile_id))}.`
          : (row.sync_error ??
            (row.first_fetch
              ? 'Its first fetch is still running.'
              : row.synced_to !== null && row.synced_to < lastComplete
                ? `Its figures end on ${describeDay(row.synced_to)}.`
                : undefined))
      return sentence ? [{ profile: row.profile_id, name: `${row.name}, ${row.networkName}`, sentence }] : []
    })
}
