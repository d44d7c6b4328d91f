import type { InferType, ISchema } from 'yup'
import type { ClientDb } from '../database/clientDb'
import { jobContext, systemJobContext, type JobContext, type SystemJobContext } from './context'
import type { Job } from './queue'

/** As much of an object schema as a job uses: comparing whole ones takes the compiler long. */
type PayloadSchema = ISchema<object> & { validateSync(value: unknown): object }

/** What a kind of job is, for whoever asks for one. Its work stands in its module. */
export interface JobDeclaration<Payload extends PayloadSchema = PayloadSchema> {
  kind: string
  /** What it is given beside its subject; checked when it is asked for and again when it is worked on. */
  payload: Payload
  /** Of two that are due, the one with the smaller number goes first. */
  priority: number
  /** Whether it writes a client's figures: of these, one at a time works on a client. */
  writesFigures: boolean
}

/** A kind of job with its work. */
export interface JobModule {
  declaration: JobDeclaration
  work: (job: Job) => Promise<void>
  /** What follows when it has failed for good, beside the sentence that the job keeps. */
  failed?: (db: ClientDb, subject: string) => Promise<unknown>
}

/** What a job of a kind is given. */
export type PayloadOf<Declaration extends JobDeclaration> = InferType<Declaration['payload']>

/** Joins a kind of job and its work, which gets the payload as its schema reads it. */
export function jobModule<Payload extends PayloadSchema>(
  declaration: JobDeclaration<Payload>,
  work: (context: JobContext, payload: InferType<Payload>) => Promise<void>,
  failed?: JobModule['failed'],
): JobModule {
  return {
    declaration,
    work: async (job) =>
      work(await jobContext(job), declaration.payload.validateSync(JSON.parse(job.payload)) as InferType<Payload>),
    ...(failed && { failed }),
  }
}

/** Joins a kind of job that belongs to no client, such as what is done by the clock for all of them, and its work. */
export const systemJobModule = (
  declaration: JobDeclaration,
  work: (context: SystemJobContext) => Promise<unknown>,
): JobModule => ({
  declaration,
  work: async (job) => {
    const context = systemJobContext(job)
    await context.finish(await work(context))
  },
})
