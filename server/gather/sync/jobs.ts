import { object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/** Fetches what a profile's network has of it; its subject is the profile. Everything else goes before it. */
export const SYNC = { kind: 'sync', payload: object({}), priority: 1, writesFigures: true } satisfies JobDeclaration

/** Looks which profiles are due, and puts their syncs into the queue. */
export const SYNC_DUE = {
  kind: 'sync.due',
  payload: object({}),
  priority: 0,
  writesFigures: false,
} satisfies JobDeclaration

/** Fetches the whole volume of every network that somebody has a profile on. */
export const VOLUME = {
  kind: 'volume',
  payload: object({}),
  priority: 1,
  writesFigures: false,
} satisfies JobDeclaration
