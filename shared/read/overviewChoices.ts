import { array, string } from 'yup'
import { MOST_HEADLINES, MOST_TABLE_COLUMNS } from './overview'

/** The metrics that somebody has chosen for the head of a page. */
export const headlinesSchema = array(string().max(40).defined())
  .min(1)
  .max(MOST_HEADLINES, `At the head of a page there is room for ${MOST_HEADLINES} figures.`)
  .required()

/** The metrics that somebody has chosen for the columns of a table. */
export const columnsSchema = array(string().max(40).defined())
  .min(1)
  .max(MOST_TABLE_COLUMNS, `A table can have ${MOST_TABLE_COLUMNS} columns of figures.`)
  .required()
