import type { RowDataPacket } from 'mysql2/promise'
import { fieldOf } from '../../server/compare/field/field'
import { fieldEvents } from '../../server/compare/field/fieldEvents'
import { fieldLines } from '../../server/compare/field/fieldLines'
import { openSightingsWords, settleSighting } from '../../server/compare/field/sightings'
import { industryOf } from '../../server/compare/industry/industry'
import { addReference, changeReference, removeReference } from '../../server/compare/industry/references'
import { watchDue } from '../../server/compare/field/watchDue'
import { keepSightings, watchField } from '../../server/compare/field/watchField'
import { fieldHabits } from '../../server/compare/habits/fieldHabits'
import { placeSchema } from '../../shared/read/places'
import { reviewFilterSchema } from '../../shared/read/reviews'
import { keepPlaceGroup, removePlaceGroup } from '../../server/read/places/placeGroups'
import { assignPlaces, placePeople } from '../../server/read/places/placePeople'
import { placesPage } from '../../server/read/places/placesPage'
import { addPlace, bringBackPlace, changePlace, placesOf, removePlace } from '../../server/read/places/places'
import { changedEntries } from '../../server/read/directories/changedEntries'
import { askForEntries } from '../../server/read/directories/entryRequests'
import { askForCorrections, sayOurs, settleChanges } from '../../server/read/directories/corrections'
import { directories, placeEntries } from '../../server/read/directories/directories'
import { askForPoll, entriesDue } from '../../server/read/directories/entriesDue'
import { entriesOf } from '../../server/read/directories/entryRows'
import { pollEntriesJob } from '../../server/read/directories/pollEntries'
import { answerQuestion, questionsIn } from '../../server/read/questions/questions'
import { waitingQuestions } from '../../server/read/questions/waitingQuestions'
import { questionFilterSchema } from '../../shared/read/questions'
import { askForCheck } from '../../server/read/ranks/askForCheck'
import { checkRanksJob } from '../../server/read/ranks/checkRanks'
import { rankAllowance } from '../../server/read/ranks/rankAllowance'
import { ranksIn } from '../../server/read/ranks/ranks'
import { ranksDue } from '../../server/read/ranks/ranksDue'
import { rankView } from '../../server/read/ranks/rankView'
import { addWatch, changeRhythm, removeWatch, watchesOf } from '../../server/read/ranks/rankWatches'
import { placeInsights } from '../../server/read/places/insights'
import { placesFile } from '../../server/read/places/placesFile'
import { listReviews } from '../../server/read/reviews/listReviews'
import { reviewsOf } from '../../server/read/reviews/reviews'
import { addTemplate, moveReply, proposeReply, writeReply } from '../../server/read/reviews/replies'
import { calendarOf } from '../../server/plan/calendar/postCalendar'
import { planDue } from '../../server/plan/posts/planDue'
import { fileById, keptFiles, takeFile } from '../../server/plan/posts/planFiles'
import {
  approvalLink,
  approvalPicture,
  approvalView,
  endApprovalLinks,
  openFeed,
  readersOf,
  readerSays,
  renewFeed,
} from '../../server/plan/posts/planLinks'
import {
  addPlanned,
  copyPlanned,
  movePlanned,
  placePlanned,
  removePlanned,
  setTimes,
  repeatPlanned,
} from '../../server/plan/posts/plannedPosts'
import { movePost } from '../../server/plan/posts/plannedStates'
import { hashtagsBrought } from '../../server/plan/posts/hashtagsBrought'
import { changeText, keepText, removeText, savedTexts } from '../../server/plan/posts/savedTexts'
import { refillDue } from '../../server/plan/refills/refillDue'
import { addRefill, putIntoRefill, refills, removeRefill } from '../../server/plan/refills/refills'
import { placeMany, setWeeklySlots, weeklySlots } from '../../server/plan/posts/weeklySlots'
import { setPlanSettings } from '../../server/plan/posts/planSettings'
import { planChoices, planOf, plannedPost } from '../../server/plan/posts/planView'
import { outcomesOf, slotPromise } from '../../server/plan/posts/usualTimes'
import { decide } from '../../server/plan/publishing/decide'
import { publishJob } from '../../server/plan/publishing/publish'
import { publishDue } from '../../server/plan/publishing/publishDue'
import { plannedSchema } from '../../shared/plan/plannedPosts'
import { refillSchema } from '../../shared/plan/refills'
import { placeManySchema } from '../../shared/plan/weeklySlots'
import { calendarSchema } from '../../shared/plan/postCalendar'
import { keepPlanned, thisHour, timesOf } from '../../server/read/times/times'
import { removeTry } from '../../server/read/times/tries'
import { keepTriesSchema, timesSchema } from '../../shared/read/times'
import { fieldSchema } from '../../shared/compare/field'
import { referenceSchema } from '../../shared/compare/industry'
import { fieldEventsSchema } from '../../shared/compare/fieldEvents'
import { fieldLinesSchema } from '../../shared/compare/fieldLines'
import { habitsSchema } from '../../shared/compare/habits'
import { POST_OBSERVATIONS } from '../../core/datasets/datasets'
import { withoutPost } from '../../server/gather/imports/batches'
import { relative } from 'node:path'
import type { FieldPacket } from 'mysql2'
import mysql from 'mysql2'
import ts from 'typescript'
import { beforeAll, describe, expect, it } from 'vitest'
import { BREAKDOWNS } from '../../core/breakdowns/breakdowns'
import { PROFILES } from '../../demo/profiles'
import { changePassword, clientsOf, openClient, signIn } from '../../server/platform/people/people'
import { beginSession, personOfSession, sessionsOf } from '../../server/platform/people/sessions'
import { claimTry } from '../../server/platform/people/throttle'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { sql } from '../../server/platform/database/sql'
import { factRows } from '../../server/figures/questions/aggregates'
import { nameRival, restatementsOf, switchProfile } from '../../server/figures/questions/profileRows'
import { addSet, changeSet, removeSet } from '../../server/figures/questions/sets'
import { badRowsOf, importById, importsOf, startApply, startCheck, startUndo } from '../../server/gather/imports/store'
import { toXlsx } from '../../server/platform/tables/toXlsx'
import { takeUpload } from '../../server/gather/imports/upload'
import { releasedOf } from '../../server/report/editions/released'
import { enqueueDueSchedules } from '../../server/platform/jobs/schedule'
import { dataPackage, refuseTooManyPictures } from '../../server/gather/data/dataPackage'
import { audienceLines, audienceOf, keepIntended } from '../../server/read/audience/audience'
import { intendedSchema } from '../../shared/read/audience'
import { fetchVolumes } from '../../server/gather/sync/networkVolume'
import { pictureOf } from '../../server/read/content/pictureOf'
import { listingPictureFile } from '../../server/read/places/listingPictures'
import { postView } from '../../server/read/content/postView'
import { addTag, changeTag, previewRule, tagByHand, tagsOf } from '../../server/read/tags/tags'
import { tagRuleSchema } from '../../shared/read/tags'
import { whatIsKept } from '../../server/gather/data/whatIsKept'
import { enqueueDue } from '../../server/gather/sync/enqueueDue'
import { enqueue, jobById, newestJob, writingJobs } from '../../server/platform/jobs/queue'
import { fill } from '../../server/report/blocks/composeReport'
import {
  editionPdf,
  editionsOf,
  keepPdf,
  openShare,
  shareEdition,
  sharesOf,
  supersede,
} from '../../server/report/editions/editions'
import { addReport } from '../../server/report/reports/reports'
import { refuseBeyondAllowance } from '../../server/gather/profiles/addProfile'
import { agencyOf, isUnnamed } from '../../server/platform/people/agency'
import { allClients } from '../../server/clients/allClients'
import { askerOf, askForConsent, beginConsent, consentRequests, endConsent } from '../../server/gather/profiles/consent'
import { describeScope } from '../../server/figures/describeScope'
import { keepSearch, lastSearch } from '../../server/gather/find/findProfiles'
import { overview } from '../../server/read/overview/overview'
import { postList } from '../../server/read/content/postList'
import { POST_ORDERS } from '../../shared/read/postOrder'
import { breakdownsOf } from '../../server/read/overview/breakdown'
import { profilesPage, profilesView } from '../../server/gather/profiles/profilesPage'
import { resolveScope } from '../../server/figures/resolveScope'
import { removeScope, saveScope, savedScopes } from '../../server/figures/savedScopes'
import { addTarget, changeTarget, removeTarget } from '../../server/read/targets/targets'
import { workings } from '../../server/read/overview/workings'
import { DECLARED_BLOCKS, type Block } from '../../shared/report/blocks'
import type { MappingInput } from '../../shared/gather/imports'
import { Readable } from 'node:stream'
import { keepPackage } from '../../server/gather/data/takePackage'
import { keptReachable } from '../../server/read/audience/reachable'
import { addPoll } from '../../server/read/audience/polls'
import { countVisit } from '../../server/read/links/countVisits'
import { addLinkPage, agencyColour, linkPagesIn, publicPage } from '../../server/read/links/linkPages'
import { addLink, linkById, linksIn, targetOfOwn } from '../../server/read/links/links'
import { visitDetail } from '../../server/read/links/visits'
import { linkPageSchema, linkSchema } from '../../shared/read/links'
import { pollSchema } from '../../shared/read/polls'
import { root } from '../support/application'
import { addClient, runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'
import { EDITION_ISSUE } from '../../server/report/editions/jobs'
import { SYNC } from '../../server/gather/sync/jobs'

/** The smallest picture. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const { pool } = useDatabase('questions')
const { tokens } = useStandins()

/**
 * What the database gave at one place of the sources: its columns, whether each was ever null, and the text of the
 * question.
 */
interface Answer {
  text: string
  fields: FieldPacket[]
  nulls: Set<string>
}
const answers = new Map<string, Answer>()

/** The place in the sources that asks, from the stack: the first one of ours that is not the handle itself. */
function placeOf(stack: string): string | undefined {
  for (const line of stack.split('\n')) {
    const found = /(?:\(|at )(?:file:\/\/)?(\/[^():]+\.ts):(\d+):\d+\)?$/.exec(line)
    if (
      !found ||
      !found[1]!.includes('/server/') ||
      /\/platform\/database\/(clientDb|systemDb|pool)\.ts$/.test(found[1]!)
    )
      continue
    return `${relative(root, found[1]!)}:${found[2]}`
  }
  return undefined
}

/** Notes what every question is answered, from here on. */
function listen(): void {
  for (const kind of ['PromisePool', 'PromisePoolConnection'] as const) {
    const made = kind === 'PromisePool' ? (Object.getPrototypeOf(pool()) as Record<string, unknown>) : undefined
    if (!made) continue
    note(made)
  }
}
function note(prototype: Record<string, unknown>): void {
  const query = prototype.query as (...given: unknown[]) => Promise<[unknown, FieldPacket[] | undefined]>
  prototype.query = async function (this: unknown, text: string, ...rest: unknown[]) {
    const place = placeOf(new Error('here').stack ?? '')
    const answer = await query.call(this, text, ...rest)
    const [rows, fields] = answer
    if (place && Array.isArray(rows) && fields) {
      const known = answers.get(place) ?? { text, fields, nulls: new Set<string>() }
      for (const row of rows as Record<string, unknown>[])
        for (const [name, value] of Object.entries(row)) if (value === null) known.nulls.add(name)
      answers.set(place, known)
    }
    return answer
  }
}

const NUMBERS = new Set([
  'TINY',
  'SHORT',
  'LONG',
  'LONGLONG',
  'INT24',
  'DECIMAL',
  'NEWDECIMAL',
  'FLOAT',
  'DOUBLE',
  'YEAR',
])
const BINARY = 63
/** What a column is when it arrives. */
function kindOf(field: FieldPacket & { columnType?: number; characterSet?: number }): string {
  const name = (mysql.Types as unknown as Record<number, string>)[field.columnType ?? field.type ?? -1] ?? ''
  if (NUMBERS.has(name)) return 'number'
  if (name === 'TIMESTAMP' || name === 'DATETIME') return 'Date'
  return /BLOB|STRING|VARCHAR|VAR_STRING|ENUM|SET/.test(name) && field.characterSet === BINARY ? 'Buffer' : 'string'
}

interface Wanted {
  /** Every property with the kinds that its type allows; none where rows have columns that are not known by name. */
  properties?: Map<string, { kinds: Set<string>; isNullable: boolean; isOptional: boolean }>
  place: string
}

/** What the sources say of every question that is asked through a handle. */
function wantedOf(): Wanted[] {
  const config = ts.parseJsonConfigFileContent(
    ts.readConfigFile(`${root}/tsconfig.tools.json`, ts.sys.readFile).config,
    ts.sys,
    root,
  )
  const program = ts.createProgram(
    config.fileNames.filter((name) => name.includes('/server/')),
    config.options,
  )
  const checker = program.getTypeChecker()
  const found: Wanted[] = []
  const kindsOf = (type: ts.Type): Set<string> =>
    new Set(
      (type.isUnion() ? type.types : [type]).flatMap((part) => {
        if (part.flags & (ts.TypeFlags.Null | ts.TypeFlags.Undefined)) return []
        if (part.flags & ts.TypeFlags.NumberLike) return ['number']
        if (part.flags & ts.TypeFlags.StringLike) return ['string']
        return [
          part.symbol?.name === 'Date'
            ? 'Date'
            : part.symbol?.name.startsWith('Buffer') || checker.typeToString(part).startsWith('Buffer')
              ? 'Buffer'
              : checker.typeToString(part),
        ]
      }),
    )
  for (const file of program
    .getSourceFiles()
    .filter(
      ({ fileName }) =>
        fileName.includes('/server/') &&
        !fileName.includes('node_modules') &&
        !/\.test\.ts$|\/database\/(clientDb|systemDb)\.ts$/.test(fileName),
    )) {
    const visit = (node: ts.Node): void => {
      if (
        ts.isCallExpression(node) &&
        ts.isPropertyAccessExpression(node.expression) &&
        ['rows', 'one'].includes(node.expression.name.text)
      ) {
        const handle = checker.typeToString(checker.getTypeAtLocation(node.expression.expression))
        const result = checker.getResolvedSignature(node)!.getReturnType()
        if (handle === 'ClientDb' || handle.includes('one:')) {
          const { line } = file.getLineAndCharacterOfPosition(node.expression.name.getStart())
          const inner = checker.getAwaitedType(result)!
          const row =
            node.expression.name.text === 'rows'
              ? checker.getTypeArguments(inner as ts.TypeReference)[0]!
              : checker.getNonNullableType(inner)
          const hasNames = !checker.getIndexInfoOfType(row, ts.IndexKind.String) && row.getProperties().length > 0
          found.push({
            place: `${relative(root, file.fileName)}:${line + 1}`,
            ...(hasNames && {
              properties: new Map(
                row.getProperties().map((property) => {
                  const type = checker.getTypeOfSymbol(property)
                  const isNullable = (type.isUnion() ? type.types : [type]).some(
                    ({ flags }) => flags & ts.TypeFlags.Null,
                  )
                  return [
                    property.name,
                    { kinds: kindsOf(type), isNullable, isOptional: (property.flags & ts.SymbolFlags.Optional) !== 0 },
                  ]
                }),
              ),
            }),
          })
        }
      }
      ts.forEachChild(node, visit)
    }
    visit(file)
  }
  return found
}

/** Asks everything that the application asks, of the demo and of what is made on the way. */
async function askEverything(db: ClientDb): Promise<void> {
  const person = await signIn('jory@halyardrow.example', 'a password for the tests', '127.0.0.1')
  await signIn('jory@halyardrow.example', 'a password for the tests', '127.0.0.1')
  const session = (await personOfSession(await beginSession(person.id, { address: '127.0.0.1', browser: 'x' })))!
  await sessionsOf(person, session.session)
  await changePassword(person, 'a password for the tests', 'another password of the tests')
  await clientsOf(person)
  await claimTry('x', { free: 1, longest: 9 })
  await claimTry('x', { free: 1, longest: 9 })
  await allClients(person)
  const id = await takeUpload(
    db,
    person.id,
    'x.csv',
    (async function* () {
      yield Buffer.from('Date,Impressions\n2026-10-01,5\n2026-10-02,many\n')
    })(),
  )
  await startCheck(
    db,
    id,
    { ...((await importById(db, id)).mapping as MappingInput), targets: ['day', 'impressions'], profile: 1 },
    person.id,
  )
  await runJobs()
  await startApply(db, id, person.id)
  await runJobs()
  await importsOf(db)
  await badRowsOf(db, id, 5)
  const later = await takeUpload(
    db,
    person.id,
    'y.csv',
    (async function* () {
      yield Buffer.from('Date,Impressions\n2026-10-01,6\n')
    })(),
  )
  await startCheck(db, later, (await importById(db, later)).mapping as MappingInput, person.id)
  await runJobs()
  await startApply(db, later, person.id)
  await runJobs()
  await expect(startUndo(db, id, person.id)).rejects.toThrow('imported later')
  await startUndo(db, later, person.id)
  await runJobs()
  // the demo's breakdowns end ten days before its figures
  for (const [who, period] of [
    [[], 'last-28-days'],
    [[], '2026-09-21..2026-10-18'],
    [[1], 'last-28-days'],
    [[3], 'last-28-days'],
  ] as const) {
    const scope = await resolveScope(db, { who: [...who], sets: [], period, against: 'before' })
    await overview(db, scope, { metric: 'followers', second: 'reach', by: 'set' })
    for (const metric of ['reach', 'engagement_by_reach', 'interactions', 'followers'])
      await workings(db, scope, metric)
    for (const { id: breakdown } of BREAKDOWNS) await breakdownsOf(db, scope, breakdown)
    for (const { value: order } of POST_ORDERS)
      await postList(db, scope, { order, any: 'tea, garden', all: 'the', none: 'x', columns: 'times,reach' })
    for (const { kind, ...declared } of DECLARED_BLOCKS) {
      if (kind === 'text') continue
      for (const metric of ['interactions', 'engagement_by_impressions', 'impressions'])
        await fill(db, scope, {
          id: 'x',
          kind,
          title: '',
          metrics: 'metrics' in declared ? [metric] : [],
          option: '',
          who: 'all',
          text: '',
          comment: '',
          ...(kind === 'occasions' && { tag: 1, on: '2026-10-21' }),
        } satisfies Block)
    }
    await factRows(db, [1, 2], [scope.period], ['impressions'])
  }
  await describeScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })
  await profilesView(db)
  await profilesPage(db)
  await restatementsOf(db, 1, 5)
  await switchProfile(db, 1, true)
  await pool().query('UPDATE profile SET is_rival = 1 WHERE profile_id = 1')
  await nameRival(db, 1, 'x')
  await pool().query('UPDATE profile SET is_rival = 0 WHERE profile_id = 1')
  const set = await addSet(db, 'S', [1])
  await changeSet(db, set, 'T', [1])
  await removeSet(db, set, true)
  const scopeId = await saveScope(db, 'K', { who: '1' } as never)
  await savedScopes(db)
  await removeScope(db, scopeId, true)
  const target = { metric: 'posts', who: '1', wanted: 1, from: '2026-10-01', by: '2026-11-01' }
  const targetId = await addTarget(db, target, person.id)
  await changeTarget(db, targetId, target)
  await removeTarget(db, targetId, true)
  await keepSearch(db, { address: 'x', handle: 'x', linked: [], broken: [], unlinked: [], free: [], taken: [] })
  await lastSearch(db)
  await db.transaction((inside) => refuseBeyondAllowance(inside))
  const report = await addReport(db, 'R', [])
  for (let twice = 0; twice < 2; twice++) {
    await enqueue(db, EDITION_ISSUE, `${report}:1`, {
      reportId: report,
      requestKey: '00000000-0000-4000-8000-000000000000',
      person: person.id,
    })
    await pool().query("UPDATE job SET run_after = NOW() + INTERVAL 1 DAY WHERE kind = 'edition.print'")
    await runJobs()
  }
  const [edition] = await editionsOf(db)
  await keepPdf(db, edition!.id, Buffer.from('x'))
  await editionPdf(db, edition!.id)
  await openShare(await shareEdition(db, edition!.id, new Date(Date.now() + 60_000), 'reader'))
  await sharesOf(db, edition!.id)
  await pool().query('UPDATE connection SET credentials = ? WHERE profile_id = 1', [
    tokens('commons', PROFILES[0]!.remoteId),
  ])
  await enqueueDue()
  await enqueueDueSchedules([])
  const job = await enqueue(db, SYNC, 1, {})
  await runJobs()
  await jobById(db, job)
  await newestJob(db, 'sync', 1)
  await writingJobs(db)
  await releasedOf(db)
  await isUnnamed()
  await agencyOf(person)
  await askerOf(db)
  await consentRequests(db)
  await takeUpload(
    db,
    person.id,
    'z.xlsx',
    toXlsx([
      {
        name: 'x',
        columns: [
          { title: 'Date', kind: 'day' },
          { title: 'Impressions', kind: 'count' },
        ],
        rows: [['2026-10-01', 5]],
      },
    ]),
  )
  await runJobs()
  await supersede(db, edition!.id, null)
  await whatIsKept(db)
  await fetchVolumes()
  const everybody = await resolveScope(db, { who: [], sets: [], period: '2026-09', against: 'none' })
  await keepIntended(db, intendedSchema.validateSync({ ages: ['25-34'], countries: ['GB'] }))
  await audienceOf(db, everybody)
  await audienceLines(db, everybody, 'country', 'GB')
  await askAboutPlans(db, person)
  await askAboutRanks(db)
  await askAboutEntries(db)
  await askAboutQuestions(db)
  const tag = await addTag(db, { name: 'T', colour: 1 }, person.id)
  const [listed] = (
    await postList(
      db,
      await resolveScope(db, { who: [], sets: [], period: '2026-10-11..2026-10-21', against: 'none' }),
      {
        tags: '1',
      },
    )
  ).posts
  await tagByHand(db, tag, [listed!], true, person.id)
  await previewRule(db, tagRuleSchema.validateSync({ any: 'the', who: '1' }), tag)
  await tagsOf(db)
  await changeTag(db, tag, { name: 'U', colour: 2 })
  await postView(db, listed!.profile, listed!.id)
  await pictureOf(db, listed!.profile, listed!.id)
  await refuseTooManyPictures(db)
  for await (const part of dataPackage(db, Date.now())) expect(part.length).toBeGreaterThanOrEqual(0)
  const token = await askForConsent(db, 1)
  const address = new URL(await beginConsent(token, 'http://127.0.0.1/consent/answer'))
  await expect(
    endConsent(
      new URL(`http://127.0.0.1/consent/answer?state=${address.searchParams.get('state')}&error=access_denied`),
      'http://127.0.0.1/consent/answer',
    ),
  ).rejects.toThrow('refused')
  await fieldOf(
    db,
    await resolveScope(db, { who: [], sets: [], period: '2026-09', against: 'before' }),
    fieldSchema.cast({}),
  )
  await fieldLines(
    db,
    await resolveScope(db, { who: [], sets: [], period: '2026-09', against: 'none' }),
    fieldLinesSchema.cast({}),
  )
  await fieldEvents(
    db,
    await resolveScope(db, { who: [], sets: [], period: '2026-09', against: 'none' }),
    fieldEventsSchema.cast({ tag: 1, on: '2026-09-10' }),
  )
  await industryOf(db, await resolveScope(db, { who: [], sets: [], period: '2026-09', against: 'none' }))
  const figure = referenceSchema.validateSync({ measure: 'growth', middle: 0.1, source: 'x', day: '2026-01-01' })
  const reference = await addReference(db, figure)
  await changeReference(db, reference, figure)
  await removeReference(db, reference, true)
  await watchField(db)
  await keepSightings(db, [{ kind: 'hashtag', profile: 1, subject: 'x', day: '2026-10-20', text: 'x' }])
  await pool().query('UPDATE profile SET is_rival = 1 WHERE profile_id = 1')
  await openSightingsWords(db, '2026-10-28')
  const [seen] = (await pool().query<RowDataPacket[]>('SELECT sighting_id AS id FROM sighting'))[0]
  await settleSighting(db, seen!.id as number, true, 1)
  await pool().query('UPDATE profile SET is_rival = 0 WHERE profile_id = 1')
  await fieldHabits(
    db,
    await resolveScope(db, { who: [], sets: [], period: '2026-09', against: 'none' }),
    habitsSchema.cast({}),
  )
  await askOfPlaces(db)
  await askOfTimes(db)
  await askOfLinks(db)
  await withoutPost(db, POST_OBSERVATIONS, [
    { kind: 'good', keys: [1, 'p', '2026-10-20 08:00:00'], profile: 1, day: '2026-10-20', values: {} },
  ])
}

/** Places, their reviews, and answers to these. */
async function askOfPlaces(db: ClientDb): Promise<void> {
  const scope = await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })
  const place = await addPlace(db, placeSchema.validateSync({ name: 'x' }))
  await changePlace(db, place, placeSchema.validateSync({ name: 'y' }))
  const [listed] = (await placesOf(db)).filter(({ listing }) => listing)
  await changePlace(db, listed!.id, placeSchema.validateSync({ ...listed, listing: listed!.listing!.id }))
  // the largest of them, which has areas of direction requests
  const gate = (await placesOf(db)).find(({ name }) => name === 'Mossgate, main gate')!
  const { pictures } = await placeInsights(db, scope, gate.id)
  expect(await listingPictureFile(db, pictures!.profile, pictures!.pictures[0]!.id)).toBeDefined()
  const listings = scope.profiles.filter(({ network }) => network === 'waymark').map(({ profile_id: id }) => id)
  await pool().query('UPDATE profile SET is_rival = 1 WHERE profile_id = ?', [listings.at(-1)])
  await reviewsOf(db, scope, true)
  await pool().query('UPDATE profile SET is_rival = 0 WHERE profile_id = ?', [listings.at(-1)])
  const [review] = (await listReviews(db, scope, reviewFilterSchema.cast({ state: 'waiting' }))).reviews
  await writeReply(db, review!, 'x', 1)
  await moveReply(db, review!, 'approved', 1, () => Promise.resolve(''))
  const template = await addTemplate(db, { name: 'x', variants: ['x'] })
  await proposeReply(db, review!, template)
  await placesFile(db, 'name\nz', false)
  const group = await keepPlaceGroup(db, undefined, { name: 'x', places: [listed!.id] })
  await keepPlaceGroup(db, group, { name: 'y', places: [listed!.id] })
  await placesPage(db, scope, group)
  // what somebody of single places asks, and the looking up of these
  const [viewer] = await placePeople(db)
  await assignPlaces(db, viewer!.id, [gate.id])
  const theirs = (await openClient({ id: viewer!.id, agencyId: 1, name: '', email: '', role: 'viewer' }, db.slug)).db
  expect((await placesPage(theirs, await resolveScope(theirs, scope.query))).places).toHaveLength(1)
  await directories(theirs)
  await assignPlaces(db, viewer!.id, null)
  await removePlaceGroup(db, group, true)
  await removePlace(db, place)
  await bringBackPlace(db, place)
}

/** When to post, and tries of it. */
async function askOfTimes(db: ClientDb): Promise<void> {
  const scope = await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })
  const { profiles } = await timesOf(db, scope, timesSchema.getDefault())
  const [kept] = await keepPlanned(db, scope, keepTriesSchema.cast({ profile: profiles[0]!.id }))
  await timesOf(db, scope, timesSchema.getDefault())
  await calendarOf(db, scope, calendarSchema.cast({ span: 'month', on: '2026-11-10' }), thisHour())
  await removeTry(db, kept!, true)
}

/** Links, pages, polls, and a package that is taken in. */
async function askOfLinks(db: ClientDb): Promise<void> {
  const scope = await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })
  const link = linkSchema.validateSync({ name: 'x', target: 'https://x.example/' })
  const { id, code } = await addLink(db, link, 1, 'zaffer.example')
  expect(await targetOfOwn(db, `https://zaffer.example/l/${code}`, 'zaffer.example')).toBe(link.target)
  const page = await addLinkPage(db, linkPageSchema.validateSync({ title: 'x', items: [{ text: 'x', link: id }] }), 1)
  const visit = { place: 'link', kind: 'person', country: 'GB', referrer: 'x.example', from: page.code } as const
  await countVisit({ ...visit, code })
  await countVisit({ ...visit, place: 'page', code: page.code, from: '' })
  await linksIn(db, scope, 10)
  await linkById(db, id)
  await visitDetail(db, 'link', id, { from: '2026-10-29', to: '2026-10-29' })
  await linkPagesIn(db, { ...scope, period: { from: '2026-10-29', to: '2026-10-29' } })
  await publicPage(db, page.id)
  await agencyColour(db)
  await keptReachable(db)
  await addPoll(
    db,
    pollSchema.validateSync({
      question: 'x',
      asked: 'x',
      from: '2026-10-01',
      to: '2026-10-01',
      answers: [
        { text: 'a', count: 1 },
        { text: 'b', count: 1 },
      ],
    }),
    1,
  )
  const empty = await addClient('questions-empty')
  const bytes: Uint8Array[] = []
  for await (const part of dataPackage(db, Date.now())) bytes.push(part)
  await keepPackage(empty, Readable.from(bytes), 1)
  await runJobs()
}

describe('every question to the database', () => {
  let wanted: Wanted[] = []
  beforeAll(async () => {
    await addDemo()
    const connection = await pool().getConnection()
    note(Object.getPrototypeOf(connection) as Record<string, unknown>)
    connection.release()
    listen()
    await askEverything(await clientDbForJob(1))
    wanted = wantedOf()
  }, 600_000)

  it('is asked here', () => {
    expect(wanted.length).toBeGreaterThan(70)
    expect(wanted.filter(({ place }) => !answers.has(place)).map(({ place }) => place)).toEqual([])
  })

  it('gives the columns that its type names, and no others', () => {
    const wrong = wanted.flatMap(({ place, properties }) => {
      const answer = answers.get(place)
      if (!answer || !properties) return []
      const given = new Set(answer.fields.map(({ name }) => name))
      const absent = [...properties]
        .filter(([name, { isOptional }]) => !isOptional && !given.has(name))
        .map(([name]) => `${place}: no column ${name}`)
      const extra = /SELECT\s+\*/.test(answer.text)
        ? []
        : [...given].filter((name) => !properties.has(name)).map((name) => `${place}: nobody knows the column ${name}`)
      return [...absent, ...extra]
    })
    expect(wrong).toEqual([])
  })

  it('gives values of the types that its type names, and null only where that may be', () => {
    const wrong = wanted.flatMap(({ place, properties }) => {
      const answer = answers.get(place)
      if (!answer || !properties) return []
      return answer.fields.flatMap((field) => {
        const property = properties.get(field.name)
        if (!property) return []
        const kind = kindOf(field)
        return [
          ...(property.kinds.size > 0 && !property.kinds.has(kind)
            ? [`${place}: ${field.name} is a ${kind}, not ${[...property.kinds].join(' or ')}`]
            : []),
          ...(answer.nulls.has(field.name) && !property.isNullable && !property.isOptional
            ? [`${place}: ${field.name} was null`]
            : []),
        ]
      })
    })
    expect(wrong).toEqual([])
  })
})

/** Asks what is asked about ranks. */
async function askAboutRanks(db: ClientDb): Promise<void> {
  const place = (await placesOf(db)).find(({ lat, listing }) => lat !== null && listing)!
  const id = await addWatch(db, {
    place: place.id,
    keyword: 'tea',
    kind: 'map',
    rhythm: 'week',
    shape: 'square',
    spacing: 500,
    rings: 1,
  })
  await changeRhythm(db, id, 'two-days')
  await rankAllowance(db)
  await ranksDue()
  await askForCheck(db, id, 1)
  await runJobs()
  await checkRanksJob(async () => []).failed!(db, String(id))
  const scope = await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'before' })
  await ranksIn(db, scope)
  for (const { id: one } of await watchesOf(db)) await rankView(db, scope, one)
  await removeWatch(db, id, true)
}

/** Asks what is asked about entries in directories. */
async function askAboutEntries(db: ClientDb): Promise<void> {
  await entriesDue()
  await watchDue()
  await askForPoll(db, 1)
  await runJobs()
  await directories(db)
  const [entry] = await entriesOf(db)
  await placeEntries(db, entry!.place)
  await sayOurs(db, entry!.id, true)
  await askForCorrections(db, [{ entry: entry!.id, field: 'name' }], 1)
  await db.run(sql`UPDATE directory_entry SET is_ours = 0 WHERE client_id = ${db.client} AND directory = 'townbook'`)
  await askForEntries(db, [{ place: entry!.place, directory: 'townbook' }], 1)
  await runJobs()
  await askForPoll(db, 1)
  await runJobs()
  const [change] = await changedEntries(db)
  await settleChanges(db, { changes: [change!.id], what: 'keep' }, 1)
  await settleChanges(db, { changes: [change!.id], what: 'open' }, 1)
  await pollEntriesJob({
    find: async () => [],
    correct: async () => never(),
    standing: async () => [],
    request: async () => never(),
  }).failed!(db, 'townbook')
}

/** Asks what is asked about questions of visitors. */
async function askAboutQuestions(db: ClientDb): Promise<void> {
  const scope = await resolveScope(db, { who: [], sets: [], period: 'last-90-days', against: 'before' })
  const { questions } = await questionsIn(db, scope, questionFilterSchema.cast({ state: 'waiting' }))
  await questionsIn(db, scope, questionFilterSchema.cast({ after: '1790000000000.1.x' }))
  await waitingQuestions(db, scope.lastComplete)
  await answerQuestion(db, questions[0]!, 'x', async () => '')
}

/** What is not asked for here. */
function never(): never {
  throw new Error('nothing is corrected here')
}

/** Asks what is asked about planned posts. */
async function askAboutPlans(db: ClientDb, person: { id: number; name: string }): Promise<void> {
  const { id: file } = await takeFile(db, 'dot.png', DOT)
  await fileById(db, file)
  await keptFiles(db, 'dot')
  await setPlanSettings(db, { needsApproval: true, lateMinutes: 60 })
  const input = plannedSchema.validateSync({
    text: 'A plan',
    at: '2026-10-29T06:00',
    media: [{ file }],
    postings: [{ profile: 1 }],
  })
  const id = await addPlanned(db, input, person)
  await placePlanned(db, id, '2026-10-29T06:30')
  await movePlanned(db, [id], { days: 0, time: '06:45' })
  await setWeeklySlots(db, [{ weekday: 1, minutes: 540 }])
  await weeklySlots(db)
  const { placed } = await placeMany(db, placeManySchema.validateSync({ ids: [id], by: 'own', isTaken: true }))
  await setTimes(
    db,
    placed.map(({ id: one, before }) => ({ id: one, at: before })),
  )
  await hashtagsBrought(db)
  const kept = await keepText(db, { name: 'x', text: 'x' })
  await changeText(db, kept, { name: 'y', text: 'y' })
  await savedTexts(db, 'y')
  await removeText(db, kept, true)
  const list = await addRefill(
    db,
    refillSchema.validateSync({ name: 'x', slots: [{ weekday: 2, minutes: 600 }], daysApart: 5, goesOut: true }),
    person,
  )
  await putIntoRefill(db, list, id, true)
  await refillDue()
  await refills(db)
  await putIntoRefill(db, list, id, false)
  await removeRefill(db, list, true)
  const [again] = await repeatPlanned(db, id, 'FREQ=DAILY;COUNT=2', person)
  await removePlanned(db, [again!], true)
  await copyPlanned(db, id, person)
  await planChoices(db)
  const { token } = await approvalLink(db, id, { reader: 'R', days: 1 })
  await movePost(db, id, { to: 'waiting', version: 1, remark: '' }, person)
  await approvalView(token)
  await readersOf(db, id)
  await approvalPicture(token, 0)
  await readerSays(token, { isApproved: true, version: 1, remark: '' })
  await slotPromise(db, Date.parse('2026-10-29T06:45Z'))
  await movePost(db, id, { to: 'scheduled', version: 1, remark: '' }, person)
  await endApprovalLinks(db, id)
  await openFeed(await renewFeed(db, person.id)).catch(() => undefined)
  await planDue(db)
  await planOf(db, '2026-10-26', '2026-11-01')
  process.env.ZAFFER_NOW = '2026-10-29T06:46:00Z'
  await publishDue()
  await runJobs()
  process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'
  await publishJob.failed!(db, '1')
  await plannedPost(db, id, person)
  await outcomesOf(db, id)
  await decide(db, id, 1, { decision: 'published', address: '' }, person.name).catch(() => undefined)
}
