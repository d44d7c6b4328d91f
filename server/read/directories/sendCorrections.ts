import { enqueue } from '../../platform/jobs/queue'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { correctionsOf, entriesOf } from './entryRows'
import { keepRequestAnswer, outgoingRequest, requestsOf } from './entryRequests'
import { ENTRIES_POLL, ENTRIES_SEND } from './jobs'
import { correctionKey, keepAnswer, type AskDirectory } from './correctionAnswers'

/** Sends what a directory is asked to say, one after the other; then looks at what it says now. */
async function sendCorrections({ db, job, step, finish }: JobContext, ask: AskDirectory): Promise<void> {
  const waiting = (await correctionsOf(db, { directory: job.subject, state: 'waiting' })).reverse()
  const remote = new Map((await entriesOf(db, { directory: job.subject })).map(({ id, remoteId }) => [id, remoteId]))
  for (const [index, { id, entry, field, value }] of waiting.entries()) {
    const answer = await ask.correct(job.subject, {
      key: correctionKey(db, id),
      entry: remote.get(entry)!,
      field,
      text: value,
    })
    await step(
      (inside) => keepAnswer(inside, id, answer),
      () => ({ done: index + 1, total: waiting.length, message: `${index + 1} of ${waiting.length} corrections` }),
    )
  }
  const requests = (await requestsOf(db, { directory: job.subject, state: 'waiting' })).reverse()
  for (const request of requests) {
    const answer = await ask.request(job.subject, await outgoingRequest(db, request))
    await step((inside) => keepRequestAnswer(inside, request.id, answer))
  }
  await finish((inside) => enqueue(inside, ENTRIES_POLL, job.subject, {}), sentWords(waiting.length, requests.length))
}

function sentWords(corrections: number, requests: number): string {
  const said = [
    corrections === 1 ? 'One correction was sent.' : corrections > 1 ? `${corrections} corrections were sent.` : '',
    requests === 1 ? 'One entry was asked for.' : requests > 1 ? `${requests} entries were asked for.` : '',
  ].filter(Boolean)
  return said.join(' ') || 'Nothing was left to send.'
}

/** The job that sends, by how directories are asked. */
export const sendCorrectionsJob = (ask: AskDirectory) =>
  jobModule(ENTRIES_SEND, (context) => sendCorrections(context, ask))
