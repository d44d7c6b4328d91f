import { enqueue } from '../../platform/jobs/queue'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { correctionsOf, entriesOf } from './entryRows'
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
  await finish(
    (inside) => enqueue(inside, ENTRIES_POLL, job.subject, {}),
    waiting.length === 1 ? 'One correction was sent.' : `${waiting.length} corrections were sent.`,
  )
}

/** The job that sends, by how directories are asked. */
export const sendCorrectionsJob = (ask: AskDirectory) =>
  jobModule(ENTRIES_SEND, (context) => sendCorrections(context, ask))
