import type { Column } from './table'

/** The columns of a table by what they hold. */
export const text = (title: string): Column => ({ title, kind: 'text' })
export const count = (title: string): Column => ({ title, kind: 'count' })
export const share = (title: string): Column => ({ title, kind: 'share' })
export const number = (title: string): Column => ({ title, kind: 'number' })
export const day = (title: string): Column => ({ title, kind: 'day' })
